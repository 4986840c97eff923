<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/** Where every device stands, what the supplies give, and what follows from it. Rule: docs/rules.md#relay-play. */
final class PlayState
{
    public const IN = 2;
    public const OUT = 0;
    public const MOTOR = ['I', '0', 'II'];
    private const LIT_PCT = 50;

    /** @var array<string, int> of the devices that move */
    public array $values = [];

    /** @var array<string, true> buttons that are pressed */
    public array $pressed = [];

    /** @var array<string, true> faults that are there, by key */
    public array $faults = [];

    /** @var array<string, non-empty-list<float>> line to neutral, per phase */
    public array $volts = [];

    /** @var array<string, 'abc'|'acb'> */
    public array $rotations = [];

    public ?string $selector;
    public bool $isHandleIn;

    /** @var array<string, true> contactors whose weld has taken */
    private array $welded = [];

    /** @var array<string, bool> by coil */
    private array $on = [];

    /** @var array<string, PhaseWatch> */
    private array $watches = [];

    private LoadBus $bus;

    /** @var array<string, \Closure(): bool> by rung and start, so that thousands of steps need not walk the expressions */
    private array $closed = [];

    /** @var array<string, array{list<float>, float}> by coil: the volts it comes from, and percent of nominal */
    private array $ratios = [];

    /** @var array<string, array{list<float>, string}> by phase relay: what it saw last */
    private array $seen = [];

    /** @var list<array{Rung, float, float}> all but lamps: percent that picks it up, and that holds it */
    private readonly array $coils;

    /** @var array<string, list<array{Rung, float, float}>> those of them that a contact of the device is ahead of */
    private readonly array $coilsBehind;

    /** @var array<string, int> main contacts of the load bus by device */
    private readonly array $isMain;

    /** @var array{}|array{array<string, string>, array<string, list<float>>, array<string, string>} what the load bus was made of */
    private array $busOf = [];

    /** @var list<RelayDevice> power contactors and motor changeovers */
    private readonly array $mains;

    /** @var list<RelayDevice> that move */
    public readonly array $moving;

    public function __construct(public readonly PlayInput $input)
    {
        $this->selector = $input->selector;
        $this->isHandleIn = $input->isHandleIn;
        $moving = [];
        foreach ($input->circuit->devices as $device) {
            if (! $device->type->isMoving()) {
                continue;
            }
            $moving[] = $device;
            $this->values[$device->id] = $device->type === RelayType::MotorChangeover ? $input->motor : self::OUT;
            if ($device->type === RelayType::PhaseRelay) {
                $this->watches[$device->id] = new PhaseWatch($input->times[$device->id]->dial, $input->circuit->isThreePhase);
            }
        }
        $this->moving = $moving;
        $this->mains = array_values(array_filter(
            $moving,
            static fn(RelayDevice $device): bool => $device->isPowerContactor() || $device->type === RelayType::MotorChangeover,
        ));
        $this->isMain = array_flip(array_column($this->mains, 'id'));
        $coils = $behind = [];
        foreach ($input->circuit->rungs as $rung) {
            $device = $this->driven($rung);
            if ($device->type !== RelayType::Lamp) {
                $times = $input->times[$device->id];
                $coils[] = $coil = [$rung, $times->pickPct, min($times->holdPct, $times->pickPct)];
                foreach (array_unique(array_column($rung->when->contacts(), 'device')) as $ahead) {
                    $behind[$ahead][] = $coil;
                }
            }
        }
        $this->coils = $coils;
        $this->coilsBehind = $behind;
        foreach ([...$input->circuit->rungs, ...$input->circuit->ofType(RelayType::Start)] as $owner) {
            $this->closed[$owner->id] = $this->compile($owner->when ?? Expression::parallel([]));
        }
        foreach ($input->supplies as $id => $supply) {
            $this->volts[$id] = $supply->v;
            $this->rotations[$id] = $supply->rotation;
        }
        $this->settleSignals();
    }

