<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/**
 * A control circuit as a machine that moves from state to state. Rule: docs/rules.md#relay-check.
 *
 * A state is one integer: two bits for each moving device (0 dropped, 1 in travel, 2 picked; of a motor changeover I, 0, II), then a bit
 * for each supply that can fail, two bits for the selector, a bit for each push-button, for the handle, and for a lost phase.
 */
final class CircuitModel
{
    private const DROPPED = 0;
    private const PICKED = 2;
    private const STAYS = -1;
    /** As many environments as one integer has bits to spare for. */
    private const CHUNK = 62;

    /** @var list<RelayDevice> that move */
    public readonly array $moving;

    /** @var array<string, int> where each device's value begins */
    private array $shift = [];

    /** @var array<string, int> bit of each supply that can fail */
    private array $health = [];

    /** @var array<string, int> bit of each push-button */
    private array $buttons = [];

    private int $selectorShift = 0;
    private int $handleBit = 0;
    private int $lostBit = 0;

    /** @var array<string, int> values that a fault or an experiment holds */
    private array $held;

    /** @var array<string, \Closure(int): bool> by coil */
    private array $coils = [];

    /** @var array<string, \Closure(int): bool> by start */
    private array $starts = [];

    /** @var array<string, int> */
    private array $selectorPlaces = [];

    /** @var array<string, int> bits of the state that the next step of each moving device depends on */
    private array $masks = [];

    /** @var array<string, array<int, array{fast: int, slow: int}>> steps worked out so far, by device and those bits; STAYS where none */
    private array $known = [];

    /** @var list<non-empty-list<int>> every environment, in pieces that have a bit each */
    private array $chunks = [];

    /** @var array<string, int> bits of the devices that the next step of each moving device depends on */
    private array $deviceMasks = [];

    /**
     * Moves by device and those bits: where to, in which environments fast, in which slow.
     *
     * @var array<string, array<int, list<array{int, list<int>, list<int>}>>>
     */
    private array $moves = [];

    /**
     * @param array<string, int> $held      values that devices are held at
     * @param ?string            $losesPhase a supply that may lose one phase, which only its phase relays see
     */
    public function __construct(
        private readonly RelayCircuit $circuit,
        private readonly ?CircuitFault $fault = null,
        array $held = [],
        private readonly ?string $losesPhase = null,
    ) {
        $bit = 0;
        $moving = [];
        foreach ($circuit->devices as $device) {
            if ($device->type->isMoving()) {
                $this->shift[$device->id] = $bit;
                $moving[] = $device;
                $bit += 2;
            }
        }
        $this->moving = $moving;
        foreach ($circuit->failing() as $supply) {
            $this->health[$supply->id] = 1 << $bit++;
        }
        $this->selectorShift = $bit;
        $this->selectorPlaces = array_flip($circuit->selector()->positions ?? []);
        $bit += 2;
        foreach ($circuit->ofType(RelayType::PushButton) as $button) {
            $this->buttons[$button->id] = 1 << $bit++;
        }
        $this->handleBit = $circuit->ofType(RelayType::Handle) === [] ? 0 : 1 << $bit++;
        $this->lostBit = $losesPhase === null ? 0 : 1 << $bit;
        $this->held = $held + $this->heldByFault();
        foreach ($circuit->rungs as $rung) {
            $this->coils[$rung->coil] = $this->coil($rung);
        }
        foreach ($circuit->ofType(RelayType::Start) as $start) {
            $this->starts[$start->id] = $this->compile($start->when ?? Expression::parallel([]));
        }
        foreach ($moving as $device) {
            $this->masks[$device->id] = $this->mask($device);
            $this->known[$device->id] = [];
            $this->moves[$device->id] = [];
        }
        $devices = ~$this->environmentBits();
        $this->deviceMasks = array_map(static fn(int $mask): int => $mask & $devices, $this->masks);
        $this->chunks = array_chunk($this->environments(), self::CHUNK);
    }

