<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Schedule\Day;

/** Exercises that hurt somebody, or need one person twice, and the nearest time that is free. Rule: docs/rules.md#exercise-clashes. */
final class ExerciseClashes
{
    private const MOST_NAMED = 8;

    private ClashKinds $kinds;

    /** @var list<list<string>> kinds by run, at the places they had */
    private array $found = [];

    /** @var list<int> runs by time, then by switch, as they stood */
    private array $order = [];

    /** @var array<int, int> the place in that order, by object */
    private array $places = [];

    /** @var array<int, list<PlacedRun>> by switch */
    private array $ofSwitch = [];

    public function __construct(private readonly ClashInput $in)
    {
        $this->kinds = new ClashKinds($in);
        foreach ($in->runs as $run) {
            $this->ofSwitch[$run->switch][] = $run;
        }
    }

    public function result(): CalculationResult
    {
        $this->order = $this->order();
        foreach ($this->order as $place => $i) {
            $this->places[spl_object_id($this->in->runs[$i])] = $place;
        }
        $this->found = array_map($this->kinds->at(...), $this->in->runs);
        $with = array_map($this->partners(...), $this->in->runs, $this->found);
        $shifts = $this->shifts();
        $clashes = [];
        foreach ($this->order as $place => $i) {
            if ($this->found[$i] !== []) {
                $clashes[] = $this->settle($i, $place, $with[$i]);
            }
        }
        $working = new Working();
        $working->add('Exercises that clash', 'of ' . count($this->in->runs) . ' in these days', count($clashes), '');

        return new CalculationResult(
            ['count' => count($this->in->runs), 'clashes' => $clashes, 'shifts' => $shifts],
            $this->findings($clashes, $shifts),
            $working->lines,
        );
    }

    /** @return list<int> runs by time, then by switch */
    private function order(): array
    {
        $order = array_keys($this->in->runs);
        $began = array_map(static fn(PlacedRun $run): int => $run->s, $this->in->runs);
        usort($order, fn(int $a, int $b): int => [$began[$a], $this->in->runs[$a]->switch] <=> [$began[$b], $this->in->runs[$b]->switch]);

        return $order;
    }

    /**
     * @param list<string> $kinds
     *
     * @return list<string> other switches
     */
    private function partners(PlacedRun $run, array $kinds): array
    {
        $partners = $this->kinds->personPartners($run, null)
            + (in_array('group', $kinds, true) ? $this->kinds->groupPartners($run, null) : []);
        ksort($partners);

        return array_map(fn(int $at): string => $this->in->switches[$at]->of->id, array_keys($partners));
    }

    /**
     * @param list<string> $with
     *
     * @return array<string, mixed>
     */
    private function settle(int $i, int $place, array $with): array
    {
        $run = $this->in->runs[$i];
        $isSettled = fn(PlacedRun $other): bool => $this->places[spl_object_id($other)] < $place;
        $told = [
            'switch' => $this->in->switches[$run->switch]->of->id,
            'local' => $this->wall($run->wallS),
            'utc' => gmdate('Y-m-d\TH:i:s\Z', $run->s),
            'kinds' => $this->found[$i],
            'with' => $with,
        ];
        $isFine = ! $this->kinds->isPlaceBad($run->switch, $run->s, $run->e)
            && ! $this->kinds->meetsOthers($run, $isSettled);
        if ($isFine) {
            return $told + ['action' => 'keep', 'slot' => null];
        }
        foreach ($this->shiftsMin() as $shiftMin) {
            $slot = $this->slot($run, $shiftMin);
            if ($slot !== null && ! $this->meetsOwn($run, $slot)) {
                $from = $run->s;
                $this->kinds->move($run, $slot);
                if (! $this->kinds->meetsOthers($run, null)) {
                    return $told + ['action' => 'move', 'slot' => [
                        'local' => $this->wall($run->wallS + 60 * $shiftMin), 'utc' => gmdate('Y-m-d\TH:i:s\Z', $slot),
                        'shift_min' => $shiftMin,
                    ]];
                }
                $this->kinds->move($run, $from);
            }
        }

        return $told + ['action' => 'none', 'slot' => null];
    }

