<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/**
 * Where a switch stands, from the parts that its signed runs proved: board, site, stopwatch, report and the owner's page all
 * take it from here. A signed verdict never changes afterwards; the standing does, and says since when and why.
 * Rule: docs/rules.md#proof.
 */
final readonly class Standing
{
    private ProofBasis $basis;
    /** @var list<ChangedRule> */
    private array $changedRules;

    public function __construct()
    {
        $this->basis = new ProofBasis();
        /** @var list<ChangedRule> $rules */
        $rules = require __DIR__ . '/../../../data/changed_rules.php';
        $this->changedRules = $rules;
    }

    public function of(StandingInput $in): StandingResult
    {
        $parts = array_map(fn(ProofPart $part): PartStanding => $this->part($part, $in), array_values(array_filter(
            ProofPart::cases(),
            static fn(ProofPart $part): bool => $part->isOf($in->installation, $in->plant),
        )));

        return new StandingResult($this->state($parts), $parts);
    }

    private function part(ProofPart $part, StandingInput $in): PartStanding
    {
        $last = null;
        foreach ($in->records as $record) {
            $last = $record->part === $part ? $record : $last;
        }
        $notAsked = $this->whyNotAsked($part, $in);
        if ($last === null) {
            return $notAsked === null ? new PartStanding($part, PartState::Open) : new PartStanding(
                $part,
                PartState::NotAsked,
                because: [$notAsked],
            );
        }
        if (! $last->isProved) {
            return new PartStanding($part, PartState::Failed, $last, $last->why);
        }
        $changes = $this->basis->changes($part, $last->basis, $in->facts);

        return new PartStanding(
            $part,
            $changes === [] ? PartState::Proved : PartState::Stale,
            $last,
            $changes,
            $this->again($last, $in),
        );
    }

    /** @return list<string> why a proof of an older edition is to be looked at again */
    private function again(PartRecord $record, StandingInput $in): array
    {
        $rules = array_filter(
            $this->changedRules,
            static fn(ChangedRule $rule): bool => $rule->concerns($record->edition, $record->part, $in->installation),
        );

        return array_values(array_map(static fn(ChangedRule $rule): string => $rule->reason, $rules));
    }

    private function whyNotAsked(ProofPart $part, StandingInput $in): ?string
    {
        return match (true) {
            $part === ProofPart::Bait && ! $in->hasReturnDelay => 'The sheet has no return delay long enough to try.',
            $part === ProofPart::Bait && ! $in->asksForBait => 'The bait test was left out by choice.',
            $part === ProofPart::LoadTest && ! $in->asksForLoadTest => 'No load test is asked for by the chosen school.',
            default => null,
        };
    }

    /** @param list<PartStanding> $parts */
    private function state(array $parts): StandingState
    {
        $has = static fn(PartState $state): bool => array_filter(
            $parts,
            static fn(PartStanding $one): bool => $one->state === $state,
        ) !== [];
        $is = static fn(ProofPart $part, PartState $state): bool => array_filter(
            $parts,
            static fn(PartStanding $one): bool => $one->part === $part && $one->state === $state,
        ) !== [];

        return match (true) {
            $has(PartState::Failed) => StandingState::Failed,
            ! $has(PartState::Proved) && ! $has(PartState::Stale) => StandingState::Never,
            $has(PartState::Stale) => StandingState::Stale,
            ! $has(PartState::Open) => StandingState::Proven,
            $is(ProofPart::Sensing, PartState::Proved) && $is(ProofPart::Times, PartState::Proved)
                && ($is(ProofPart::DeadChecks, PartState::Open) || $is(ProofPart::Carries, PartState::Open)) => StandingState::TimesOnly,
            default => StandingState::Partly,
        };
    }
}