    /**
     * @param array<string, int>  $values  of the devices that move
     * @param array<string, true> $pressed push-buttons
     */
    public function stateOf(array $values, int $selectorPlace, array $pressed, bool $isHandleIn, int $healthBits): int
    {
        $state = $healthBits | $selectorPlace << $this->selectorShift | ($isHandleIn ? $this->handleBit : 0);
        foreach ($this->shift as $device => $shift) {
            $state |= $values[$device] << $shift;
        }

        return $state | array_sum(array_intersect_key($this->buttons, $pressed));
    }

    public function value(int $state, string $device): int
    {
        return $state >> $this->shift[$device] & 3;
    }

    public function isHealthy(int $state, string $supply): bool
    {
        $bit = $this->health[$supply] ?? 0;

        return ($state & $bit) === $bit;
    }

    public function hasLostPhase(int $state): bool
    {
        return ($state & $this->lostBit) !== 0;
    }

    public function isEnergised(int $state, string $coil): bool
    {
        return isset($this->coils[$coil]) && $this->coils[$coil]($state);
    }

    public function isStarted(int $state, string $start): bool
    {
        return $this->starts[$start]($state);
    }

    /** Whether power passes to the load on this side. */
    public function isClosed(int $state, string $name): bool
    {
        if (str_contains($name, '.')) {
            [$device, $position] = explode('.', $name);

            return $this->value($state, $device) === ($position === 'I' ? 0 : 2);
        }

        return $this->fault?->kind === 'weld' && $this->fault->what === $name || $this->value($state, $name) === self::PICKED;
    }

    public function selectorAt(int $state): int
    {
        return $state >> $this->selectorShift & 3;
    }

    /** Selector at auto or none, buttons released, handle out. */
    public function isAtRest(int $state): bool
    {
        $auto = $this->selectorPlaces['auto'] ?? null;

        return $this->isHandsOff($state) && ($this->selectorPlaces === [] || $auto === $this->selectorAt($state));
    }

    /** Buttons released, handle out. */
    public function isHandsOff(int $state): bool
    {
        return ($state & (array_sum($this->buttons) | $this->handleBit)) === 0;
    }

    /** @return list<string> the push-buttons that are pressed */
    public function pressed(int $state): array
    {
        return array_map(strval(...), array_keys(array_filter($this->buttons, static fn(int $bit): bool => ($state & $bit) !== 0)));
    }

    public function isHandleIn(int $state): bool
    {
        return $this->handleBit !== 0 && ($state & $this->handleBit) !== 0;
    }

    /** The other health of a supply. */
    public function toggled(int $state, string $supply): int
    {
        return $state ^ $this->health[$supply];
    }

    /** @return list<int> power-up of one health and selector position: everything dropped, a motor changeover in each position */
    public function powerUps(int $healthBits, int $selectorPlace): array
    {
        $state = $healthBits | $selectorPlace << $this->selectorShift;
        foreach ($this->held as $device => $value) {
            $state |= $value << $this->shift[$device];
        }
        $changeover = $this->circuit->changeover();
        if ($changeover === null) {
            return [$state];
        }
        $shift = $this->shift[$changeover->id];

        return [$state, $state | 1 << $shift, $state | 2 << $shift];
    }

    /** @return list<array{health: array<string, bool>, bits: int}> all healthy first, the first supply changing slowest */
    public function healths(): array
    {
        $healths = [['health' => [], 'bits' => 0]];
        foreach ($this->health as $supply => $bit) {
            $longer = [];
            foreach ($healths as $one) {
                $longer[] = ['health' => $one['health'] + [$supply => true], 'bits' => $one['bits'] | $bit];
                $longer[] = ['health' => $one['health'] + [$supply => false], 'bits' => $one['bits']];
            }
            $healths = $longer;
        }

        return $healths;
    }

    public function healthBits(int $state): int
    {
        return $state & array_sum($this->health);
    }