    /** @return iterable<int> nearest first, later before earlier */
    private function shiftsMin(): iterable
    {
        for ($shift = $this->in->stepMin; $shift <= 1440 * $this->in->searchDays; $shift += $this->in->stepMin) {
            yield $shift;
            yield -$shift;
        }
    }

    /** @return ?int the begin, where nothing of the place itself speaks against it */
    private function slot(PlacedRun $run, int $shiftMin): ?int
    {
        $switch = $this->in->switches[$run->switch];
        $wallS = $run->wallS + 60 * $shiftMin;
        $day = intdiv($wallS, Day::S);
        if (isset($switch->of->exercise->skip[$day]) || $switch->of->exercise->isPaused($day)) {
            return null;
        }
        $begin = $switch->of->zone->resolve($wallS);

        $isBad = $begin->isGap || $this->kinds->isPlaceBad($run->switch, $begin->utcS, $begin->utcS + $run->lengthS);

        return $isBad ? null : $begin->utcS;
    }

    private function meetsOwn(PlacedRun $run, int $s): bool
    {
        foreach ($this->ofSwitch[$run->switch] as $other) {
            if ($other !== $run && $s < $other->e && $other->s < $s + $run->lengthS) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{switch: string, shift_min: ?int, first_local: ?string}> one shift for all dates of a switch */
    private function shifts(): array
    {
        $shifts = $clashing = [];
        foreach ($this->found as $i => $kinds) {
            if ($kinds !== []) {
                $clashing[$this->in->runs[$i]->switch] = true;
            }
        }
        foreach ($this->in->switches as $at => $switch) {
            if (! isset($clashing[$at])) {
                continue;
            }
            $runs = $this->ofSwitch[$at];
            $shift = $this->commonShift($runs);
            $shifts[] = [
                'switch' => $switch->of->id,
                'shift_min' => $shift,
                'first_local' => $shift === null ? null : $this->wall($runs[0]->wallS + 60 * $shift),
            ];
        }

        return $shifts;
    }

    /** @param list<PlacedRun> $runs */
    private function commonShift(array $runs): ?int
    {
        foreach ($this->shiftsMin() as $shiftMin) {
            $isFree = true;
            foreach ($runs as $run) {
                $slot = $this->slot($run, $shiftMin);
                if ($slot === null) {
                    $isFree = false;
                    break;
                }
                $from = $run->s;
                $this->kinds->move($run, $slot);
                $isFree = ! $this->kinds->meetsOthers($run, null);
                $this->kinds->move($run, $from);
                if (! $isFree) {
                    break;
                }
            }
            if ($isFree) {
                return $shiftMin;
            }
        }

        return null;
    }

    private function wall(int $wallS): string
    {
        return gmdate('Y-m-d\TH:i', $wallS);
    }

    /**
     * @param list<array<string, mixed>>                                      $clashes
     * @param list<array{switch: string, shift_min: ?int, first_local: ?string}> $shifts
     *
     * @return list<Finding>
     */
    private function findings(array $clashes, array $shifts): array
    {
        $raised = [];
        foreach ($this->found as $i => $kinds) {
            foreach ($kinds as $kind) {
                $raised[ClashKinds::IDS[$kind]][] = $this->in->switches[$this->in->runs[$i]->switch]->of->id;
            }
        }
        foreach ($clashes as $clash) {
            if ($clash['action'] === 'none' && is_string($clash['switch'])) {
                $raised['no-free-slot'][] = $clash['switch'];
            }
        }
        foreach ($shifts as $shift) {
            if ($shift['shift_min'] === null) {
                $raised['no-common-shift'][] = $shift['switch'];
            }
        }
        $findings = new Findings();
        foreach ($raised as $id => $ids) {
            $ids = array_values(array_unique($ids));
            $findings->raise($id, ['which' => implode(', ', array_slice($ids, 0, self::MOST_NAMED))], $ids);
        }

        return $findings->worstFirst();
    }
}
