<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Draft;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelaySupply;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/**
 * The edits of a circuit: each gives a new one, whose names and limits the reader of `relay_check` checks before it is kept.
 * Rule: docs/rules.md#relay-check.
 */
final readonly class CircuitDraft
{
    public function __construct(public RelayCircuit $circuit) {}

    /** What an empty ladder begins with: two sources and two contactors whose coils nothing drives yet. */
    public static function blank(string $preferred, string $other, bool $isThreePhase): RelayCircuit
    {
        return new RelayCircuit(
            $isThreePhase,
            [new RelaySupply($preferred, null, false), new RelaySupply($other, null, false)],
            $preferred,
            false,
            'none',
            [new RelayDevice('K1', RelayType::Contactor, $preferred), new RelayDevice('K2', RelayType::Contactor, $other)],
            [],
        );
    }

    public function withFacts(string $preferred, bool $hasMechanicalInterlock, string $systemClass): RelayCircuit
    {
        return new RelayCircuit(
            $this->circuit->isThreePhase,
            $this->circuit->supplies,
            $preferred,
            $hasMechanicalInterlock,
            $systemClass,
            $this->circuit->devices,
            $this->circuit->rungs,
        );
    }

    /** One more, or in the place of the one of this id. */
    public function withSupply(RelaySupply $supply): RelayCircuit
    {
        return $this->withSupplies(self::put($this->circuit->supplies, $supply));
    }

    /** @throws DraftFault where something hangs on it */
    public function withoutSupply(string $id): RelayCircuit
    {
        $users = $this->circuit->preferred === $id ? ['the preferred source'] : [];
        foreach ($this->circuit->devices as $device) {
            if (in_array($id, [$device->supply, $device->supplyI, $device->supplyII], true)) {
                $users[] = $device->id;
            }
        }
        foreach ($this->circuit->rungs as $rung) {
            if ($rung->supply === $id) {
                $users[] = "rung $rung->id";
            }
        }
        if ($users !== []) {
            throw new DraftFault('id', "$id is in use: " . implode(', ', $users) . '.');
        }

        return $this->withSupplies(self::without($this->circuit->supplies, $id));
    }

    /** One more, or in the place of the one of this id; a start keeps its contacts. */
    public function withDevice(RelayDevice $device): RelayCircuit
    {
        if ($device->type === RelayType::Start && $device->when === null) {
            $device = $device->whenStarted(($this->circuit->deviceById[$device->id] ?? null)->when ?? Expression::parallel([]));
        }

        return $this->circuit->with(devices: self::put($this->circuit->devices, $device));
    }

    /** @throws DraftFault where a rung drives it or a contact of it is used */
    public function withoutDevice(string $id): RelayCircuit
    {
        $users = [];
        foreach ($this->circuit->rungs as $rung) {
            if (explode('.', $rung->coil)[0] === $id) {
                $users[] = "the coil of rung $rung->id";
            }
        }
        foreach ($this->circuit->contacts() as $contact) {
            if ($contact->device === $id) {
                $users[] = "a contact in $contact->id";
            }
        }
        if ($users !== []) {
            throw new DraftFault('id', "$id is in use: " . implode(', ', $users) . '. Remove these first.');
        }

        return $this->circuit->with(devices: self::without($this->circuit->devices, $id));
    }

    /** @throws DraftFault where the coil has a rung already */
    public function withRung(string $coil, string $supply): RelayCircuit
    {
        if (isset($this->circuit->rungOf[$coil])) {
            throw new DraftFault('coil', "$coil has a rung already: {$this->circuit->rungOf[$coil]->id}.");
        }
        $taken = array_column($this->circuit->rungs, 'id', 'id') + $this->circuit->deviceById + $this->circuit->supplyById;
        $n = count($this->circuit->rungs) + 1;
        while (isset($taken["r$n"])) {
            $n++;
        }

        return $this->circuit->with(rungs: [...$this->circuit->rungs, new Rung("r$n", $coil, $supply, Expression::parallel([]))]);
    }

    public function withoutRung(string $id): RelayCircuit
    {
        return $this->circuit->with(rungs: self::without($this->circuit->rungs, $id));
    }

    /**
     * At the end of a rung or a start: the first contact, or one more in series.
     *
     * @throws DraftFault
     */
    public function atEnd(string $owner, Contact $contact): RelayCircuit
    {
        $when = $this->when($owner);
        $isEmpty = $when->kind === 'any' && $when->parts === [];
        $new = Expression::contact($contact);

        return $this->withWhen($owner, $isEmpty ? $new : $when->and($new));
    }

    /** @throws DraftFault */
    public function before(string $beside, Contact $contact): RelayCircuit
    {
        return $this->withWhen(self::owner($beside), $this->place($beside)->before(Expression::contact($contact)));
    }

    /** @throws DraftFault */
    public function after(string $beside, Contact $contact): RelayCircuit
    {
        return $this->withWhen(self::owner($beside), $this->place($beside)->after(Expression::contact($contact)));
    }

    /**
     * @param ?int $span how many parts of the series it bridges, from this contact on; null: the whole rung
     *
     * @throws DraftFault
     */
    public function parallel(string $beside, ?int $span, Contact $contact): RelayCircuit
    {
        $place = $this->place($beside);
        if ($span !== null && ($span < 1 || $span > $place->seriesFrom())) {
            throw new DraftFault('span', "From here {$place->seriesFrom()} contacts follow in series.");
        }
        $new = Expression::contact($contact);

        return $this->withWhen(self::owner($beside), $span === null ? $place->aroundAll($new) : $place->across($span, $new));
    }

    /** @throws DraftFault */
    public function replacing(string $contactId, Contact $contact): RelayCircuit
    {
        return $this->withWhen(self::owner($contactId), $this->place($contactId)->replaced(Expression::contact($contact)));
    }

    /** @throws DraftFault */
    public function withoutContact(string $contactId): RelayCircuit
    {
        return $this->withWhen(self::owner($contactId), $this->place($contactId)->removed());
    }

    /** @throws DraftFault where there is none of this name any more */
    public function place(string $contactId): ContactPlace
    {
        $number = substr($contactId, strlen(self::owner($contactId)) + 1);

        return (ctype_digit($number) ? ContactPlace::of($this->when(self::owner($contactId)), (int) $number) : null)
            ?? throw new DraftFault('contact', "There is no contact $contactId any more.");
    }

    private static function owner(string $contactId): string
    {
        return explode(':', $contactId)[0];
    }

    /** @throws DraftFault */
    private function when(string $owner): Expression
    {
        foreach ([...$this->circuit->rungs, ...$this->circuit->ofType(RelayType::Start)] as $one) {
            if ($one->id === $owner) {
                return $one->when ?? Expression::parallel([]);
            }
        }

        throw new DraftFault('contact', "There is no rung $owner any more.");
    }

    private function withWhen(string $owner, Expression $when): RelayCircuit
    {
        $device = $this->circuit->deviceById[$owner] ?? null;
        if ($device !== null) {
            return $this->circuit->with(devices: self::put($this->circuit->devices, $device->whenStarted($when)));
        }

        return $this->circuit->with(rungs: array_map(
            static fn(Rung $rung): Rung => $rung->id === $owner ? new Rung($rung->id, $rung->coil, $rung->supply, $when) : $rung,
            $this->circuit->rungs,
        ));
    }

    /** @param list<RelaySupply> $supplies */
    private function withSupplies(array $supplies): RelayCircuit
    {
        return new RelayCircuit(
            $this->circuit->isThreePhase,
            $supplies,
            $this->circuit->preferred,
            $this->circuit->hasMechanicalInterlock,
            $this->circuit->systemClass,
            $this->circuit->devices,
            $this->circuit->rungs,
        );
    }

    /**
     * @template T of RelayDevice|RelaySupply
     *
     * @param list<T> $list
     * @param T       $item
     *
     * @return list<T>
     */
    private static function put(array $list, RelayDevice|RelaySupply $item): array
    {
        foreach ($list as $i => $one) {
            if ($one->id === $item->id) {
                $list[$i] = $item;

                return $list;
            }
        }

        return [...$list, $item];
    }

    /**
     * @template T of RelayDevice|RelaySupply|Rung
     *
     * @param list<T> $list
     *
     * @return list<T>
     */
    private static function without(array $list, string $id): array
    {
        return array_values(array_filter($list, static fn(RelayDevice|RelaySupply|Rung $one): bool => $one->id !== $id));
    }
}
