<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Controller\TestKind;
use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event\TimerStarted;

/**
 * How everything stands after the events so far, and what it has cost. Events change it; metrics, lanes, cursor and
 * seasons read it, and nothing else retells an event.
 *
 * Before the first event everything has stood still for a long time. Rule: docs/rules.md#scenario.
 */
final class SystemState
{
    public ?Side $closedOn;
    public bool $isNormalGood = true;
    public bool $isEmergencyGood;
    public bool $isBusLive;
    public bool $isStartContactClosed;
    public bool $isAuto = true;
    public TestKind $test = TestKind::None;
    public ?EngineState $engine;
    /** When an engine that coasts stands still: the one change that is no event. */
    public int $engineStandsAtMs = 0;
    /** @var array<string, TimerStarted> running timers by name, in the order in which they started */
    public array $timers = [];
    /** @var array<string, true> shed loads by id */
    public array $shed = [];

    public int $nuisanceStarts = 0;
    public int $sagsRidden = 0;
    public int $startsAvoided = 0;
    public int $returnResets = 0;
    /** Firings since a start delay closed the contact; null while none of that kind is closed or the load was taken. */
    public ?int $firingsUnused = null;
    private int $transfersToEmergency = 0;
    private int $transfersToNormal = 0;
    private int $engineStarts = 0;
    private int $engineRunMs = 0;
    private int $engineLoadedMs = 0;
    /** @var list<int> dark and live again, in turn */
    private array $outagesMs = [];
    private ?int $darkSinceMs;
    private ?int $turningSinceMs;
    private ?int $loadedSinceMs;

    public function __construct(Plant $plant, Side $initial, bool $isBusLive = true)
    {
        $startsOnEmergency = $initial === Side::Emergency;
        $this->closedOn = $initial;
        $this->isBusLive = $isBusLive;
        $this->isEmergencyGood = $plant->engine === null || $startsOnEmergency;
        $this->isStartContactClosed = $startsOnEmergency && $plant->kind === PlantKind::Standby;
        $this->engine = $plant->engine === null ? null : ($startsOnEmergency ? EngineState::Running : EngineState::Stopped);
        $this->darkSinceMs = $isBusLive ? null : 0;
        $this->turningSinceMs = $this->engine === EngineState::Running ? 0 : null;
        $this->loadedSinceMs = $this->turningSinceMs;
    }

    public function declare(Side $source, bool $isGood): void
    {
        if ($source === Side::Normal) {
            $this->isNormalGood = $isGood;
        } else {
            $this->isEmergencyGood = $isGood;
        }
    }

    public function open(int $t): void
    {
        $this->closedOn = null;
        $this->endLoaded($t);
    }

    public function close(Side $to, int $t): void
    {
        $this->closedOn = $to;
        if ($to === Side::Normal) {
            $this->transfersToNormal++;

            return;
        }
        $this->transfersToEmergency++;
        $this->firingsUnused = null;
        $this->loadedSinceMs = $this->turningSinceMs === null ? null : $t;
    }

    public function fire(int $t): void
    {
        $this->engine = EngineState::RunningUp;
        $this->engineStarts++;
        $this->turningSinceMs = $t;
        $this->loadedSinceMs = $this->closedOn === Side::Emergency ? $t : null;
        if ($this->firingsUnused !== null) {
            $this->firingsUnused++;
        }
    }

    /** Coasting or locked out. */
    public function stopEngine(EngineState $state, int $t): void
    {
        $this->engine = $state;
        $this->endLoaded($t);
        $this->engineRunMs += $this->turningSinceMs === null ? 0 : $t - $this->turningSinceMs;
        $this->turningSinceMs = null;
    }

    public function goDark(int $t): void
    {
        $this->isBusLive = false;
        $this->darkSinceMs = $t;
    }

    public function goLive(int $t): void
    {
        $this->isBusLive = true;
        $this->outagesMs[] = (int) $this->darkSinceMs;
        $this->outagesMs[] = $t;
        $this->darkSinceMs = null;
    }

    /** What it has cost up to that time, which no event comes after. Rule: docs/rules.md#metrics. */
    public function metrics(int $untilMs): Metrics
    {
        $outagesMs = $this->darkSinceMs === null ? $this->outagesMs : [...$this->outagesMs, $this->darkSinceMs, $untilMs];
        $busDeadMs = 0;
        foreach ($outagesMs as $i => $ms) {
            $busDeadMs += $i % 2 === 0 ? -$ms : $ms;
        }

        return new Metrics(
            $busDeadMs,
            $outagesMs,
            $this->transfersToEmergency,
            $this->transfersToNormal,
            $this->engineStarts,
            $this->engineRunMs + ($this->turningSinceMs === null ? 0 : $untilMs - $this->turningSinceMs),
            $this->engineLoadedMs + ($this->loadedSinceMs === null ? 0 : $untilMs - $this->loadedSinceMs),
            $this->nuisanceStarts,
            $this->sagsRidden,
            $this->startsAvoided,
            $this->returnResets,
        );
    }

    /** `normal`, `emergency`, or `off` while the switch moves. */
    public function position(): string
    {
        return $this->closedOn->value ?? 'off';
    }

    /** The side that feeds the loads, or `dark`. */
    public function feed(): string
    {
        return $this->isBusLive && $this->closedOn !== null ? $this->closedOn->value : 'dark';
    }

    private function endLoaded(int $t): void
    {
        if ($this->loadedSinceMs !== null) {
            $this->engineLoadedMs += $t - $this->loadedSinceMs;
            $this->loadedSinceMs = null;
        }
    }
}
