<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelaySupply;
use Escapement\Core\RelayLogic\RelayType;

/** Every wire of a panel, and its strip of terminals. Rule: docs/rules.md#terminal-list. */
final class WireList
{
    /** @var list<Wire> */
    public array $wires = [];

    /** @var list<array{terminal: string, number: string, inside: list<string>, outside: list<string>}> */
    public array $strip = [];

    public function __construct(
        private readonly TerminalInput $input,
        private readonly CircuitNets $nets,
        private readonly WireSizes $sizes,
    ) {
        foreach ($input->circuit->supplies as $i => $supply) {
            $supply->isAlways ? $this->always($supply, $i + 1) : $this->supply($supply, $i + 1);
        }
        $this->toLoad();
        foreach ($nets->inOrder() as $net) {
            $this->net($net);
        }
    }

    private function always(RelaySupply $supply, int $place): void
    {
        if (isset($this->nets->used[$supply->id])) {
            $this->add("$place+", "$supply->id:+", "F$place:1", 'tap', 'red');
            $this->add("$place-", "$supply->id:-", "NB$place:2", 'tap', 'black');
        }
    }

    private function supply(RelaySupply $supply, int $place): void
    {
        $main = $this->input->power === null ? null : $this->main($supply->id);
        $isBolted = $main !== null && ! $this->input->power?->switchesNeutral;
        foreach ($this->input->conductors() as $i => $conductor) {
            $number = $isBolted && $conductor === 'N' ? 'TN' : "$place$conductor";
            if ($main !== null && ! ($isBolted && $conductor === 'N')) {
                $this->add($number, "$supply->id:$conductor", "$main:" . (2 * $i + 1), 'power', $this->input->colour($conductor));
            }
            foreach ($this->taps($supply, $conductor, $place) as $to) {
                $this->add($number, "$supply->id:$conductor", $to, 'tap', $this->input->colour($conductor));
            }
        }
    }

    /** @return list<string> the terminals that a conductor of a supply feeds beside its power: phase relays, fuse, return */
    private function taps(RelaySupply $supply, string $conductor, int $place): array
    {
        $to = [];
        foreach ($this->input->circuit->ofType(RelayType::PhaseRelay) as $relay) {
            if ($relay->supply === $supply->id) {
                $to[] = "$relay->id:$conductor";
            }
        }
        $end = isset($this->nets->used[$supply->id]) ? array_search($conductor, self::ends($this->input->across->value), true) : false;

        return $end === false ? $to : [...$to, ["F$place:1", "NB$place:2"][$end]];
    }

    /** @return array{string, string} the two conductors, as L1 and N of L1N */
    public static function ends(string $across): array
    {
        return [substr($across, 0, 2), substr($across, 2)];
    }

    /** Where this supply's power lands: K1, or Q1.I. */
    private function main(string $supply): ?string
    {
        foreach ($this->input->circuit->devices as $device) {
            if ($device->isPowerContactor() && $device->supply === $supply) {
                return $device->id;
            }
            if ($device->type === RelayType::MotorChangeover && in_array($supply, [$device->supplyI, $device->supplyII], true)) {
                return $device->id . ($device->supplyI === $supply ? '.I' : '.II');
            }
        }

        return null;
    }

    private function toLoad(): void
    {
        if ($this->input->power === null) {
            return;
        }
        $motor = $this->input->circuit->changeover();
        $mains = array_values(array_filter($this->input->circuit->devices, static fn(RelayDevice $one): bool => $one->isPowerContactor()));
        foreach ($this->input->conductors() as $i => $conductor) {
            if ($conductor === 'N' && ! $this->input->power->switchesNeutral) {
                [$first, $second] = $motor === null
                    ? array_column($mains, 'supply')
                    : [(string) $motor->supplyI, (string) $motor->supplyII];
                $chain = ["$first:N", "$second:N", 'LOAD:N'];
            } else {
                $terminal = 2 * $i + 2;
                $devices = $motor === null ? array_column($mains, 'id') : [$motor->id];
                $chain = [...array_map(static fn(string $id): string => "$id:$terminal", $devices), "LOAD:$conductor"];
            }
            $this->chain($chain, "T$conductor", 'power', $this->input->colour($conductor), $this->sizes->power);
        }
    }

    private function net(int $net): void
    {
        $name = (string) $this->nets->nets->name($net);
        $kind = $this->nets->supplyOf($net) === null ? 'start' : 'control';
        $colour = $this->colour($net, $name);
        $places = ['panel' => [], 'door' => [], 'field' => []];
        foreach ($this->nets->nets->pointsOf($net) as $point) {
            $places[$this->placeOf($point)][] = $point;
        }
        if ($places['door'] === [] && $places['field'] === []) {
            $this->chain($places['panel'], $name, $kind, $colour, $this->sizes->control);

            return;
        }
        $terminal = 'X1:' . (count($this->strip) + 1);
        $this->strip[] = [
            'terminal' => $terminal,
            'number' => $name,
            'inside' => $places['panel'],
            'outside' => [...$places['door'], ...$places['field']],
        ];
        $this->chain([...$places['panel'], $terminal], $name, $kind, $colour, $this->sizes->control);
        foreach (['door' => $this->sizes->control, 'field' => $this->sizes->field] as $place => $size) {
            $this->chain([$terminal, ...$places[$place]], $name, $kind, $colour, $size);
        }
    }

    /** @return 'door'|'field'|'panel' of fuses, links and terminals: the panel */
    private function placeOf(string $point): string
    {
        return $this->input->devices[explode(':', $point)[0]]->place ?? 'panel';
    }

    private function colour(int $net, string $name): string
    {
        $supply = $this->nets->supplyOf($net);
        if ($supply === null) {
            return 'orange';
        }
        $isReturn = str_starts_with($name, 'M');
        [$first, $second] = self::ends($this->input->across->value);
        if ($this->input->circuit->supplyById[$supply]->isAlways) {
            return $isReturn ? 'black' : 'red';
        }
        if ($isReturn && $second === 'N') {
            return $this->input->colour('N');
        }

        return $this->input->hasRedControl ? 'red' : $this->input->colour($isReturn ? $second : $first);
    }

    /**
     * @param list<string>                    $points
     * @param 'control'|'power'|'start'|'tap' $kind
     */
    private function chain(array $points, string $number, string $kind, string $colour, ?string $size): void
    {
        for ($i = 1; $i < count($points); $i++) {
            $this->add($number, $points[$i - 1], $points[$i], $kind, $colour, $size);
        }
    }

    /** @param 'control'|'power'|'start'|'tap' $kind */
    private function add(string $number, string $from, string $to, string $kind, string $colour, ?string $size = null): void
    {
        $size = match ($kind) {
            'power' => $this->sizes->power,
            'tap' => $this->sizes->control,
            default => $size,
        };
        $this->wires[] = new Wire($number, $from, $to, $kind, $size, $colour, $this->sizes->ferrule($size));
    }
}