    /** @return list<int> one step of one device: slow ones only where no fast one is */
    public function own(int $state): array
    {
        $fast = $slow = [];
        foreach ($this->masks as $device => $mask) {
            $step = $this->known[$device][$state & $mask] ?? $this->learn($state, $device);
            if ($step['fast'] !== self::STAYS) {
                $fast[] = $state & ~(3 << $this->shift[$device]) | $step['fast'];
            } elseif ($step['slow'] !== self::STAYS) {
                $slow[] = $state & ~(3 << $this->shift[$device]) | $step['slow'];
            }
        }

        return $fast !== [] ? $fast : $slow;
    }

    /** @return list<int> */
    public function fast(int $state): array
    {
        $fast = [];
        foreach ($this->masks as $device => $mask) {
            $step = $this->known[$device][$state & $mask] ?? $this->learn($state, $device);
            if ($step['fast'] !== self::STAYS) {
                $fast[] = $state & ~(3 << $this->shift[$device]) | $step['fast'];
            }
        }

        return $fast;
    }

    /**
     * What own() is in all environments at once.
     *
     * @param int $values of the devices
     *
     * @return array{list<int>, list<int>} values that a step leads to, each once; and the environments in which there is a step, as bits
     */
    public function moves(int $values): array
    {
        $moves = [];
        foreach ($this->deviceMasks as $device => $mask) {
            foreach ($this->moves[$device][$values & $mask] ?? $this->tabulate($values, $device) as [$to, $fast, $slow]) {
                $moves[] = [$values & ~(3 << $this->shift[$device]) | $to, $fast, $slow];
            }
        }
        $next = $busy = [];
        foreach ($this->chunks as $chunk => $_) {
            $anyFast = $anySlow = 0;
            foreach ($moves as [, $fast, $slow]) {
                $anyFast |= $fast[$chunk];
                $anySlow |= $slow[$chunk];
            }
            foreach ($moves as [$to, $fast, $slow]) {
                if (($fast[$chunk] | $slow[$chunk] & ~$anyFast) !== 0) {
                    $next[$to] = true;
                }
            }
            $busy[] = $anyFast | $anySlow;
        }

        return [array_keys($next), $busy];
    }

    /**
     * @param list<int> $busy as moves() tells it
     *
     * @return list<int> environments in which there is none
     */
    public function calm(array $busy): array
    {
        $calm = [];
        foreach ($this->chunks as $chunk => $environments) {
            foreach ($environments as $bit => $environment) {
                if (($busy[$chunk] >> $bit & 1) === 0) {
                    $calm[] = $environment;
                }
            }
        }

        return $calm;
    }

    /** @return list<array{int, list<int>, list<int>}> */
    private function tabulate(int $values, string $device): array
    {
        $none = array_fill(0, count($this->chunks), 0);
        $moves = [];
        foreach ($this->chunks as $chunk => $environments) {
            foreach ($environments as $bit => $environment) {
                $state = $values | $environment;
                $step = $this->known[$device][$state & $this->masks[$device]] ?? $this->learn($state, $device);
                foreach ([1 => $step['fast'], 2 => $step['slow']] as $speed => $to) {
                    if ($to !== self::STAYS) {
                        $moves[$to] ??= [$to, $none, $none];
                        $moves[$to][$speed][$chunk] |= 1 << $bit;
                    }
                }
            }
        }

        return $this->moves[$device][$values & $this->deviceMasks[$device]] = array_values($moves);
    }

    /** Of everything that surroundings and people may change at any time. */
    public function environmentBits(): int
    {
        return array_sum($this->health) | array_sum($this->buttons) | ($this->selectorPlaces === [] ? 0 : 3 << $this->selectorShift)
            | $this->lostBit | $this->handleBit;
    }

