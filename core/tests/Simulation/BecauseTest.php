<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Input\Node;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\RehearsalResult;
use Escapement\Core\Simulation\Controller\TimerCut;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Wire\ScenarioReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Why each thing happened, in a sentence: it names the cause that there was, with its figures, and no other. */
final class BecauseTest extends TestCase
{
    private const SOURCE = ['phases' => 2, 'nominal_v' => 120, 'nominal_hz' => 60];
    private const SENSING = [
        'under_voltage' => ['dropout_pct' => 80, 'pickup_pct' => 90], 'over_voltage' => ['dropout_pct' => 115, 'pickup_pct' => 110],
        'dropout_delay_ms' => 500,
    ];
    private const HERTZ = [
        'under_frequency' => ['dropout_pct' => 85, 'pickup_pct' => 95], 'over_frequency' => ['dropout_pct' => 110, 'pickup_pct' => 105],
    ];

    /**
     * @param array<string, mixed> $told
     * @param list<string>         $says
     */
    #[Test, DataProvider('scenarios')]
    public function an_event_says_what_brought_it_about(array $told, array $says): void
    {
        $happened = self::lines(self::play($told));
        foreach ($says as $line) {
            self::assertContains($line, $happened);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function scenarios(): iterable
    {
        foreach (self::all() as $name => $told) {
            yield $name => [$told, $told['says']];
        }
    }

    #[Test]
    public function every_kind_of_event_and_every_cut_of_a_timer_is_among_them(): void
    {
        $kinds = [];
        foreach (self::all() as $told) {
            foreach (self::play($told)->events as $event) {
                $kinds[$event->kind()->value] = true;
            }
        }
        $kinds += [EventKind::HandleRefused->value => true]; // a hand on the bench alone can pull a handle
        self::assertSame([], array_diff(array_column(EventKind::cases(), 'value'), array_keys($kinds)));
        $cuts = preg_grep('/^\d+ timer_cancelled: /', array_merge(...array_values(array_column(self::all(), 'says')))) ?: [];
        self::assertCount(count(TimerCut::cases()), array_unique(preg_replace('/^\d+ /', '', $cuts)));
    }

    /** @return array<string, array<string, mixed>> */
    private static function all(): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__) . '/data/because.json'), true, 512, JSON_THROW_ON_ERROR);
    }

    /** @return list<string> */
    private static function lines(RehearsalResult $result): array
    {
        $names = $result->names();
        $lines = [];
        foreach ($result->events as $event) {
            $lines[] = "$event->tMs {$event->kind()->value}: {$event->because($names)}";
        }

        return $lines;
    }

    /** @param array<string, mixed> $told */
    private static function play(array $told): RehearsalResult
    {
        $kind = $told['kind'] ?? 'standby';
        $delays = $kind === 'mobile' ? ['transfer_delay_ms' => 5000] : [
            'start_delay_ms' => 5000, 'transfer_delay_ms' => 5000, 'return_delay_ms' => 60_000, 'cooldown_ms' => 60_000,
        ];

        return Rehearsal::play((new ScenarioReader())->scenario(Node::fromArray([
            'system' => ['kind' => $kind, 'sources' => ['normal' => self::SOURCE, 'emergency' => self::SOURCE], 'engine' => [
                'crank_ms' => 1500, 'crank_limit_ms' => 10_000, 'crank_rest_ms' => 10_000, 'crank_attempts' => 3, 'run_up_ms' => 4000,
                'stop_ms' => 5000,
            ]],
            'settings' => ($told['settings'] ?? [])
                + ['sensing' => ['normal' => self::SENSING, 'emergency' => self::HERTZ + self::SENSING]] + $delays,
            'loads' => $told['loads'] ?? [], 'events' => $told['events'], 'until_ms' => 900_000,
        ])));
    }
}
