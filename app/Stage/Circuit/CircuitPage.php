<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Bridge\CircuitProof;
use App\Drawing\Ink;
use App\Drawing\Ladder\LadderDrawing;
use App\Drawing\Ladder\LadderLook;
use App\Drawing\Ladder\StepStrip;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\RelayLogic\FaultOutcome;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayState;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Repair\CircuitRepair;
use Escapement\Core\RelayLogic\Story\CounterExample;
use Escapement\Core\RelayLogic\Story\StoryStep;

/** The control circuit of a switch with what the search through it found. */
final readonly class CircuitPage
{
    public SiteStanding $standing;
    public RelayCircuit $circuit;
    public CircuitWords $words;
    public ?CircuitProof $proof;

    /** @var list<StoryStep> the way to both closed: of the circuit itself, or with the fault that is looked at */
    public array $steps;

    public ?CircuitRepair $proposed;

    public function __construct(public TransferSwitch $switch, public Circuit $stored, public CircuitLook $look)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->circuit = (new CircuitFacts($stored))->circuit;
        $this->words = new CircuitWords($this->circuit);
        $this->proof = $stored->proof_state === 'done' ? CircuitProof::unpacked($stored->proof) : null;
        $fault = $this->words->faultOf($look->fault);
        $isAsked = $fault !== null || $this->proof?->result->bothClosedReachable === true;
        $this->steps = $this->proof !== null && $isAsked ? (new CounterExample($this->circuit, $fault))->steps() : [];
        $this->proposed = $this->proof?->repair($look->propose);
    }

    /** The way to both closed as lanes over its steps; null where no way leads there. */
    public function stepStrip(): ?StepStrip
    {
        return $this->steps === [] ? null : new StepStrip($this->circuit, $this->steps, $this->step());
    }

    public function step(): int
    {
        return min($this->look->step ?? count($this->steps) - 1, count($this->steps) - 1);
    }

    public function ladder(bool $isPaper = false): LadderDrawing
    {
        $moment = $this->proposed === null ? ($this->steps[$this->step()] ?? null)?->moment : null;

        return new LadderDrawing($this->proposed->circuit ?? $this->circuit, new LadderLook(
            new Ink($isPaper),
            $this->switch->site->units === 'metric',
            $isPaper ? null : $moment,
            $this->proposed?->rung,
            $this->proposed === null ? $this->marks() : [],
        ));
    }

    /** @return list<Finding> worst first */
    public function findings(): array
    {
        return $this->proof->result->findings ?? [];
    }

    /** @return array<string, list<Finding>> the same kind together, each with its places, worst first */
    public function grouped(): array
    {
        $groups = [];
        foreach ($this->findings() as $finding) {
            $groups[$finding->id][] = $finding;
        }

        return $groups;
    }

    public function count(string $severity): int
    {
        return $this->proof?->count(Severity::from($severity)) ?? 0;
    }

    public function canBothClose(): bool
    {
        return $this->proof !== null && $this->proof->result->bothClosedReachable;
    }

    /** @return array{safe: int, saved: int, both: int} single faults by what they come to */
    public function tally(): array
    {
        $tally = ['safe' => 0, 'saved' => 0, 'both' => 0];
        foreach ($this->proof->result->faults ?? [] as $fault) {
            $tally[self::column($fault)]++;
        }

        return $tally;
    }

    /** @return 'both'|'safe'|'saved' */
    public static function column(FaultOutcome $fault): string
    {
        return $fault->bothClosed ? ($fault->mechanicalSaves ? 'saved' : 'both') : 'safe';
    }

    /** What a fault does to the start contacts. */
    public function startEffect(string $fault): string
    {
        $words = [];
        foreach ($this->proof->result->startFaults ?? [] as $one) {
            if ($one->fault === $fault) {
                $words[] = $one->effect === 'not_called' ? 'engine not called' : 'engine runs unasked';
            }
        }

        return implode(', ', array_unique($words));
    }

    /** @param list<RelayState> $states */
    public static function closed(array $states): string
    {
        $names = array_unique(array_map(
            static fn(RelayState $state): string => $state->closed === [] ? 'none' : implode(' + ', $state->closed),
            $states,
        ));

        return $names === [] ? 'none' : implode(' or ', $names);
    }

    /** @param list<RelayState> $states */
    public static function called(array $states): string
    {
        $calls = array_unique(array_map(static fn(RelayState $state): bool => $state->start !== [], $states));

        return count($calls) > 1 ? 'either' : (($calls[0] ?? false) ? 'closed' : 'open');
    }

    public function hasStart(): bool
    {
        return $this->circuit->ofType(RelayType::Start) !== [];
    }

    /** @return array<string, string> worst severity of stop and warn, by rung or start */
    private function marks(): array
    {
        $marks = [];
        foreach ($this->findings() as $finding) {
            foreach ($finding->severity === Severity::Note ? [] : $this->rungsOf((string) $finding->at) as $rung) {
                $marks[$rung] ??= $finding->severity->value;
            }
        }

        return $marks;
    }

    /** @return list<string> */
    private function rungsOf(string $device): array
    {
        $rungs = isset($this->circuit->deviceById[$device]) && $this->circuit->deviceById[$device]->type === RelayType::Start
            ? [$device]
            : [];
        foreach ($this->circuit->rungs as $rung) {
            if (explode('.', $rung->coil)[0] === $device) {
                $rungs[] = $rung->id;
            }
        }

        return $rungs;
    }
}
