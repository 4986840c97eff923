<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Metrics;

/** What a turn of a delay does to the first five stories at once, each beside what the sheet gives. */
final readonly class FiveStories
{
    private const MOST = 5;

    /** @var list<array{story: Story, cells: list<array{value: string, was: ?string}>}> */
    public array $rows;
    /** @var list<'Dark'|'Engine runs'|'Starts'|'Transfers'> two supplies have no engine to tell of */
    public array $columns;

    /** @param list<Story> $stories that fit the installation */
    public function __construct(SwitchFacts $facts, Settings $turned, Settings $sheet, array $stories)
    {
        $this->columns = $facts->plant->engine === null ? ['Dark', 'Transfers'] : ['Dark', 'Starts', 'Engine runs', 'Transfers'];
        $rows = [];
        foreach (array_slice($stories, 0, self::MOST) as $story) {
            $now = $this->told(self::played($facts, $turned, $story));
            $was = $this->told(self::played($facts, $sheet, $story));
            $rows[] = [
                'story' => $story,
                'cells' => array_map(
                    static fn(string $value, string $before): array => ['value' => $value, 'was' => $value === $before ? null : $before],
                    $now,
                    $was,
                ),
            ];
        }
        $this->rows = $rows;
    }

    private static function played(SwitchFacts $facts, Settings $settings, Story $story): Metrics
    {
        $numbers = [];
        foreach ($story->numbers($facts->plant->kind) as $number) {
            $numbers[$number->name] = $number->default;
        }
        $sheet = $story->sheet($settings, $numbers);

        return Rehearsal::play($facts->scenario(
            $sheet,
            $story->events($numbers, $facts->plant, $facts->loads()),
            $story->untilMs($numbers, $facts->plant, $sheet),
        ))->metrics;
    }

    /** @return list<string> by the columns */
    private function told(Metrics $metrics): array
    {
        $all = [
            'Dark' => SheetWords::seconds($metrics->busDeadMs), 'Starts' => (string) $metrics->engineStarts,
            'Engine runs' => SheetWords::seconds($metrics->engineRunMs),
            'Transfers' => (string) ($metrics->transfersToEmergency + $metrics->transfersToNormal),
        ];

        return array_map(static fn(string $column): string => $all[$column], $this->columns);
    }
}