    /**
     * Load bus, then latches, then coils: what follows from the values as they are.
     *
     * @param ?string $stepped the only device whose value is another since the last time: without a fault nothing but the coils behind its
     *                         contacts, and the bus where it is a main contact, can have changed. Null: anything may have
     */
    public function settleSignals(?string $stepped = null): void
    {
        $isOne = $stepped !== null && $this->faults === [] && $this->welded === [];
        if (! $isOne || isset($this->isMain[$stepped])) {
            $this->takeWelds();
            $this->bus = $this->load();
            foreach ($this->watches as $id => $watch) {
                $this->look($watch, $this->input->circuit->deviceById[$id]);
            }
        }
        foreach ($isOne ? $this->coilsBehind[$stepped] ?? [] : $this->coils as [$rung, $pickPct, $holdPct]) {
            $limit = $this->on[$rung->coil] ?? false ? $holdPct : $pickPct;
            $this->on[$rung->coil] = $this->hasPath($rung) && RelativeTolerance::isAtLeast($this->ratio($rung), $limit);
        }
    }

    public function bus(): LoadBus
    {
        return $this->bus;
    }

    public function watch(string $phaseRelay): PhaseWatch
    {
        return $this->watches[$phaseRelay];
    }

    public function isOn(string $coil): bool
    {
        return $this->on[$coil] ?? false;
    }

    /** @return list<'I'|'0'|'II'> the commands of the motor that are on */
    public function commands(string $motor): array
    {
        return array_values(array_filter(self::MOTOR, fn(string $position): bool => $this->isOn("$motor.$position")));
    }

    public function isLit(string $lamp): bool
    {
        $rung = $this->input->circuit->rungOf[$lamp] ?? null;

        return $rung !== null && $this->hasPath($rung) && RelativeTolerance::isAtLeast($this->ratio($rung), self::LIT_PCT);
    }

    public function isStarted(RelayDevice $start): bool
    {
        return $this->closed[$start->id]();
    }

    /** Whether a fault keeps the device where it is. */
    public function isHeld(RelayDevice $device): bool
    {
        return $this->faults !== [] && (isset($this->faults["stuck_on:$device->id"]) || isset($this->faults["stuck_off:$device->id"]))
            || isset($this->welded[$device->id]) && $device->hasMirror;
    }

    /** @return array<string, string> main contacts that are closed, with their supply */
    public function closedMains(): array
    {
        $closed = [];
        foreach ($this->mains as $device) {
            if ($device->isPowerContactor() && ($this->values[$device->id] === self::IN || isset($this->welded[$device->id]))) {
                $closed[$device->id] = (string) $device->supply;
            } elseif ($device->type === RelayType::MotorChangeover && $this->values[$device->id] !== 1) {
                $isFirst = $this->values[$device->id] === 0;
                $closed[$device->id . ($isFirst ? '.I' : '.II')] = (string) ($isFirst ? $device->supplyI : $device->supplyII);
            }
        }

        return $closed;
    }

    /** Whether every phase of a supply has this share of its nominal voltage. */
    public function isWhole(string $supply, float $pct): bool
    {
        return RelativeTolerance::isAtLeast(100 * min($this->volts[$supply]), $pct * $this->input->supplies[$supply]->nominalV);
    }

    /** Percent of nominal that the rung's coil has when its contacts are closed. */
    public function ratio(Rung $rung): float
    {
        $supply = $this->input->supplies[$rung->supply] ?? null;
        if ($supply === null) {
            return 100.0;
        }
        $volts = $this->volts[$rung->supply];
        if (($this->ratios[$rung->coil][0] ?? null) !== $volts) {
            $across = $this->input->times[$this->driven($rung)->id]->across;
            $this->ratios[$rung->coil] = [$volts, $across->pct($volts, $supply->nominalV)];
        }

        return $this->ratios[$rung->coil][1];
    }

    public function hasPath(Rung $rung): bool
    {
        $isWhole = $this->faults === []
            || ! isset($this->faults["fuse_blown:$rung->id"]) && ! isset($this->faults["coil_open:{$this->driven($rung)->id}"]);

        return $isWhole && $this->closed[$rung->id]();
    }

