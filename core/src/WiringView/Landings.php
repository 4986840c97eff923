<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** Puts every conductor on its terminal, in its lane, at its turn. Rule: docs/rules.md#wiring-view. */
final readonly class Landings
{
    /** @var list<LandedConductor> in the order of the input */
    public array $conductors;

    /** @var array<string, list<int>> by terminal: indexes of the conductors, by slot */
    public array $onTerminal;

    public function __construct(private WiringViewInput $in, private TerminalPlan $plan)
    {
        $terminals = $on = [];
        foreach ($in->conductors as $i => $one) {
            $terminals[$i] = $one->terminal ?? $plan->usual($one->leg, $in->portOn($one->link));
            $on[$terminals[$i]][] = $i;
        }
        $this->onTerminal = $on;
        $slots = [];
        foreach ($on as $indexes) {
            foreach ($indexes as $place => $i) {
                $slots[$i] = $place + 1;
            }
        }
        $lanes = $this->lanes($terminals, $slots);
        $orders = $this->orders($terminals);
        $conductors = [];
        foreach ($in->conductors as $i => $one) {
            $link = $in->drawing->links[$one->link];
            $conductors[] = new LandedConductor(
                $one->id,
                $link->from(),
                $link->to(),
                $one->leg,
                $terminals[$i],
                $one->size,
                $one->material,
                $one->colour,
                $one->entry,
                self::gutter($one),
                $lanes[$i],
                $slots[$i],
                $orders[$i],
            );
        }
        $this->conductors = $conductors;
    }

    /** @return 'bottom'|'top' */
    private static function gutter(PlannedConductor $one): string
    {
        return $one->entry === 'bottom' ? 'bottom' : 'top';
    }

    /**
     * The nearest terminal has the inner lane, so that no drop crosses another.
     *
     * @param array<int, string> $terminals
     * @param array<int, int>    $slots
     *
     * @return array<int, int>
     */
    private function lanes(array $terminals, array $slots): array
    {
        $groups = [];
        foreach ($this->in->conductors as $i => $one) {
            $terminal = $this->plan->terminals[$terminals[$i]];
            $gutter = self::gutter($one);
            $groups["$gutter $terminal->column"][$i] = [$gutter === 'top' ? $terminal->row : -$terminal->row, $slots[$i]];
        }
        $lanes = [];
        foreach ($groups as $group) {
            asort($group);
            foreach (array_keys($group) as $place => $i) {
                $lanes[$i] = $place + 1;
            }
        }

        return $lanes;
    }

    /**
     * Deepest first, grounds and neutrals before hots, the line side last: it belongs to the utility's dark window.
     *
     * @param array<int, string> $terminals
     *
     * @return array<int, int>
     */
    private function orders(array $terminals): array
    {
        $places = array_flip(array_keys($this->plan->terminals));
        $keys = [];
        foreach ($this->in->conductors as $i => $one) {
            $keys[$i] = [
                $this->in->lugs[$terminals[$i]]->depth ?? 0,
                self::turn($one->leg, $this->in->portOn($one->link)),
                $places[$terminals[$i]],
                $i,
            ];
        }
        asort($keys);
        $orders = [];
        foreach (array_keys($keys) as $place => $i) {
            $orders[$i] = $place + 1;
        }

        return $orders;
    }

    private static function turn(string $leg, string $port): int
    {
        return match (true) {
            $leg === 'G' => 0,
            $leg === 'N' => 1,
            $port === 'emergency' => 2,
            $port === 'normal' || $port === 'in' => 4,
            default => 3,
        };
    }
}
