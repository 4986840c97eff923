<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Repair;

use Escapement\Core\Finding\Finding;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\RelayLogic\RelayCheckResult;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/**
 * Changes that a circuit's findings ask for, each a plain step of the trade: a contact more or less, a relay, a timer, an interlock.
 * Each is searched through before it is proposed: one that does not clear its finding, or opens a way to both closed, is left out.
 * Rule: docs/rules.md#relay-check.
 */
final readonly class CircuitRepairs
{
    private const MOST_MOVING = 7;
    private const MOST_DEVICES = 20;
    private const RETURN_DELAY_S = 30.0;

    public function __construct(private RelayCircuit $circuit) {}

    /**
     * @param ?\Closure(): void $between called before each search; it may throw to stop
     *
     * @return list<CircuitRepair> in the order of the findings, each change once
     */
    public function for(RelayCheckResult $found, ?\Closure $between = null): array
    {
        $before = self::keys($found->findings);
        $repairs = [];
        foreach ($found->findings as $finding) {
            $change = $this->change($finding->id, $finding->at);
            if ($change === null || in_array($change[0], array_column($repairs, 'label'), true)) {
                continue;
            }
            if ($between !== null) {
                $between();
            }
            $after = (new RelayCheck())->check($change[2]);
            $keys = self::keys($after->findings);
            $key = CircuitRepair::keyOf($finding->id, $finding->at);
            if (! isset($keys[$key]) && ($found->bothClosedReachable || ! $after->bothClosedReachable)) {
                $repairs[$key] = new CircuitRepair(
                    $finding->id,
                    $finding->at,
                    ...$change,
                    clears: array_values(array_diff_key($before, $keys)),
                    raises: array_values(array_diff_key($keys, $before)),
                );
            }
        }

        return array_values($repairs);
    }

    /**
     * @param list<Finding> $findings
     *
     * @return array<string, Finding>
     */
    private static function keys(array $findings): array
    {
        $keys = [];
        foreach ($findings as $finding) {
            $keys[CircuitRepair::keyOf($finding->id, $finding->at)] = $finding;
        }

        return $keys;
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function change(string $id, ?string $at): ?array
    {
        $device = $this->circuit->deviceById[$at ?? ''] ?? null;

        return match ($id) {
            'no-mechanical-interlock' => ['Fit a mechanical interlock', null, $this->circuit->with(hasMechanicalInterlock: true)],
            'hunting' => $this->withoutOwnContact(),
            default => $device === null ? null : $this->at($id, $device),
        };
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function at(string $id, RelayDevice $device): ?array
    {
        return match ($id) {
            'interlock-missing' => $this->interlocked($device),
            'interlock-duplicated' => $this->withoutSecondInterlock($device),
            'single-fault-both-closed' => $this->mirrored($device),
            'handle-not-locked-out' => $this->lockedOut($device),
            'start-runs-with-mains-healthy', 'start-not-called-on-outage' => $this->turnedStart($device),
            'contact-reused' => $this->relabelled($device),
            'source-unproved', 'phase-loss-unseen' => $this->proved($device),
            'no-return-delay' => $this->delayed($device),
            default => null,
        };
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function interlocked(RelayDevice $device): ?array
    {
        $rung = $this->circuit->rungOf[$device->id] ?? null;
        $other = $this->other($device);
        if ($rung === null || $other === null) {
            return null;
        }
        $contact = $this->fresh('nc', $other->id);
        $words = 'Add the normally closed contact of ' . $other->id . ($contact->label === null ? '' : " $contact->label")
            . " before coil $device->id";

        return [$words, $rung->id, $this->circuit->with(rungs: $this->extended($rung, $contact))];
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function withoutSecondInterlock(RelayDevice $device): ?array
    {
        $rung = $this->circuit->rungOf[$device->id] ?? null;
        $other = $this->other($device);
        if ($rung === null || $other === null) {
            return null;
        }
        $isFirst = true;
        $when = $rung->when->mapped(static function (Contact $contact) use ($other, &$isFirst): ?Expression {
            $isInterlock = $contact->kind === 'nc' && $contact->device === $other->id;
            $isKept = ! $isInterlock || $isFirst;
            $isFirst = $isFirst && ! $isInterlock;

            return $isKept ? Expression::contact($contact) : null;
        });

        return ["Remove the second interlock contact of $other->id", $rung->id, $this->circuit->with(rungs: $this->replaced($rung, $when))];
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function withoutOwnContact(): ?array
    {
        foreach ($this->circuit->rungs as $rung) {
            $own = array_filter(
                $rung->when->contacts(),
                static fn(Contact $contact): bool => $contact->kind === 'nc' && $contact->device === $rung->coil,
            );
            if ($own !== []) {
                $when = $rung->when->mapped(
                    static fn(Contact $contact): ?Expression => in_array($contact, $own, true) ? null : Expression::contact($contact),
                );

                return [
                    "Remove the normally closed contact of $rung->coil from its own coil's rung",
                    $rung->id,
                    $this->circuit->with(rungs: $this->replaced($rung, $when)),
                ];
            }
        }

        return null;
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function mirrored(RelayDevice $device): ?array
    {
        if (! $device->isPowerContactor() || $device->hasMirror) {
            return null;
        }
        $mirrored = new RelayDevice($device->id, $device->type, $device->supply, true);

        return ["Use a contactor with mirror contacts for $device->id", null, $this->circuit->with(devices: $this->exchanged($mirrored))];
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function lockedOut(RelayDevice $changeover): ?array
    {
        $handle = $this->circuit->ofType(RelayType::Handle)[0] ?? null;
        if ($handle === null) {
            return null;
        }
        $rungs = array_map(fn(Rung $rung): Rung => explode('.', $rung->coil)[0] === $changeover->id
            && ! $this->hasContact($rung, 'nc', $handle->id)
                ? new Rung($rung->id, $rung->coil, $rung->supply, $rung->when->and(Expression::contact($this->fresh('nc', $handle->id))))
                : $rung, $this->circuit->rungs);

        return [
            "Add the normally closed contact of $handle->id before each command of $changeover->id",
            null,
            $this->circuit->with(rungs: $rungs),
        ];
    }

    /** @return null|array{string, ?string, RelayCircuit} a start that is one contact gets the other kind of contact */
    private function turnedStart(RelayDevice $start): ?array
    {
        $contact = $start->when?->contact;
        if ($contact === null || $contact->kind === 'of') {
            return null;
        }
        $kind = $contact->kind === 'no' ? 'nc' : 'no';
        $turned = $start->whenStarted(Expression::contact($this->fresh($kind, $contact->device)));

        return [
            'Use a normally ' . ($kind === 'nc' ? 'closed' : 'open') . " contact of $contact->device as start contact",
            $start->id,
            $this->circuit->with(devices: $this->exchanged($turned)),
        ];
    }

    /** @return array{string, ?string, RelayCircuit} each contact that is drawn twice gets a number of its own */
    private function relabelled(RelayDevice $device): array
    {
        $circuit = $this->circuit;
        $seen = [];
        $replace = static function (Contact $contact) use ($device, $circuit, &$seen): Expression {
            if ($contact->device !== $device->id || $contact->label === null || ! isset($seen[$contact->label])) {
                $seen[$contact->device === $device->id ? (string) $contact->label : ''] = true;

                return Expression::contact($contact);
            }

            return Expression::contact(new Contact(
                $contact->id,
                $contact->kind,
                $contact->device,
                $contact->positions,
                FreeContact::label($circuit, $device->id, $contact->kind),
            ));
        };
        $rungs = array_map(
            static fn(Rung $rung): Rung => new Rung($rung->id, $rung->coil, $rung->supply, $rung->when->mapped($replace)),
            $circuit->rungs,
        );
        $devices = array_map(
            static fn(RelayDevice $one): RelayDevice => $one->when === null ? $one : $one->whenStarted($one->when->mapped($replace)),
            $circuit->devices,
        );

        return ["Use another contact of $device->id at the second place", null, $circuit->with($devices, $rungs)];
    }

    /** @return null|array{string, ?string, RelayCircuit} */
    private function proved(RelayDevice $device): ?array
    {
        $rung = $this->circuit->rungOf[$device->id] ?? null;
        $source = $device->supply;
        if ($rung === null || $source === null) {
            return null;
        }
        $devices = $this->circuit->devices;
        $relay = array_values(array_filter(
            $this->circuit->ofType(RelayType::PhaseRelay),
            static fn(RelayDevice $one): bool => $one->supply === $source,
        ))[0] ?? null;
        if ($relay === null) {
            if (! $this->hasRoom()) {
                return null;
            }
            $relay = new RelayDevice($this->name('PF'), RelayType::PhaseRelay, $source);
            array_unshift($devices, $relay);
        } elseif ($this->hasContact($rung, 'no', $relay->id)) {
            return null;
        }
        $rungs = $this->extended($rung, new Contact('', 'no', $relay->id));

        return [
            "Add the normally open contact of phase relay $relay->id before coil $device->id",
            $rung->id,
            $this->circuit->with($devices, $rungs),
        ];
    }

    /** @return null|array{string, ?string, RelayCircuit} everything but the interlock moves in front of a timer */
    private function delayed(RelayDevice $device): ?array
    {
        $rung = $this->circuit->rungOf[$device->id] ?? null;
        $other = $this->other($device);
        if ($rung === null || $other === null || ! $this->hasRoom()) {
            return null;
        }
        $timer = new RelayDevice($this->name('T'), RelayType::Timer, isOnDelay: true, seconds: self::RETURN_DELAY_S);
        $before = $rung->when->mapped(static fn(Contact $contact): ?Expression => $contact->device === $other->id
            ? null
            : Expression::contact($contact));
        $after = array_values(array_filter($rung->when->contacts(), static fn(Contact $contact): bool => $contact->device === $other->id));
        $when = Expression::series(array_map(Expression::contact(...), [new Contact('', 'no', $timer->id), ...$after]));
        $rungs = [];
        foreach ($this->circuit->rungs as $one) {
            if ($one->id === $rung->id) {
                $rungs[] = new Rung($this->rungName(), $timer->id, $rung->supply, $before);
            }
            $rungs[] = $one->id === $rung->id ? new Rung($rung->id, $rung->coil, $rung->supply, $when) : $one;
        }

        return [
            sprintf('Add return timer %s of %d s before coil %s', $timer->id, self::RETURN_DELAY_S, $device->id),
            $rung->id,
            $this->circuit->with([...$this->circuit->devices, $timer], $rungs),
        ];
    }

    private function other(RelayDevice $device): ?RelayDevice
    {
        foreach ($device->isPowerContactor() ? $this->circuit->powerContactors() : [] as $one) {
            if ($one->id !== $device->id) {
                return $one;
            }
        }

        return null;
    }

    private function fresh(string $kind, string $device): Contact
    {
        return new Contact('', $kind === 'nc' ? 'nc' : 'no', $device, [], FreeContact::label($this->circuit, $device, $kind));
    }

    private function hasContact(Rung $rung, string $kind, string $device): bool
    {
        return array_filter(
            $rung->when->contacts(),
            static fn(Contact $contact): bool => $contact->kind === $kind && $contact->device === $device,
        ) !== [];
    }

    /** @return list<Rung> */
    private function extended(Rung $rung, Contact $contact): array
    {
        return $this->replaced($rung, $rung->when->and(Expression::contact($contact)));
    }

    /** @return list<Rung> */
    private function replaced(Rung $rung, Expression $when): array
    {
        return array_map(
            static fn(Rung $one): Rung => $one->id === $rung->id ? new Rung($rung->id, $rung->coil, $rung->supply, $when) : $one,
            $this->circuit->rungs,
        );
    }

    /** @return list<RelayDevice> */
    private function exchanged(RelayDevice $device): array
    {
        return array_map(static fn(RelayDevice $one): RelayDevice => $one->id === $device->id ? $device : $one, $this->circuit->devices);
    }

    private function hasRoom(): bool
    {
        $moving = array_filter($this->circuit->devices, static fn(RelayDevice $one): bool => $one->type->isMoving());

        return count($moving) < self::MOST_MOVING && count($this->circuit->devices) < self::MOST_DEVICES;
    }

    private function name(string $letters): string
    {
        $n = 1;
        while (isset($this->circuit->deviceById["$letters$n"]) || isset($this->circuit->supplyById["$letters$n"])) {
            $n++;
        }

        return "$letters$n";
    }

    private function rungName(): string
    {
        $names = array_column($this->circuit->rungs, 'id', 'id');
        $n = count($names) + 1;
        while (isset($names["r$n"]) || isset($this->circuit->deviceById["r$n"])) {
            $n++;
        }

        return "r$n";
    }
}
