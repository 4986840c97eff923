<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Schedule\Day;

/** What the record says between two moments. Rule: docs/rules.md#logbook-summary. */
final readonly class LogbookSummary
{
    private const REST_V = 12.4;
    private const CRANK_V = 9.6;

    public function of(LogbookInput $in): CalculationResult
    {
        $hours = $this->hours($in);
        $meter = new MeterAccount($in);
        $outages = new OutageAccount($in);
        $fuel = $in->fuelUse === null ? null : new FuelAccount($in);
        $alarms = $this->alarms($in, $hours['total']);
        $exercises = $this->exercises($in);
        $gaps = $this->gaps($in);
        $drift = $this->drift($in);
        $battery = $this->battery($in);
        $moved = self::movedMarks($in->inPeriod());
        $since = SinceVisit::of($in);
        $findings = new Findings();
        foreach (array_keys(array_filter([
            'witness-moved' => $moved !== [],
            'not-carried' => $outages->notCarried > 0,
            ...self::onHours($meter),
            'alarm-active' => $alarms['active'] > 0,
            'exercise-missed' => $exercises['missed'] > 0,
            'settings-drift' => $drift !== [],
            ...$fuel === null ? [] : self::onFuel($fuel, $in),
            ...self::onBattery($battery, $in->batteryNominalV),
            'record-gap' => $gaps !== [],
            'no-visit' => $since === null,
            'generic-rate' => $fuel !== null && $in->isGenericFuel,
        ])) as $id) {
            $findings->raise("logbook-summary/$id", ['which' => implode(', ', $moved)], $id === 'witness-moved' ? $moved : []);
        }

        return new CalculationResult([
            'starts' => count($this->runs($in)),
            'hours' => $hours,
            'meter' => ['meter_h' => $meter->meterH, 'claimed_h' => $meter->claimedH, 'unexplained_h' => $meter->unexplainedH],
            'outages' => $outages->toArray(),
            'alarms' => $alarms,
            'fuel' => $fuel?->toArray(),
            'exercises' => $exercises,
            'gaps' => $gaps,
            'settings_drift' => $drift,
            'battery' => $battery,
            'witness_moved' => $moved,
            'services' => $this->services($in),
            'since_visit' => $since?->toArray(),
        ], $findings->worstFirst(), $this->working($hours, $meter)->lines);
    }

    /** @return array<string, bool> by finding */
    private static function onHours(MeterAccount $meter): array
    {
        $unexplained = $meter->unexplainedH ?? 0.0;

        return [
            'hours-unexplained' => Tolerance::exceeds($unexplained, $meter->slackH()),
            'hours-overclaimed' => Tolerance::exceeds(-$unexplained, $meter->slackH()),
            'meter-backwards' => $meter->wentBackwards,
        ];
    }

    /** @return array<string, bool> by finding */
    private static function onFuel(FuelAccount $fuel, LogbookInput $in): array
    {
        $slack = $in->fuelTolerancePct / 100;

        return [
            'fuel-record-wrong' => $fuel->used !== null && $fuel->used < 0,
            'fuel-high' => $fuel->ratio !== null && Tolerance::exceeds($fuel->ratio, 1 + $slack),
            'fuel-low' => $fuel->ratio !== null && $fuel->used >= 0 && Tolerance::isBelow($fuel->ratio, 1 - $slack),
        ];
    }

    /**
     * @param array{rest_last_v: ?float, crank_min_v: ?float, ...} $battery
     *
     * @return array<string, bool> by finding
     */
    private static function onBattery(array $battery, float $nominalV): array
    {
        $isLow = static fn(?float $volts, float $limit): bool => $volts !== null && Tolerance::isBelow($volts * 12 / $nominalV, $limit);

        return [
            'battery-low' => $isLow($battery['rest_last_v'], self::REST_V),
            'crank-low' => $isLow($battery['crank_min_v'], self::CRANK_V),
        ];
    }

    /**
     * @param list<LogEntry> $entries
     *
     * @return list<string> terminals, sorted, each once
     */
    public static function movedMarks(array $entries): array
    {
        $moved = [];
        foreach ($entries as $entry) {
            if ($entry->kind === 'witness' && $entry->isDone) {
                $moved[] = $entry->name;
            }
        }
        $moved = array_values(array_unique($moved));
        sort($moved, SORT_STRING);

        return $moved;
    }

    /** @return list<LogEntry> */
    private function runs(LogbookInput $in): array
    {
        return array_values(array_filter($in->inPeriod(), static fn(LogEntry $one): bool => $one->isRun()));
    }

    /** @return array{exercise: float, test: float, outage: float, total: float} */
    private function hours(LogbookInput $in): array
    {
        $hours = ['exercise' => 0.0, 'test' => 0.0, 'outage' => 0.0];
        foreach ($this->runs($in) as $run) {
            $hours[$run->kind] += $run->runMin / 60;
        }

        return [
            'exercise' => $hours['exercise'], 'test' => $hours['test'], 'outage' => $hours['outage'], 'total' => array_sum($hours),
        ];
    }

    /**
     * @return array{count: int, by_code: list<array{code: string, count: int}>, active: int, mean_h_between: ?float,
     *     mean_run_h_between: ?float}
     */
    private function alarms(LogbookInput $in, float $runH): array
    {
        $alarms = $in->inPeriod('alarm');
        $codes = array_count_values(array_map(static fn(LogEntry $one): string => $one->name, $alarms));
        ksort($codes, SORT_STRING);
        $active = array_filter(
            $in->before(),
            static fn(LogEntry $one): bool => $one->kind === 'alarm' && ($one->end === null || $one->end >= $in->to),
        );
        $count = count($alarms);

        return [
            'count' => $count,
            'by_code' => array_map(
                static fn(string|int $code): array => ['code' => (string) $code, 'count' => $codes[$code]],
                array_keys($codes),
            ),
            'active' => count($active),
            'mean_h_between' => $count === 0 ? null : ($in->to - $in->from) / 3600 / $count,
            'mean_run_h_between' => $count === 0 ? null : $runH / $count,
        ];
    }

    /** @return array{done: int, missed: int, longest_missed_run: int, done_pct: ?float} */
    private function exercises(LogbookInput $in): array
    {
        $done = $missed = $run = $longest = 0;
        foreach ($in->inPeriod('exercise') as $exercise) {
            $done += $exercise->isDone ? 1 : 0;
            $missed += $exercise->isDone ? 0 : 1;
            $run = $exercise->isDone ? 0 : $run + 1;
            $longest = max($longest, $run);
        }
        $all = $done + $missed;

        return [
            'done' => $done, 'missed' => $missed, 'longest_missed_run' => $longest, 'done_pct' => $all === 0 ? null : 100 * $done / $all,
        ];
    }

    /** @return list<array{from: string, to: string, days: float}> */
    private function gaps(LogbookInput $in): array
    {
        $moments = [$in->from, ...array_map(static fn(LogEntry $one): int => $one->at, $in->inPeriod()), $in->to];
        $gaps = [];
        for ($i = 1; $i < count($moments); $i++) {
            $days = ($moments[$i] - $moments[$i - 1]) / Day::S;
            if (Tolerance::exceeds($days, $in->gapDays)) {
                $gaps[] = ['from' => self::instant($moments[$i - 1]), 'to' => self::instant($moments[$i]), 'days' => (float) $days];
            }
        }

        return $gaps;
    }

    /** @return list<array{left_at: string, found_at: string}> */
    private function drift(LogbookInput $in): array
    {
        $drift = [];
        $left = null;
        foreach ($in->before() as $entry) {
            if ($entry->kind !== 'settings') {
                continue;
            }
            if ($entry->state === 'left') {
                $left = $entry;
            } elseif ($left !== null && $entry->at >= $in->from && $left->name !== $entry->name) {
                $drift[] = ['left_at' => self::instant($left->at), 'found_at' => self::instant($entry->at)];
            }
        }

        return $drift;
    }

    /** @return array{rest_first_v: ?float, rest_last_v: ?float, crank_min_v: ?float} */
    private function battery(LogbookInput $in): array
    {
        $first = $last = $crank = null;
        foreach ($in->inPeriod('battery') as $entry) {
            if ($entry->state === 'rest') {
                $first ??= $entry->amount;
                $last = $entry->amount;
            } elseif ($entry->state === 'crank') {
                $crank = min($crank ?? INF, $entry->amount);
            }
        }

        return ['rest_first_v' => $first, 'rest_last_v' => $last, 'crank_min_v' => $crank];
    }

    /** @return list<array{item: string, count: int, last: string}> */
    private function services(LogbookInput $in): array
    {
        $count = $last = [];
        foreach ($in->inPeriod('service') as $entry) {
            foreach ($entry->items as $item) {
                $count[$item] = ($count[$item] ?? 0) + 1;
                $last[$item] = $entry->at;
            }
        }
        ksort($count, SORT_STRING);

        return array_map(static fn(string|int $item): array => [
            'item' => (string) $item, 'count' => $count[$item], 'last' => self::instant($last[$item]),
        ], array_keys($count));
    }

    /** @param array{exercise: float, test: float, outage: float, total: float} $hours */
    private function working(array $hours, MeterAccount $meter): Working
    {
        $working = new Working();
        $working->add(
            'Hours run',
            sprintf('%g exercise + %g test + %g outage', $hours['exercise'], $hours['test'], $hours['outage']),
            $hours['total'],
            'h',
        );
        if ($meter->unexplainedH !== null) {
            $working->add(
                'Hours that nobody wrote down',
                sprintf('%g on the meter - %g in the book', $meter->meterH, $meter->claimedH),
                $meter->unexplainedH,
                'h',
            );
        }

        return $working;
    }

    private static function instant(int $s): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $s);
    }
}
