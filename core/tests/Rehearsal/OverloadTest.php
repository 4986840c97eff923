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

    #[Test]
    public function each_span_says_from_when_to_when_and_how_much_and_the_finding_all_of_it(): void
    {
        $loads = [new Load('Kitchen', 8, 1, false), new Load('Heater', 2, 2, false)];
        $input = $this->input(InstallationKind::EssentialCircuits, null, $loads);
        $input['source_kw'] = 11;
        $input['until_ms'] = 1_200_000;
        $set = static fn(int $at, float $kw): array => ['at_ms' => $at, 'do' => 'set_load', 'load' => 'Heater', 'kw' => $kw];
        $normal = static fn(int $at, float $v): array => ['at_ms' => $at, 'do' => 'set_source', 'source' => 'normal', 'v' => $v];
        $input['events'] = [
            $set(500, 9), $normal(1000, 0), $set(100_000, 3), $set(200_000, 4), $set(300_000, 6.04), $set(310_000, 5.0), $set(400_000, 2),
            $set(500_000, 3.5), $normal(500_000, 120),
        ];
        $answer = (array) CaseFile::asArray((new Calculations())->rehearse(Node::fromArray($input)));
        $closed = array_column(
            array_filter($answer['events'], static fn(array $one): bool => $one['kind'] === 'switch_closed'),
            't_ms',
        );
        self::assertEquals([
            ['from_ms' => $closed[0], 'to_ms' => 100_000, 'most_kw' => 17.0],
            ['from_ms' => 200_000, 'to_ms' => 400_000, 'most_kw' => 14.04],
            ['from_ms' => 500_000, 'to_ms' => $closed[1] - 100, 'most_kw' => 11.5],
        ], $answer['overloads'], 'on the utility nothing is too much; equal to what it gives is not over');
        $seconds = (100_000 - $closed[0] + 200_000 + $closed[1] - 100 - 500_000) / 1000;
        $message = str_replace("\u{202F}", ' ', $answer['findings'][0]['message']);
        self::assertStringContainsString('17', $message);
        self::assertStringContainsString(sprintf('%d:%04.1f', intdiv((int) $seconds, 60), fmod($seconds, 60)), $message);
        self::assertStringContainsString(sprintf('0:%04.1f', $closed[0] / 1000), $message);
    }

    #[Test]
    public function what_is_over_at_the_end_is_over_to_the_end(): void
    {
        $input = $this->input(InstallationKind::EssentialCircuits, null, [new Load('Kitchen', 12, 1, false)]);
        $input['source_kw'] = 11;
        $input['until_ms'] = 600_000; // the utility is not back yet
        $answer = (array) CaseFile::asArray((new Calculations())->rehearse(Node::fromArray($input)));
        self::assertSame($input['until_ms'], $answer['overloads'][0]['to_ms']);
        self::assertCount(1, $answer['overloads']);
    }
}
