<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/** Keeps what a run did: its events in order, and what stood at the end of each millisecond. Rule: docs/rules.md#relay-play. */
final class PlayLog
{
    public const LIVE_PCT = 50;
    private const COIL_SAFE_PCT = 85;
    private const HURTS_PCT = 10;

    /** @var list<array<string, mixed>> */
    public array $events = [];

    /** @var array<string, list<array{t_ms: int, value: string}>> */
    public array $tracks = [];

    /** @var list<array{t_ms: int, rotation: ?string, phases: list<array{source: ?string, v: float}>}> */
    public array $load = [];

    /** @var list<array{from_ms: int, to_ms: int, ms: int, both_live: bool}> */
    public array $bothClosed = [];

    /** @var array<string, Stretches> by what is watched */
    private array $stretches = [];

    /** @var array<string, string> main contacts as last seen */
    private array $mains;

    /** @var array<string, bool> lamps as last seen */
    private array $lit;

    /** @var array<string, array{PendingMove, bool}> timers that were said to run, and whether they made their step */
    private array $timing = [];

    private bool $isLive;

    /** As it was at the end of the last millisecond that was reported. */
    private ?LoadBus $busSeen = null;

    /** @var array<string, int> likewise */
    private array $valuesSeen = [];

    /** @var list<array{Rung, Stretches}> coils that hum and burn where the voltage is low, and when it was */
    private readonly array $coils;

    /** @var ?array{from: int, both_live: bool} */
    private ?array $bothSince = null;

    public function __construct(private readonly PlayState $state, private readonly PlayReasons $reasons)
    {
        foreach ($state->moving as $device) {
            $this->tracks[$device->id][] = ['t_ms' => 0, 'value' => $this->word($device)];
        }
        $coils = [];
        foreach ($state->input->circuit->rungs as $rung) {
            $type = $state->input->circuit->driven[$rung->coil]->type;
            if ($type === RelayType::Contactor || $type === RelayType::Relay) {
                $coils[] = [$rung, $this->stretch("weak:$rung->coil")];
            }
        }
        $this->coils = $coils;
        $this->mains = $state->closedMains();
        $this->lit = $this->lamps();
        $this->isLive = $this->isBusLive();
        $this->seeBoth(0);
    }

    /** @param array<string, int|string> $more */
    public function add(int $t, string $kind, array $more, string $because): void
    {
        $this->events[] = ['t_ms' => $t, 'kind' => $kind] + $more + ['because' => $because];
    }

    public function word(RelayDevice $device): string
    {
        $words = $device->type === RelayType::MotorChangeover ? PlayState::MOTOR : ['out', 'travel', 'in'];

        return $words[$this->state->values[$device->id]];
    }

    public function isBusLive(): bool
    {
        return $this->isLiveAt(min($this->state->bus()->v));
    }

    /** A device has another value now. */
    public function stepped(int $t, RelayDevice $device, string $because, string $reason = ''): void
    {
        $value = $this->state->values[$device->id];
        $isEnd = $value !== 1;
        [$kind, $more] = match ($device->type) {
            RelayType::MotorChangeover => ['moved', ['device' => $device->id, 'position' => PlayState::MOTOR[$value]]],
            RelayType::PhaseRelay => $value === PlayState::IN
                ? ['ready', ['device' => $device->id]]
                : ['tripped', ['device' => $device->id, 'reason' => $reason]],
            default => [$value === PlayState::IN ? 'picked' : 'dropped', ['device' => $device->id]],
        };
        if ($isEnd || $device->type === RelayType::MotorChangeover) {
            $this->add($t, $kind, $more, $because);
        }
    }

    /** Main contacts against the last look. */
    public function mains(int $t, string $because): void
    {
        $now = $this->state->closedMains();
        if ($now === $this->mains && $this->bothSince === null) {
            return;
        }
        foreach (array_diff_key($this->mains, $now) as $main => $supply) {
            $this->add($t, 'main_opened', ['device' => (string) $main, 'supply' => $supply], $because);
        }
        foreach (array_diff_key($now, $this->mains) as $main => $supply) {
            $this->add($t, 'main_closed', ['device' => (string) $main, 'supply' => $supply], $because);
        }
        $this->mains = $now;
        $wasBoth = $this->bothSince !== null;
        $this->seeBoth($t);
        if ($wasBoth !== ($this->bothSince !== null)) {
            $this->add($t, $wasBoth ? 'both_closed_end' : 'both_closed_begin', [], $wasBoth
                ? 'One of the two sources is off the load bus again.'
                : 'The main contacts of both sources are closed together.');
        }
    }

    public function made(RelayDevice $timer): void
    {
        if (isset($this->timing[$timer->id])) {
            $this->timing[$timer->id][1] = true;
        }
    }

