<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\RestartTimes;
use Escapement\Core\Rehearsal\SettlingTime;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Rehearsal\StoryNumber;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Wire\ScenarioReader;

/** Every story on the template of every kind that it fits: what happens when, and what it comes to. */
final class GoldenStories
{
    /** @return array<string, list<string>> */
    public static function golden(): array
    {
        $golden = [];
        foreach (InstallationKind::cases() as $kind) {
            $template = new SheetTemplate($kind);
            $plant = $template->plant();
            $settings = $template->settings()->withLoadShed(new LoadShedding(10, 5000, 5000, 2000, 30_000));
            $loads = [new Load('always', 4, 1, false), new Load('dryer', 5, 3, true), new Load('pump', 2, 2, true)];
            $back = (new RestartTimes($plant, $settings, $loads))->backMs;
            $golden["$kind->value, at rest"] = [
                SettlingTime::ms($plant, $settings) . ' settled', ...array_map(
                    static fn(string $load, ?int $ms): string => "$load " . ($ms ?? 'stays off'),
                    array_keys($back),
                    $back,
                ),
            ];
            foreach (Story::cases() as $story) {
                if (! $story->fits($plant, $settings, $loads)) {
                    continue;
                }
                $numbers = array_column($story->numbers($plant->kind), 'default', 'name');
                $result = Rehearsal::play((new ScenarioReader())->scenario(Node::fromArray([
                    'system' => $plant->toArray(),
                    'settings' => $story->sheet($settings, $numbers)->toWire(),
                    'loads' => array_map(static fn(Load $load): array => $load->toArray(), $loads),
                    'events' => $story->events($numbers, $plant, $loads),
                    'until_ms' => $story->untilMs($numbers, $plant, $settings),
                ])));
                $metrics = array_filter((array) $result->toArray()['metrics'], static fn(mixed $one): bool => $one !== 0);
                $golden["$kind->value, $story->value"] = [
                    ...array_map(self::number(...), $story->numbers($plant->kind)),
                    json_encode($story->events($numbers, $plant, $loads), JSON_THROW_ON_ERROR),
                    ...array_map(static fn(Event $event): string => "$event->tMs {$event->kind()->value}", $result->events),
                    json_encode($metrics, JSON_THROW_ON_ERROR),
                ];
            }
        }

        return $golden;
    }

    private static function number(StoryNumber $one): string
    {
        return "$one->name " . json_encode($one->default, JSON_THROW_ON_ERROR) . ($one->isTime ? ' ms' : '') . ", to $one->max";
    }
}