    /** @return list<int> every combination of health, selector position, buttons, handle and lost phase */
    public function environments(): array
    {
        $places = $this->selectorPlaces === [] ? [0] : array_values($this->selectorPlaces);
        $all = array_map(fn(int $place): int => $place << $this->selectorShift, $places);
        foreach ([...$this->health, ...$this->buttons, $this->lostBit, $this->handleBit] as $bit) {
            if ($bit !== 0) {
                $all = [...$all, ...array_map(static fn(int $one): int => $one | $bit, $all)];
            }
        }

        return $all;
    }

    /** @return list<int> what surroundings and people may do next, one thing at a time */
    public function outside(int $state): array
    {
        $next = array_map(
            static fn(int $bit): int => $state ^ $bit,
            array_values(array_filter(
                [...$this->health, ...$this->buttons, $this->lostBit, $this->handleBit],
                static fn(int $bit): bool => $bit !== 0,
            )),
        );
        foreach ($this->selectorPlaces as $place) {
            if ($place !== $this->selectorAt($state)) {
                $next[] = $state & ~(3 << $this->selectorShift) | $place << $this->selectorShift;
            }
        }

        return $this->isHandleIn($state) ? [...$next, ...$this->handSteps($state)] : $next;
    }

    /** Whether a contact of a rung or a start lets current pass. */
    public function isContactClosed(int $state, Contact $contact): bool
    {
        return $this->contact($contact)($state);
    }

    /** @return list<int> where a hand may turn a motor changeover once its handle is in */
    public function handSteps(int $state): array
    {
        $changeover = $this->circuit->changeover();
        if ($changeover === null || $this->handleBit === 0) {
            return [];
        }
        $value = $this->value($state, $changeover->id);

        return array_map(
            fn(int $place): int => $this->with($state, $changeover->id, $place),
            array_values(array_filter([$value - 1, $value + 1], static fn(int $place): bool => $place >= 0 && $place <= 2)),
        );
    }

    /**
     * The next step of a device, kept for every state that agrees in the bits it depends on: a search meets the same few over and over.
     *
     * @return array{fast: int, slow: int} the new value in its place
     */
    private function learn(int $state, string $name): array
    {
        $device = $this->circuit->deviceById[$name];
        $value = $this->value($state, $name);
        $to = isset($this->held[$name]) ? $value : $this->toward($state, $device, $value);
        $step = ['fast' => self::STAYS, 'slow' => self::STAYS];
        if ($to !== $value) {
            $step[$this->isSlow($device, $to) ? 'slow' : 'fast'] = $to << $this->shift[$name];
        }

        return $this->known[$name][$state & $this->masks[$name]] = $step;
    }

    private function mask(RelayDevice $device): int
    {
        $mask = 3 << $this->shift[$device->id] | $this->lostBit;
        if ($device->type === RelayType::PhaseRelay) {
            return $mask | ($this->health[$device->supply ?? ''] ?? 0);
        }
        foreach ($this->circuit->rungs as $rung) {
            if (explode('.', $rung->coil)[0] !== $device->id) {
                continue;
            }
            $mask |= $this->health[$rung->supply] ?? 0;
            foreach ($rung->when->contacts() as $contact) {
                $mask |= $this->contactBits($contact->device);
            }
        }

        return $mask;
    }

    private function contactBits(string $device): int
    {
        return match ($this->circuit->deviceById[$device]->type) {
            RelayType::PushButton => $this->buttons[$device],
            RelayType::Handle => $this->handleBit,
            RelayType::Selector => 3 << $this->selectorShift,
            default => 3 << $this->shift[$device],
        };
    }

    private function isSlow(RelayDevice $device, int $to): bool
    {
        return $device->type === RelayType::Timer && ($to === self::PICKED) === $device->isOnDelay;
    }