    /** End of millisecond: timers, lamps, the bus, and what stands now. */
    public function report(int $t, PlayMoves $moves): void
    {
        $this->timers($t, $moves);
        foreach ($this->lamps() as $lamp => $isLit) {
            if ($isLit !== $this->lit[$lamp]) {
                $because = $this->reasons->ofDevice($this->state->input->circuit->deviceById[$lamp]);
                $this->add($t, $isLit ? 'lamp_on' : 'lamp_off', ['device' => (string) $lamp], $because);
            }
            $this->lit[$lamp] = $isLit;
        }
        $isLive = $this->state->bus() === $this->busSeen ? $this->isLive : $this->isBusLive();
        if ($isLive !== $this->isLive) {
            $v = implode(', ', array_map(static fn(float $one): string => round($one) . ' V', $this->state->bus()->v));
            $this->add($t, $isLive ? 'bus_live' : 'bus_dead', [], "The load bus has $v.");
        }
        $this->isLive = $isLive;
        foreach ($this->state->values === $this->valuesSeen ? [] : $this->state->moving as $device) {
            $word = $this->word($device);
            if ($this->tracks[$device->id][count($this->tracks[$device->id]) - 1]['value'] !== $word) {
                $this->tracks[$device->id][] = ['t_ms' => $t, 'value' => $word];
            }
        }
        $this->valuesSeen = $this->state->values;
        $this->bus($t, $isLive);
        $this->coils($t);
    }

    public function stretch(string $name): Stretches
    {
        return $this->stretches[$name] ??= new Stretches();
    }

    public function end(int $t): void
    {
        if ($this->bothSince !== null) {
            $this->closeBoth($t);
        }
    }

    /** @return array<string, bool> by lamp */
    public function lamps(): array
    {
        $lit = [];
        foreach ($this->state->input->circuit->ofType(RelayType::Lamp) as $lamp) {
            $lit[$lamp->id] = $this->state->isLit($lamp->id);
        }

        return $lit;
    }

    private function timers(int $t, PlayMoves $moves): void
    {
        foreach ($this->state->input->circuit->ofType(RelayType::Timer) as $timer) {
            $move = $moves->of($timer->id);
            [$said, $isMade] = $this->timing[$timer->id] ?? [null, false];
            if ($said !== null && $said !== $move) {
                if (! $isMade) {
                    $figures = ['device' => $timer->id, 'elapsed_ms' => $t - $said->sinceMs];
                    $this->add($t, 'timer_cancelled', $figures, $this->reasons->ofDevice($timer));
                }
                unset($this->timing[$timer->id]);
            }
            if ($move?->isSlow === true && $said !== $move) {
                $this->timing[$timer->id] = [$move, false];
                $figures = ['device' => $timer->id, 'duration_ms' => $move->lengthMs];
                $this->add($t, 'timer_started', $figures, $this->reasons->ofDevice($timer));
            }
        }
    }

    private function isLiveAt(float $v): bool
    {
        return RelativeTolerance::isAtLeast($v, self::LIVE_PCT / 100 * $this->state->input->preferred()->nominalV);
    }

    private function bus(int $t, bool $isLive): void
    {
        $bus = $this->state->bus();
        if ($bus === $this->busSeen) {
            return;
        }
        $this->busSeen = $bus;
        $told = $bus->told($this->state->input->circuit->isThreePhase);
        $last = $this->load === [] ? null : array_diff_key($this->load[count($this->load) - 1], ['t_ms' => 0]);
        if ($told !== $last) {
            $this->load[] = ['t_ms' => $t] + $told;
        }
        $isDark = array_map(fn(float $v): bool => ! $this->isLiveAt($v), $bus->v);
        $this->stretch('dark')->see($t, ! $isLive);
        foreach ($isDark as $phase => $isSo) {
            $this->stretch("dark:$phase")->see($t, $isSo);
        }
        $this->stretch('single')->see($t, in_array(true, $isDark, true) && in_array(false, $isDark, true));
        $this->stretch('reverse')->see($t, $isLive && $told['rotation'] === 'acb');
    }

    private function coils(int $t): void
    {
        foreach ($this->coils as [$rung, $weak]) {
            $weak->see($t, $this->state->isOn($rung->coil) && RelativeTolerance::isOver(self::COIL_SAFE_PCT, $this->state->ratio($rung)));
        }
    }

    private function seeBoth(int $t): void
    {
        if (count($this->state->closedMains()) < 2) {
            if ($this->bothSince !== null) {
                $this->closeBoth($t);
            }

            return;
        }
        $this->bothSince ??= ['from' => $t, 'both_live' => false];
        if (! in_array(false, array_map($this->hasVolts(...), array_values($this->state->closedMains())), true)) {
            $this->bothSince['both_live'] = true;
        }
    }

    private function closeBoth(int $t): void
    {
        $from = $this->bothSince['from'] ?? $t;
        $this->bothClosed[] = [
            'from_ms' => $from, 'to_ms' => $t, 'ms' => $t - $from, 'both_live' => $this->bothSince['both_live'] ?? false,
        ];
        $this->bothSince = null;
    }

    /** A tenth of nominal on a phase is enough to hurt. */
    private function hasVolts(string $supply): bool
    {
        $least = self::HURTS_PCT / 100 * $this->state->input->supplies[$supply]->nominalV;

        return RelativeTolerance::isAtLeast(max($this->state->volts[$supply]), $least);
    }
}
