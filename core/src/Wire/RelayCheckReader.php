<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelaySupply;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;
use Escapement\Core\Wire\Topology\DrawingFields;

/** `relay_check` on the wire. Rule: docs/rules.md#relay-check. */
final class RelayCheckReader implements Reader
{
    private const MOST_DEEP = 8;
    private const MOST_CONTACTS = 40;
    private const MOST_MOVING = 7;
    private const POSITIONS = ['I', '0', 'II'];

    /** @var array<string, RelayDevice> */
    private array $devices = [];

    private int $contacts = 0;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new RelayCheck())->check($this->circuit($node)));
    }

    /** @throws BadInput */
    public function circuit(Node $node): RelayCircuit
    {
        $in = new DrawingFields($node);
        $isThreePhase = $in->oneInt('phases', [1, 3]) === 3;
        $supplies = $this->supplies($in);
        $preferred = $this->source($in->required('preferred'), $supplies);
        $isInterlocked = $in->bool('mechanical_interlock');
        $class = $in->word('system_class', ['none', 'optional', 'legally_required', 'emergency'], 'none');
        $starts = $this->devices($in, $supplies);
        $rungs = $this->rungs($in, $supplies);
        foreach ($starts as $id => $when) {
            $this->devices[$id] = $this->devices[$id]->whenStarted($this->expression($when, (string) $id));
        }

        return new RelayCircuit(
            $isThreePhase,
            array_values($supplies),
            $preferred,
            $isInterlocked,
            $class,
            array_values($this->devices),
            $rungs,
        );
    }

    /** @return array<string, RelaySupply> */
    private function supplies(DrawingFields $in): array
    {
        $supplies = [];
        foreach ($in->required('supplies')->list(1, 3) as $item) {
            $one = new DrawingFields($item);
            $id = self::fresh($one, $supplies);
            $supplies[$id] = new RelaySupply($id, $one->wordOrNull('rotation', ['abc', 'acb']), $one->bool('always', false));
        }

        return $supplies;
    }

    /** @param array<string, RelaySupply> $supplies */
    private function source(Node $node, array $supplies): string
    {
        if (! is_string($node->value) || ! isset($supplies[$node->value]) || $supplies[$node->value]->isAlways) {
            throw $node->bad('This must be a supply that can fail.');
        }

        return $node->value;
    }

    /**
     * @param array<string, RelaySupply> $supplies
     *
     * @return array<string, Node> the expressions of the starts, which are read after the rungs
     */
    private function devices(DrawingFields $in, array $supplies): array
    {
        $starts = [];
        $list = $in->required('devices');
        foreach ($list->list(1, 20) as $item) {
            $one = new DrawingFields($item);
            $id = self::fresh($one, $supplies + $this->devices);
            $type = RelayType::from($one->word('type', array_column(RelayType::cases(), 'value')));
            $this->devices[$id] = $this->device($one, $id, $type, $supplies);
            if ($type === RelayType::Start) {
                $starts[$id] = $one->required('when');
            }
        }
        $this->refuseImpossible($list);

        return $starts;
    }

    /** @param array<string, RelaySupply> $supplies */
    private function device(DrawingFields $in, string $id, RelayType $type, array $supplies): RelayDevice
    {
        switch ($type) {
            case RelayType::Contactor:
                $power = $in->optional('power_from');
                $from = $power === null || $power->isNull() ? null : $this->source($power, $supplies);

                return new RelayDevice($id, $type, $from, $in->bool('mirror_contacts', false));
            case RelayType::Timer:
                $isOnDelay = $in->word('mode', ['on_delay', 'off_delay']) === 'on_delay';

                return new RelayDevice($id, $type, isOnDelay: $isOnDelay, seconds: (float) $in->positive('seconds'));
            case RelayType::PhaseRelay:
                return new RelayDevice($id, $type, $this->source($in->required('supply'), $supplies));
            case RelayType::Selector:
                return new RelayDevice($id, $type, positions: $this->positions($in));
            case RelayType::MotorChangeover:
                $first = $this->source($in->required('power_i'), $supplies);
                $second = $this->source($in->required('power_ii'), $supplies);
                if ($first === $second) {
                    throw $in->at('power_ii')->bad('A changeover has two different sources.');
                }

                return new RelayDevice($id, $type, supplyI: $first, supplyII: $second);
            case RelayType::Start:
                return new RelayDevice($id, $type, $this->source($in->required('starts'), $supplies));
            default:
                return new RelayDevice($id, $type);
        }
    }

    /** @return list<string> */
    private function positions(DrawingFields $in): array
    {
        $positions = [];
        foreach ($in->required('positions')->list(2, 4) as $item) {
            $position = $item->oneOf(['auto', '0', 'I', 'II']);
            if (in_array($position, $positions, true)) {
                throw $item->bad('This position is in the list already.');
            }
            $positions[] = $position;
        }

        return $positions;
    }

    private function refuseImpossible(Node $list): void
    {
        $count = fn(RelayType $type): int => count(array_filter($this->devices, static fn(RelayDevice $one): bool => $one->type === $type));
        $limits = [
            [RelayType::Selector, 1],
            [RelayType::Handle, 1],
            [RelayType::PushButton, 2],
            [RelayType::Start, 2],
            [RelayType::MotorChangeover, 1],
        ];
        foreach ($limits as [$type, $most]) {
            if ($count($type) > $most) {
                throw $list->bad("There is at most $most of the type $type->value.");
            }
        }
        if (count(array_filter($this->devices, static fn(RelayDevice $one): bool => $one->type->isMoving())) > self::MOST_MOVING) {
            throw $list->bad('There are at most ' . self::MOST_MOVING . ' contactors, relays, timers and changeovers together.');
        }
        $power = array_column(array_filter($this->devices, static fn(RelayDevice $one): bool => $one->isPowerContactor()), 'supply');
        $isPair = count($power) === 2 && count(array_unique($power)) === 2;
        if ($count(RelayType::MotorChangeover) === 0 ? ! $isPair : $power !== []) {
            throw $list->bad('There are two contactors on different sources, or one motor changeover.');
        }
    }

    /**
     * @param array<string, RelaySupply> $supplies
     *
     * @return list<Rung>
     */
    private function rungs(DrawingFields $in, array $supplies): array
    {
        $rungs = $coils = [];
        foreach (($in->optional('rungs') ?? $in->node->at('rungs', []))->list(0, 20) as $item) {
            $one = new DrawingFields($item);
            $id = self::fresh($one, $rungs + $this->devices + $supplies);
            $coilNode = $one->required('coil');
            $coil = $this->coil($coilNode);
            if (isset($coils[$coil])) {
                throw $coilNode->bad('This coil has a rung already.');
            }
            $coils[$coil] = true;
            $supplyNode = $one->required('supply');
            if (! is_string($supplyNode->value) || ! isset($supplies[$supplyNode->value])) {
                throw $supplyNode->bad('This must be a supply.');
            }
            $rungs[$id] = new Rung($id, $coil, $supplyNode->value, $this->expression($one->required('when'), $id));
        }

        return array_values($rungs);
    }

    private function coil(Node $node): string
    {
        $name = is_string($node->value) ? $node->value : '';
        [$id, $position] = explode('.', $name, 2) + [1 => null];
        $type = $this->devices[$id]->type ?? null;
        $isCoil = $position === null
            ? $type?->hasCoil() === true
            : $type === RelayType::MotorChangeover && in_array($position, self::POSITIONS, true);

        return $isCoil ? $name : throw $node->bad(
            'This must be a coil: a contactor, relay, timer or lamp, or Q1.I, Q1.0, Q1.II of a motor changeover.',
        );
    }

    private function expression(Node $node, string $owner): Expression
    {
        $place = 0;

        return $this->part($node, $owner, $place, 1);
    }

    private function part(Node $node, string $owner, int &$place, int $depth): Expression
    {
        if ($depth > self::MOST_DEEP) {
            throw $node->bad('Contacts are nested ' . self::MOST_DEEP . ' deep at most.');
        }
        $in = new DrawingFields($node);
        $kinds = array_values(array_filter(['no', 'nc', 'of', 'all', 'any'], static fn(string $key): bool => $in->optional($key) !== null));
        if (count($kinds) !== 1) {
            throw $node->bad('This must have exactly one of no, nc, of, all, any.');
        }
        $kind = $kinds[0];
        if ($kind === 'all' || $kind === 'any') {
            $parts = [];
            foreach ($in->required($kind)->list(0, 12) as $item) {
                $parts[] = $this->part($item, $owner, $place, $depth + 1);
            }

            return $kind === 'all' ? Expression::series($parts) : Expression::parallel($parts);
        }
        $device = $this->contactOf($in->required($kind), $kind);
        $positions = $kind === 'of' ? $this->closedAt($in->required('at'), $device) : [];
        $labelNode = $in->optional('contact');
        if ($labelNode !== null && ! $labelNode->isNull() && ! is_string($labelNode->value)) {
            throw $labelNode->bad('This must be a text.');
        }
        if (++$this->contacts > self::MOST_CONTACTS) {
            throw $node->bad('A circuit has at most ' . self::MOST_CONTACTS . ' contacts.');
        }
        $label = is_string($labelNode?->value) ? $labelNode->value : null;

        return Expression::contact(new Contact($owner . ':' . $place++, $kind, $device->id, $positions, $label));
    }

    private function contactOf(Node $node, string $kind): RelayDevice
    {
        $device = is_string($node->value) ? $this->devices[$node->value] ?? null : null;
        $fits = $kind === 'of' ? in_array(
            $device?->type,
            [RelayType::Selector, RelayType::MotorChangeover],
            true,
        ) : $device?->type->hasContacts() === true;

        return $device !== null && $fits ? $device : throw $node->bad('This must be a device with such a contact.');
    }

    /** @return list<string> */
    private function closedAt(Node $node, RelayDevice $device): array
    {
        $known = $device->type === RelayType::Selector ? $device->positions : self::POSITIONS;
        $positions = [];
        foreach ($node->list(1, 4) as $item) {
            if (! is_string($item->value) || ! in_array($item->value, $known, true)) {
                throw $item->bad('This must be a position of the device.');
            }
            $positions[] = $item->value;
        }

        return $positions;
    }

    /** @param array<string, mixed> $taken */
    private static function fresh(DrawingFields $in, array $taken): string
    {
        $id = $in->id();
        if (isset($taken[$id])) {
            throw $in->at('id')->bad("\"$id\" is in use already.");
        }

        return $id;
    }
}