    private function toward(int $state, RelayDevice $device, int $value): int
    {
        switch ($device->type) {
            case RelayType::PhaseRelay:
                $isWhole = $device->supply !== $this->losesPhase || ! $this->hasLostPhase($state);

                return $isWhole && $this->isHealthy($state, (string) $device->supply) ? self::PICKED : self::DROPPED;
            case RelayType::Timer:
                return $this->isEnergised($state, $device->id) ? self::PICKED : self::DROPPED;
            case RelayType::MotorChangeover:
                $commands = array_keys(array_filter(
                    ['I', '0', 'II'],
                    fn(string $position): bool => $this->isEnergised($state, "$device->id.$position"),
                ));

                return count($commands) === 1 ? $value + ($commands[0] <=> $value) : $value;
            default:
                return $this->isEnergised($state, $device->id) ? min(self::PICKED, $value + 1) : max(self::DROPPED, $value - 1);
        }
    }

    private function with(int $state, string $device, int $value): int
    {
        return $state & ~(3 << $this->shift[$device]) | $value << $this->shift[$device];
    }

    /** @return array<string, int> */
    private function heldByFault(): array
    {
        $device = $this->circuit->deviceById[$this->fault->what ?? ''] ?? null;
        if ($this->fault === null || $device === null) {
            return [];
        }

        return match ($this->fault->kind) {
            'stuck_on' => [$device->id => self::PICKED],
            'stuck_off' => [$device->id => self::DROPPED],
            'weld' => $device->hasMirror ? [$device->id => self::PICKED] : [],
            default => [],
        };
    }

    /** @return \Closure(int): bool */
    private function coil(Rung $rung): \Closure
    {
        [$device] = explode('.', $rung->coil);
        if ($this->fault?->kind === 'coil_open' && $this->fault->what === $device) {
            return static fn(int $state): bool => false;
        }
        $mask = $this->health[$rung->supply] ?? 0;
        $when = $this->compile($rung->when);

        return static fn(int $state): bool => ($state & $mask) === $mask && $when($state);
    }

    /** @return \Closure(int): bool */
    private function compile(Expression $expression): \Closure
    {
        if ($expression->contact !== null) {
            return $this->contact($expression->contact);
        }
        $parts = array_map($this->compile(...), $expression->parts);
        $isSeries = $expression->kind === 'all';

        return static function (int $state) use ($parts, $isSeries): bool {
            foreach ($parts as $part) {
                if ($part($state) !== $isSeries) {
                    return ! $isSeries;
                }
            }

            return $isSeries;
        };
    }

    /** @return \Closure(int): bool */
    private function contact(Contact $contact): \Closure
    {
        if ($this->fault !== null && $this->fault->what === $contact->id && in_array($this->fault->kind, ['bridged', 'open'], true)) {
            $isBridged = $this->fault->kind === 'bridged';

            return static fn(int $state): bool => $isBridged;
        }
        $bit = $this->buttons[$contact->device] ?? ($this->circuit->deviceById[$contact->device]->type === RelayType::Handle
            ? $this->handleBit
            : 0);
        if ($bit !== 0) {
            $isNormallyOpen = $contact->kind === 'no';

            return static fn(int $state): bool => (($state & $bit) !== 0) === $isNormallyOpen;
        }
        if ($contact->kind === 'of') {
            return $this->positional($contact);
        }
        $shift = $this->shift[$contact->device];
        $closedAt = $contact->kind === 'no' ? self::PICKED : self::DROPPED;

        return static fn(int $state): bool => ($state >> $shift & 3) === $closedAt;
    }

    /** @return \Closure(int): bool */
    private function positional(Contact $contact): \Closure
    {
        $isSelector = $this->circuit->deviceById[$contact->device]->type === RelayType::Selector;
        $shift = $isSelector ? $this->selectorShift : $this->shift[$contact->device];
        $places = $isSelector ? $this->selectorPlaces : ['I' => 0, '0' => 1, 'II' => 2];
        $closedAt = array_map(static fn(string $position): int => $places[$position], $contact->positions);

        return static fn(int $state): bool => in_array($state >> $shift & 3, $closedAt, true);
    }
}
