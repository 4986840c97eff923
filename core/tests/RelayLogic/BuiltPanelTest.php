<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Tests\StandardPanels;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a built panel does by its circuit when a source or a phase goes, and how that is said. */
final class BuiltPanelTest extends TestCase
{
    /**
     * @param array<string, ?int> $times of the intervals of a run, ms
     * @param list<int>           $phases loss of each phase to the load on the second source, ms
     */
    #[Test, DataProvider('panels')]
    public function an_outage_is_timed_by_its_circuit(string $key, array $times, ?int $gapMs, array $phases, ?bool $isLocked): void
    {
        $panel = StandardPanels::built($key);
        $outage = $panel->outage();
        foreach ($times as $interval => $ms) {
            self::assertSame($ms, $outage->of($interval), $interval);
        }
        self::assertNull($outage->of('no such interval'));
        self::assertSame($gapMs, $outage->gapMs);
        self::assertFalse($outage->bothClosed);
        foreach ($phases as $phase => $ms) {
            self::assertSame($ms, $panel->phaseLost($phase)->transferMs, 'phase ' . ($phase + 1));
            self::assertSame($key === 'd', $panel->phaseLost($phase)->singlePhasing, 'a motor stays where it is until it moves');
        }
        self::assertSame($isLocked, $panel->isLockedByHandle());
        self::assertSame($key === 'a' ? 0 : 2 * (10_000 + 10_000), $panel->moreMs(), 'two cranks and rests more');
        self::assertSame($key === 'a' ? [] : ['START'], $panel->startContacts());
        self::assertTrue($panel->canBePlayed());
    }

    /** @return iterable<string, array{string, array<string, ?int>, ?int, list<int>, ?bool}> */
    public static function panels(): iterable
    {
        $times = static fn(?int $start, ?int $running, int $transfer, int $return, ?int $stop): array => [
            'start_signal' => $start, 'engine_running' => $running, 'transfer' => $transfer, 'return' => $return, 'engine_stop' => $stop,
        ];
        yield 'two utilities' => ['a', $times(null, null, 35, 1044, null), 25, [35, 140, 140], null];
        yield 'a pair and a set' => ['b', $times(15, 5500, 6535, 31_035, 29_995), 25, [6535, 6635, 6635], null];
        yield 'a pair with a transfer timer' => ['c', $times(100, 5500, 14_620, 11_035, 19_965), 25, [14_620, 14_620, 14_620], null];
        yield 'a motor' => ['d', $times(100, 5500, 12_080, 11_495, 19_505), 400, [12_080, 12_080, 12_080], true];
    }

    #[Test]
    public function it_is_said_in_a_sentence_with_its_seconds(): void
    {
        self::assertSame(
            'The utility lost: by its circuit the load is on the generator after 6.535 s.',
            StandardPanels::built('b')->outage()->words('The utility', 'the generator'),
        );
        self::assertSame(
            'L2 lost: by its circuit the load is on the generator after 12.08 s; until then it stays on two phases, and motors need '
                . 'protection of their own.',
            StandardPanels::built('d')->phaseLost(1)->words('L2', 'the generator'),
        );
    }

    #[Test]
    public function a_phase_that_nothing_watches_is_said_not_to_be_noticed(): void
    {
        $blind = StandardPanels::built('a', ['PF1' => ['loss_pct' => null, 'under_pct' => null, 'unbalance_pct' => null]]);
        self::assertNull($blind->phaseLost(1)->transferMs);
        self::assertSame(
            'L2 lost: by its circuit the panel does not notice.',
            $blind->phaseLost(1)->words('L2', 'the other supply'),
        );
    }

    #[Test]
    public function each_source_alone_and_each_position_stand_as_they_are_built(): void
    {
        $panel = StandardPanels::built('b');
        $first = $panel->alone($panel->first());
        self::assertSame(['mains', ['HM'], ['HG']], [$first->feeds, $first->lit, $first->unlit]);
        $second = $panel->alone((string) $panel->second());
        self::assertSame(['gen', ['HG'], ['HM']], [$second->feeds, $second->lit, $second->unlit]);
    }
}
