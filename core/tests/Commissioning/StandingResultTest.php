<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\Isolation;
use Escapement\Core\Commissioning\Proof\PartRecord;
use Escapement\Core\Commissioning\Proof\PartStanding;
use Escapement\Core\Commissioning\Proof\PartState;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\Proof\StandingResult;
use Escapement\Core\Commissioning\Proof\StandingState;
use Escapement\Core\Plant\Upstream;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The parts of a standing, its latest run, and the release before a supply closes. */
final class StandingResultTest extends TestCase
{
    #[Test]
    public function a_part_is_found_by_its_name_and_one_that_is_not_there_is_none(): void
    {
        $bait = new PartStanding(ProofPart::Bait, PartState::Open);
        $result = new StandingResult(StandingState::Partly, [self::proved(ProofPart::Times, '2026-05-01T10:00:00Z'), $bait]);
        self::assertSame($bait, $result->part(ProofPart::Bait));
        self::assertNull($result->part(ProofPart::Sensing));
        self::assertSame([$bait], $result->in(PartState::Open, PartState::Stale));
    }

    #[Test]
    public function the_latest_run_is_the_last_that_proved_something(): void
    {
        $failed = new PartStanding(
            ProofPart::Bait,
            PartState::Failed,
            new PartRecord(ProofPart::Bait, false, false, '2026-09-01T10:00:00Z', 'run 3', 'R. Okafor'),
        );
        $parts = [
            self::proved(ProofPart::Times, '2026-05-01T10:00:00Z'),
            self::proved(ProofPart::Sensing, '2026-06-01T10:00:00Z', PartState::Stale),
            self::proved(ProofPart::Sources, '2026-04-01T10:00:00Z'),
            $failed,
        ];
        self::assertSame('2026-06-01T10:00:00Z', (new StandingResult(StandingState::Failed, $parts))->latest()?->at);
        self::assertNull((new StandingResult(StandingState::Failed, [$failed]))->latest());
        self::assertNull((new StandingResult(StandingState::Never, []))->latest());
    }

    #[Test, DataProvider('inspections')]
    public function a_release_is_asked_for_where_it_is_not_known_too(?bool $isInspected, string $asked, bool $isAskedFor): void
    {
        $isolation = Isolation::surveyed([Upstream::Utility], $isInspected);
        self::assertSame($asked, $isolation->releaseAsked());
        self::assertSame($isAskedFor, $isolation->asksForRelease());
        self::assertFalse(Isolation::notAsked()->asksForRelease(), 'a run from before this was asked');
    }

    /** @return iterable<string, array{?bool, string, bool}> */
    public static function inspections(): iterable
    {
        yield 'inspected' => [true, 'release required', true];
        yield 'not inspected' => [false, 'release none', false];
        yield 'not known' => [null, 'release unknown', true];
    }

    private static function proved(ProofPart $part, string $at, PartState $state = PartState::Proved): PartStanding
    {
        return new PartStanding($part, $state, new PartRecord($part, true, false, $at, 'run', 'R. Okafor'));
    }
}
