<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** Plays every single fault through. Rule: docs/rules.md#relay-check. */
final class FaultSearch
{
    /** @var list<FaultOutcome> */
    public array $outcomes = [];

    /** @var list<StartFault> */
    public array $startFaults = [];

    /** @var list<CircuitFault> that let both sources close */
    public array $closing = [];

    /** @var array<string, true> starts that a fault outside their own contacts keeps from being called */
    public array $silenced = [];

    /** @var list<RelayDevice> */
    private readonly array $starts;

    /** @param ?\Closure(int, int): void $progress */
    public function __construct(private readonly RelayCircuit $circuit, private readonly StateSpace $sound, ?\Closure $progress = null)
    {
        $this->starts = $circuit->ofType(RelayType::Start);
        $without = $this->effects($sound, $sound->model, $this->starts);
        $faults = CircuitFault::all($circuit);
        foreach ($faults as $i => $fault) {
            $this->play($fault, $without);
            if ($progress !== null) {
                $progress($i + 1, count($faults));
            }
        }
    }

    /** @param array<string, true> $without what the sound circuit does already */
    private function play(CircuitFault $fault, array $without): void
    {
        $isPair = $this->circuit->changeover() === null;
        $model = new CircuitModel($this->circuit, $fault);
        if ($fault->start !== null) {
            $isBoth = $this->sound->isBothClosedReachable;
            $effects = $this->effects($this->sound, $model, [$this->circuit->deviceById[$fault->start]]);
        } elseif ($isPair || $this->starts !== []) {
            $space = new StateSpace($this->circuit, $model, $this->starts === []);
            $isBoth = $space->isBothClosedReachable;
            $effects = $this->effects($space, $model, $this->starts);
        } else {
            $isBoth = false;
            $effects = [];
        }
        $this->outcomes[] = new FaultOutcome($fault->name(), $isBoth, $isBoth && $this->circuit->hasMechanicalInterlock);
        if ($isBoth) {
            $this->closing[] = $fault;
        }
        foreach (array_keys(array_diff_key($effects, $without)) as $effect) {
            [$start, $what] = explode(' ', $effect);
            $this->startFaults[] = new StartFault($fault->name(), $start, $what === 'not_called' ? 'not_called' : 'runs_unasked');
            if ($what === 'not_called' && $fault->start !== $start) {
                $this->silenced[$start] = true;
            }
        }
    }

    /**
     * @param list<RelayDevice> $starts
     *
     * @return array<string, true> "start effect", in the order of the starts
     */
    private function effects(StateSpace $space, CircuitModel $model, array $starts): array
    {
        $effects = [];
        $atRest = $starts === [] ? [] : $space->settledAtRest();
        foreach ($starts as $start) {
            $isSilent = $isUnasked = false;
            foreach ($atRest as $state) {
                $isHealthy = $model->isHealthy($state, $this->circuit->preferred);
                $isStarted = $model->isStarted($state, $start->id);
                $isSilent = $isSilent || ! $isHealthy && ! $isStarted;
                $isUnasked = $isUnasked || $isHealthy && $isStarted;
            }
            $effects += ($isSilent ? ["$start->id not_called" => true] : []) + ($isUnasked ? ["$start->id runs_unasked" => true] : []);
        }

        return $effects;
    }
}
