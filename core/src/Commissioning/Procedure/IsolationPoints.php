<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\TopologyCheck;

/** What the one-line says to the procedure: what isolates, in order from the supply down, and what stays live. */
final readonly class IsolationPoints
{
    /** Disconnects that stand ahead of the devices of the installation: opened first. */
    private const AHEAD = ['md'];
    /** Supplies of an installation with two: each has its own line side. */
    private const SUPPLY_SIDES = ['q1', 'q2'];

    /** @param list<Isolator> $isolators */
    private function __construct(public array $isolators) {}

    /** Without a one-line the words stay general. */
    public static function unknown(): self
    {
        return new self([]);
    }

    /** @param array<string, string> $names of elements; an element without one goes by its id */
    public static function of(OneLine $drawing, array $names): self
    {
        $name = (new ElementNames($names))->of(...);
        $answer = TopologyCheck::of($drawing)->answer()->values;
        /** @var list<array{open: list<string>, live: array<string, list<string>>}> $stillLive */
        $stillLive = $answer['still_live'];
        $live = [];
        foreach ($stillLive as $one) {
            if (count($one['open']) === 1) {
                $live[$one['open'][0]] = (array) $one['live'];
            }
        }
        $isolators = [];
        foreach ($drawing->devices as $device) {
            if ($device->kind !== 'breaker') {
                $isolators[] = new Isolator($device->ref, $name($device->ref), array_map($name, $live[$device->ref][$device->line] ?? []));
            }
        }

        return new self($isolators);
    }

    /** @return list<Isolator> that stand ahead of the installation */
    public function ahead(): array
    {
        return array_values(array_filter($this->isolators, static fn(Isolator $one): bool => in_array($one->ref, self::AHEAD, true)));
    }

    /** @return list<Isolator> of the installation itself */
    public function own(): array
    {
        return array_values(array_filter($this->isolators, static fn(Isolator $one): bool => ! in_array($one->ref, self::AHEAD, true)));
    }

    /** Whose line side is proved dead once the supply upstream is open. */
    public function firstOwn(): string
    {
        $own = $this->own();
        $sides = array_values(array_filter($own, static fn(Isolator $one): bool => in_array($one->ref, self::SUPPLY_SIDES, true)));
        $first = count($sides) > 1 ? $sides : array_slice($own, 0, 1);

        return $first === [] ? 'the first device of the installation' : implode(
            ' and of ',
            array_map(static fn(Isolator $one): string => $one->name, $first),
        );
    }
}