    public function isClosed(Contact $contact): bool
    {
        if ($this->faults !== [] && isset($this->faults["bridged:$contact->id"])) {
            return true;
        }
        if ($this->faults !== [] && isset($this->faults["open:$contact->id"])) {
            return false;
        }
        $device = $this->input->circuit->deviceById[$contact->device];

        return match ($device->type) {
            RelayType::PushButton => isset($this->pressed[$device->id]) === ($contact->kind === 'no'),
            RelayType::Handle => $this->isHandleIn === ($contact->kind === 'no'),
            RelayType::Selector => in_array($this->selector, $contact->positions, true),
            RelayType::MotorChangeover => in_array(self::MOTOR[$this->values[$device->id]], $contact->positions, true),
            default => $this->values[$device->id] === ($contact->kind === 'no' ? self::IN : self::OUT),
        };
    }

    private function driven(Rung $rung): RelayDevice
    {
        return $this->input->circuit->driven[$rung->coil];
    }

    /** A weld takes when the contacts are made, and lasts until it is cleared. */
    private function takeWelds(): void
    {
        foreach ($this->faults === [] && $this->welded === [] ? [] : $this->moving as $device) {
            if (! isset($this->faults["weld:$device->id"])) {
                unset($this->welded[$device->id]);
            } elseif ($this->values[$device->id] === self::IN) {
                $this->welded[$device->id] = true;
            }
        }
    }

    private function load(): LoadBus
    {
        $closed = $this->closedMains();
        $of = $this->faults === [] ? [$closed, $this->volts, $this->rotations] : [];
        if ($of !== [] && $of === $this->busOf) {
            return $this->bus; // the same one: who looks at it again sees that nothing changed
        }
        $this->busOf = $of;
        $sources = $v = [];
        foreach ($this->input->circuit->isThreePhase ? [0, 1, 2] : [0] as $phase) {
            $feeding = $this->faults === [] ? array_values($closed) : [];
            foreach ($this->faults === [] ? [] : $closed as $main => $supply) {
                if (! isset($this->faults['pole_open:' . explode('.', $main)[0] . ":$phase"])) {
                    $feeding[] = $supply;
                }
            }
            $sources[] = count($feeding) > 1 ? 'both' : $feeding[0] ?? null;
            $most = 0.0;
            foreach ($feeding as $supply) {
                $most = max($most, $this->volts[$supply][$phase]);
            }
            $v[] = $most;
        }
        $feeding = array_values($closed);

        return new LoadBus($feeding, $sources, $v, count($feeding) === 1 ? $this->rotations[$feeding[0]] : null);
    }

    private function look(PhaseWatch $watch, RelayDevice $relay): void
    {
        $own = (string) $relay->supply;
        $sensesLoad = $this->input->times[$relay->id]->dial->sensesLoad;
        $now = [
            $sensesLoad ? $this->bus->v : $this->volts[$own],
            $sensesLoad ? $this->bus->rotation ?? $this->rotations[$own] : $this->rotations[$own],
        ];
        if (($this->seen[$relay->id] ?? null) !== $now) {
            $this->seen[$relay->id] = $now;
            $watch->see($now[0], $this->input->supplies[$own]->nominalV, $now[1]);
        }
    }

    /**
     * Most contacts belong to a device that is in or out, and most runs have no fault: for those the value alone tells.
     *
     * @return \Closure(): bool
     */
    private function compiled(Contact $contact): \Closure
    {
        $id = $contact->device;
        if (! isset($this->values[$id]) || $this->input->circuit->deviceById[$id]->type === RelayType::MotorChangeover) {
            return fn(): bool => $this->isClosed($contact);
        }
        $closedAt = $contact->kind === 'no' ? self::IN : self::OUT;

        return fn(): bool => $this->faults === [] ? $this->values[$id] === $closedAt : $this->isClosed($contact);
    }

    /** @return \Closure(): bool */
    private function compile(Expression $expression): \Closure
    {
        $contact = $expression->contact;
        if ($contact !== null) {
            return $this->compiled($contact);
        }
        $parts = array_map($this->compile(...), $expression->parts);
        $isSeries = $expression->kind === 'all';

        return static function () use ($parts, $isSeries): bool {
            foreach ($parts as $part) {
                if ($part() !== $isSeries) {
                    return ! $isSeries;
                }
            }

            return $isSeries;
        };
    }
}
