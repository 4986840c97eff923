<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\RestartTimes;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A source that is asked for more than it gives says so; a load is back at one time, wherever it is asked. */
final class OverloadTest extends TestCase
{
    /** @param list<Load> $loads */
    #[Test, DataProvider('buses')]
    public function a_bus_over_the_rating_shows(array $loads, ?LoadShedding $shed, float $sourceKw, bool $isOver): void
    {
        $answer = $this->outage(InstallationKind::EssentialCircuits, $shed, $loads, $sourceKw);
        self::assertSame($isOver ? ['source-overloaded'] : [], array_column($answer['findings'], 'id'));
        self::assertSame($isOver, $answer['overloads'] !== []);
        foreach ($answer['overloads'] as $span) {
            self::assertGreaterThan($sourceKw, $span['most_kw']);
            self::assertLessThan($span['to_ms'], $span['from_ms']);
        }
    }

    /** @return iterable<string, array{list<Load>, ?LoadShedding, float, bool}> */
    public static function buses(): iterable
    {
        $many = [new Load('Kitchen', 14.35, 1, false), new Load('Heater', 12, 2, false)];
        yield '26.35 kW on 11 kW' => [$many, null, 11, true];
        yield 'as much as it gives is not over' => [$many, null, 26.35, false];
        yield 'a watt over is' => [$many, null, 26.349, true];
        yield 'shed in time' => [
            [new Load('Kitchen', 9, 1, false), new Load('Heater', 12, 2, true)], new LoadShedding(11, 10_000, 10_000, 5000, 180_000), 11,
            false,
        ];
        yield 'a limit over what the source gives protects nothing' => [
            [new Load('Kitchen', 9, 1, false), new Load('Heater', 12, 2, true)], new LoadShedding(30, 10_000, 10_000, 5000, 180_000), 11,
            true,
        ];
        yield 'what is never shed is too much' => [
            [new Load('Kitchen', 14, 1, false)], new LoadShedding(11, 10_000, 10_000, 5000, 180_000), 11, true,
        ];
    }

    #[Test]
    public function without_a_rating_the_answer_is_as_it_was(): void
    {
        $input = $this->input(InstallationKind::WholeHouse, null, [new Load('Kitchen', 14, 1, false)]);
        $plain = CaseFile::asArray((new Calculations())->rehearse(Node::fromArray($input)));
        self::assertSame(['events', 'metrics', 'final'], array_keys($plain));
    }

    #[Test, DataProvider('kinds')]
    public function a_load_is_back_when_the_rehearsal_says_so(InstallationKind $kind): void
    {
        $loads = [
            new Load('Always on', 4, 1, false), new Load('Heat pump', 5, 2, true, true), new Load('Range', 6, 3, true),
            new Load('Too big', 40, 4, true),
        ];
        $shed = new LoadShedding(16, 10_000, 10_000, 5000, 180_000);
        $template = new SheetTemplate($kind);
        $times = (new RestartTimes($template->plant(), $template->settings()->withLoadShed($shed), $loads))->backMs;
        self::assertSame(
            ['Always on' => 0, 'Heat pump' => 180_000, 'Range' => 10_000, 'Too big' => null],
            $times,
            'a compressor waits for the lock-out of the sheet',
        );
        $events = $this->outage($kind, $shed, $loads, 16)['events'];
        $closed = array_values(array_filter(
            $events,
            static fn(array $event): bool => $event['kind'] === 'switch_closed' && $event['to'] === 'emergency',
        ))[0]['t_ms'];
        foreach ($events as $event) {
            if ($event['kind'] === 'load_restored' && $event['reason'] === 'step') {
                self::assertSame($times[$event['load']], $event['t_ms'] - $closed);
            }
        }
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function without_shedding_everything_is_on_from_the_first_moment(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        self::assertSame(
            ['Heat pump' => 0],
            (new RestartTimes($template->plant(), $template->settings(), [new Load('Heat pump', 5, 2, true, true)]))->backMs,
        );
    }

    /**
     * @param list<Load> $loads
     *
     * @return array<string, mixed>
     */
    private function outage(InstallationKind $kind, ?LoadShedding $shed, array $loads, float $sourceKw): array
    {
        return CaseFile::asArray(
            (new Calculations())->rehearse(Node::fromArray($this->input($kind, $shed, $loads) + ['source_kw' => $sourceKw])),
        );
    }

    /**
     * @param list<Load> $loads
     *
     * @return array<string, mixed>
     */
    private function input(InstallationKind $kind, ?LoadShedding $shed, array $loads): array
    {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();
        $settings = $shed === null ? $template->settings() : $template->settings()->withLoadShed($shed);
        $numbers = ['lasts_ms' => 900_000];
        foreach (Story::Outage->numbers($plant->kind) as $number) {
            $numbers[$number->name] ??= $number->default;
        }

        return [
            'system' => $plant->toArray(), 'settings' => $settings->toWire(),
            'loads' => array_map(static fn(Load $load): array => $load->toArray(), $loads),
            'events' => Story::Outage->events($numbers, $plant), 'until_ms' => Story::Outage->untilMs($numbers, $plant, $settings),
        ];
    }
}
