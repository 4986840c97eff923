<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic\Play;

use Escapement\Core\RelayLogic\Play\PhaseRelayDial;
use Escapement\Core\RelayLogic\Play\PhaseWatch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where a phase relay lets go and where it takes hold again, at its dial. Rule: docs/rules.md#relay-play. */
final class PhaseWatchTest extends TestCase
{
    /**
     * @param array<string, mixed>                         $dial
     * @param list<array{list<float>, string, 2?: string}> $seen volts line to neutral, what is said of them, rotation
     */
    #[Test, DataProvider('limits')]
    public function it_lets_go_past_a_limit_and_takes_hold_behind_the_hysteresis(array $dial, array $seen): void
    {
        $watch = new PhaseWatch(new PhaseRelayDial(...$dial), count($seen[0][0]) === 3);
        foreach ($seen as $i => $one) {
            $watch->see($one[0], 100.0, $one[2] ?? 'abc');
            self::assertSame($one[1], $watch->reason(), "look $i");
            self::assertSame($one[1] === 'held', $watch->isGood(), "look $i");
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<array{list<float>, string, 2?: string}>}> */
    public static function limits(): iterable
    {
        yield 'under: 85 %, good again at 88' => [[], [
            [[85.0], 'held'], [[84.9], 'under'], [[87.9], 'under'], [[88.0], 'held'], [[85.0], 'held'],
        ]];
        yield 'over: 115 %, good again at 112' => [[], [
            [[115.0], 'held'], [[115.1], 'over'], [[112.1], 'over'], [[112.0], 'held'],
        ]];
        yield 'a phase below 50 % is lost until 53' => [['underPct' => null], [
            [[100.0, 100.0, 50.0], 'held'], [[100.0, 100.0, 49.9], 'loss'], [[100.0, 100.0, 52.9], 'loss'],
            [[100.0, 100.0, 53.0], 'held'],
        ]];
        yield 'a limit that is off' => [['underPct' => null, 'overPct' => null, 'lossPct' => null], [[[1.0], 'held'], [[200.0], 'held']]];
        yield 'unbalance: 5 %, good again at 3' => [['unbalancePct' => 5.0], [
            [[105.0, 97.5, 97.5], 'held'], [[105.2, 97.4, 97.4], 'unbalance'], [[103.1, 98.45, 98.45], 'unbalance'],
            [[103.0, 98.5, 98.5], 'held'],
        ]];
        yield 'unbalance below its own hysteresis: only with all alike' => [['unbalancePct' => 1.0], [
            [[102.0, 99.0, 99.0], 'unbalance'], [[100.1, 99.95, 99.95], 'unbalance'], [[100.0, 100.0, 100.0], 'held'],
        ]];
        yield 'one phase has no unbalance' => [['unbalancePct' => 1.0], [[[90.0], 'held']]];
        yield 'the order of the phases' => [[], [
            [[100.0, 100.0, 100.0], 'held'], [[100.0, 100.0, 100.0], 'sequence', 'acb'], [[100.0, 100.0, 100.0], 'held'],
        ]];
        yield 'the order is not watched' => [['watchesSequence' => false], [[[100.0, 100.0, 100.0], 'held', 'acb']]];
        yield 'without a phase there is no order to see' => [['underPct' => null], [[[100.0, 100.0, 0.0], 'loss', 'acb']]];
        yield 'nor where loss is not watched and one is dead' => [['underPct' => null, 'lossPct' => null], [
            [[100.0, 100.0, 0.0], 'held', 'acb'], [[100.0, 100.0, 1.0], 'sequence', 'acb'],
        ]];
        yield 'line to line a lost phase leaves one channel of three whole' => [['measuresLines' => true, 'lossPct' => null], [
            [[100.0, 100.0, 100.0], 'held'], [[100.0, 100.0, 0.0], 'under'],
        ]];
    }

    #[Test]
    public function only_loss_and_order_let_it_trip_at_once(): void
    {
        $watch = new PhaseWatch(new PhaseRelayDial(), true);
        $watch->see([80.0, 80.0, 80.0], 100.0, 'abc');
        self::assertFalse($watch->isLost());
        $watch->see([100.0, 100.0, 10.0], 100.0, 'abc');
        self::assertTrue($watch->isLost());
        $watch->see([100.0, 100.0, 100.0], 100.0, 'acb');
        self::assertTrue($watch->isLost());
    }
}
