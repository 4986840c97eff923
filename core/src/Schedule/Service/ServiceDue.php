<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Schedule\Day;

/** What is due on a set and its switch, and when somebody goes there for it. Rule: docs/rules.md#service-due. */
final class ServiceDue
{
    public function of(ServiceInput $in): CalculationResult
    {
        $engine = new EngineHours($in);
        $items = self::items($in, $engine);
        $counts = ['ok' => 0, 'soon' => 0, 'overdue' => 0, 'never' => 0];
        foreach ($items as $item) {
            $counts[$item->state]++;
        }

        return new CalculationResult([
            'hours_now' => $engine->on($in->today),
            'engine_h' => $engine->last(),
            'rate_h_per_day' => $engine->rate,
            'rate_from' => $engine->rateFrom,
            'items' => array_map(static fn(DueItem $item): array => $item->told(), $items),
            'counts' => $counts,
            'visits' => $this->visits($items, $in),
        ], $this->findings($items, $in, $engine)->worstFirst(), $this->working($items, $in, $engine)->lines);
    }

    /** @return list<DueItem> each item that is in force */
    public static function items(ServiceInput $in, EngineHours $engine): array
    {
        return array_map(static fn(ServiceItem $item): DueItem => new DueItem($item, $in, $engine), array_values($in->items));
    }

    /**
     * @param list<DueItem> $items
     *
     * @return list<array{date: string, items: list<string>, minutes: float, skills: list<string>}>
     */
    private function visits(array $items, ServiceInput $in): array
    {
        $left = array_filter($items, static fn(DueItem $item): bool => $item->due !== null);
        uasort($left, static fn(DueItem $a, DueItem $b): int => max($a->due, $in->today) <=> max($b->due, $in->today));
        $visits = [];
        while ($left !== []) {
            $date = max($in->today, (int) $left[array_key_first($left)]->due);
            if ($date > $in->today + $in->horizonDays) {
                break;
            }
            $taken = array_filter($left, static fn(DueItem $item): bool => $item->due <= $date + $in->combineDays);
            $left = array_diff_key($left, $taken);
            ksort($taken);
            $skills = array_unique(array_filter(
                array_map(static fn(DueItem $item): string => (string) $item->item->skill, $taken),
                static fn(string $skill): bool => $skill !== '',
            ));
            sort($skills, SORT_STRING);
            $visits[] = [
                'date' => Day::write($date),
                'items' => array_values(array_map(static fn(DueItem $item): string => $item->item->id, $taken)),
                'minutes' => array_sum(array_map(static fn(DueItem $item): float => $item->item->minutes, $taken)),
                'skills' => $skills,
            ];
        }

        return $visits;
    }

    /** @param list<DueItem> $items */
    private function findings(array $items, ServiceInput $in, EngineHours $engine): Findings
    {
        $of = static fn(\Closure $is): array => array_values(array_map(
            static fn(DueItem $item): string => $item->item->id,
            array_filter($items, $is),
        ));
        $lists = [
            'service-due/service-overdue' => $of(static fn(DueItem $item): bool => $item->state === 'overdue'),
            'never-serviced' => $of(static fn(DueItem $item): bool => $item->state === 'never'),
            'break-in-due' => $of(static fn(DueItem $item): bool => $item->isFirst && $item->state !== 'ok'),
            'service-soon' => $of(static fn(DueItem $item): bool => $item->state === 'soon'),
            'generic-intervals' => $of(static fn(DueItem $item): bool => $item->item->isGeneric),
        ];
        $findings = new Findings();
        foreach (array_filter($lists, static fn(array $ids): bool => $ids !== []) as $id => $ids) {
            $findings->raise($id, ['which' => str_replace('_', ' ', implode(', ', $ids))], $ids);
        }
        $last = $in->readings === [] ? null : $in->readings[count($in->readings) - 1];
        $gap = 0;
        foreach ($in->readings as $i => $reading) {
            $gap = max($gap, $i === 0 ? 0 : $reading->day - $in->readings[$i - 1]->day);
        }
        $facts = [
            'service-due/meter-backwards' => $engine->wentBackwards,
            'meter-impossible' => $engine->isImpossible,
            'reading-stale' => $last === null || $in->today - $last->day > $in->gapDays,
            'service-due/reading-gap' => $gap > $in->gapDays,
            'meter-replaced' => array_filter($in->readings, static fn(HourReading $one): bool => $one->newMeterH !== null) !== [],
            'use-unknown' => in_array($engine->rateFrom, ['planned', 'none'], true),
        ];
        foreach (array_keys(array_filter($facts, static fn(bool $isSo): bool => $isSo)) as $id) {
            $findings->raise($id, ['days' => $in->gapDays]);
        }

        return $findings;
    }

    /** @param list<DueItem> $items */
    private function working(array $items, ServiceInput $in, EngineHours $engine): Working
    {
        $working = new Working();
        $growth = sprintf('%g h at the last reading, %.3g h a day since', $engine->last(), $engine->rate);
        $working->add('Hours now', $growth, $engine->on($in->today), 'h');
        foreach ($items as $item) {
            $ways = [];
            if ($item->byMonths !== null) {
                $ways[] = Day::write($item->lastDay ?? $in->installed) . " + $item->months months = " . Day::write($item->byMonths);
            }
            if ($item->dueH !== null) {
                $ways[] = sprintf('%g h + %g h = %g h', $item->lastH ?? 0, $item->hours, $item->dueH)
                    . ($item->byHours === null ? '' : ', on ' . Day::write($item->byHours));
            }
            $working->add(
                'Due: ' . str_replace('_', ' ', $item->item->id),
                implode('; ', $ways),
                $item->due === null ? null : Day::write($item->due),
                '',
            );
        }

        return $working;
    }
}
