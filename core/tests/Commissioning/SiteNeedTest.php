<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Proof\SiteNeed;
use Escapement\Core\Commissioning\Proof\StandingState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SiteNeedTest extends TestCase
{
    /** Everything that can be wrong with a proved site at once, in the order in which it is to be put right. */
    private const WORST_FIRST = [
        'owner_report' => ['hasReport', false, 'stop'], 'circuit' => ['circuitStops', 0, 'stop'],
        'settings' => ['settingsStops', 0, 'stop'], 'signature' => ['isSigned', true, 'warn'], 'sheet' => ['hasSheet', true, 'note'],
        'newer_proof' => ['asksAgain', false, 'note'],
    ];
    private const ALL_WRONG = [
        'hasReport' => true, 'circuitStops' => 1, 'settingsStops' => 1, 'isSigned' => false, 'hasSheet' => false, 'asksAgain' => true,
    ];

    #[Test]
    public function what_is_put_right_leaves_the_next_worst(): void
    {
        $facts = self::ALL_WRONG;
        foreach (self::WORST_FIRST as $need => [$fact, $right, $weight]) {
            $first = SiteNeed::first(...$facts, standing: StandingState::Proven);
            self::assertSame([$need, $weight], [$first->value, $first->weight()]);
            $facts[$fact] = $right;
        }
        $first = SiteNeed::first(...$facts, standing: StandingState::Proven);
        self::assertSame(['nothing', 'proven'], [$first->value, $first->weight()]);
    }

    #[Test, DataProvider('standings')]
    public function the_proof_stands_among_them(?StandingState $standing, string $all, string $noStops, string $clean, string $weight): void
    {
        $stops = ['hasReport' => false, 'circuitStops' => 0, 'settingsStops' => 0];
        self::assertSame($all, SiteNeed::first(...self::ALL_WRONG, standing: $standing)->value);
        self::assertSame($noStops, SiteNeed::first(...$stops + self::ALL_WRONG, standing: $standing)->value);
        $first = SiteNeed::first(...$stops, isSigned: null, hasSheet: true, asksAgain: false, standing: $standing);
        self::assertSame([$clean, $weight], [$first->value, $first->weight()]);
    }

    /** @return iterable<string, array{?StandingState, string, string, string, string}> with all wrong, without stops, with nothing else */
    public static function standings(): iterable
    {
        yield 'no switch' => [null, 'switch', 'switch', 'switch', 'note'];
        yield 'failed' => [StandingState::Failed, 'owner_report', 'failed_proof', 'failed_proof', 'stop'];
        yield 'stale' => [StandingState::Stale, 'owner_report', 'signature', 'stale_proof', 'warn'];
        yield 'never' => [StandingState::Never, 'owner_report', 'signature', 'first_proof', 'note'];
        foreach (StandingState::cases() as $state) {
            $isNamed = in_array($state, [StandingState::Failed, StandingState::Stale, StandingState::Never, StandingState::Proven], true);
            if (! $isNamed) {
                yield $state->value => [$state, 'owner_report', 'signature', 'rest_of_proof', 'note'];
            }
        }
    }

    #[Test]
    public function a_failed_proof_comes_before_the_circuit_and_behind_the_owner(): void
    {
        $report = SiteNeed::first(true, 1, 1, false, false, StandingState::Failed, true);
        $failed = SiteNeed::first(false, 1, 1, false, false, StandingState::Failed, true);
        self::assertSame([SiteNeed::OwnerReport, SiteNeed::FailedProof], [$report, $failed]);
    }
}
