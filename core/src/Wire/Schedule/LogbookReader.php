<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Logbook\LogbookInput;
use Escapement\Core\Schedule\Logbook\LogbookSummary;
use Escapement\Core\Schedule\Logbook\LogEntry;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\Power\FuelTableFields;

/** `logbook_summary` on the wire. Rule: docs/rules.md#logbook-summary. */
final class LogbookReader implements InputReader
{
    private const KEYS = ['from', 'to', 'source', 'fuel_tolerance_pct', 'gap_days', 'battery_nominal_v', 'entries'];
    private const KINDS = [
        'hours' => ['hours', 'new_meter_h'],
        'exercise' => ['done', 'run_min', 'kw'],
        'test' => ['run_min', 'kw'],
        'outage' => ['end', 'started', 'transfer_s', 'return_dark_s', 'run_min', 'kw'],
        'alarm' => ['code', 'cleared'],
        'fuel_fill' => ['amount'],
        'fuel_level' => ['amount'],
        'service' => ['items'],
        'settings' => ['when', 'hash'],
        'witness' => ['terminal', 'moved'],
        'battery' => ['v', 'state'],
        'visit' => ['until', 'by'],
    ];

    /** @var list<\Closure(): void> rules between the fields of an entry */
    private array $later = [];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new LogbookSummary())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): LogbookInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $from = ScheduleFields::instant($in, 'from');
        $to = ScheduleFields::instant($in, 'to');
        $source = $in->maybeObject('source')?->only(['fuel', 'rated_kw', 'table', 'table_unit']);
        $fuel = $source?->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        $ratedKw = $source?->np('rated_kw') ?? 1.0;
        $table = $source === null ? null : FuelTableFields::read($source);
        $tolerance = $in->number('fuel_tolerance_pct', 0, 500, 25.0);
        $gapDays = $in->np('gap_days', 35.0);
        $volts = ScheduleFields::nominalV($in, 'battery_nominal_v');
        $entries = [];
        foreach ($in->list('entries', 0, 20_000) as $item) {
            $entries[] = $this->entry(new Fields($item));
        }
        if ($to <= $from) {
            throw $in->at('to')->bad('The end comes after the beginning.');
        }
        if ($table !== null && $fuel !== null) {
            $table->check($fuel);
        }
        foreach ($this->later as $rule) {
            $rule();
        }

        $use = $fuel === null ? null : $table?->use($fuel, $ratedKw);

        return new LogbookInput(
            $from,
            $to,
            self::sorted($in, $entries),
            $use,
            $ratedKw,
            $fuel === 'natural_gas',
            $use !== null && $use->isGeneric,
            $tolerance,
            $gapDays,
            $volts,
        );
    }

    /**
     * @param list<LogEntry> $entries
     *
     * @return list<LogEntry>
     */
    private static function sorted(Fields $in, array $entries): array
    {
        $order = array_keys($entries);
        usort($order, static fn(int $a, int $b): int => [$entries[$a]->at, $a] <=> [$entries[$b]->at, $b]);
        $until = null;
        foreach ($order as $i) {
            $entry = $entries[$i];
            if ($entry->kind !== 'outage') {
                continue;
            }
            if ($until !== null && $entry->at < $until) {
                throw $in->at('entries')->at($i, null)->at('at', null)->bad('An outage begins when the one before it is over.');
            }
            $until = $entry->end;
        }

        return array_map(static fn(int $i): LogEntry => $entries[$i], $order);
    }

    private function entry(Fields $in): LogEntry
    {
        $kind = $in->oneOf('kind', array_keys(self::KINDS));
        $in->only(['at', 'kind', ...self::KINDS[$kind]]);
        $at = ScheduleFields::instant($in, 'at');

        return match ($kind) {
            'hours' => new LogEntry($at, $kind, amount: $in->n0('hours'), newMeterH: $in->maybeN0('new_meter_h')),
            'exercise' => $this->exercise($in, $at),
            'test' => new LogEntry($at, $kind, runMin: $in->n0('run_min'), kw: $in->n0('kw', 0.0)),
            'outage' => $this->outage($in, $at),
            'alarm' => $this->alarm($in, $at),
            'service' => new LogEntry($at, $kind, items: array_map(
                static fn(Node $one): string => $one->text(),
                $in->list('items', 1, 60),
            )),
            'settings' => new LogEntry($at, $kind, state: $in->oneOf('when', ['found', 'left']), name: $in->text('hash')),
            'witness' => new LogEntry($at, $kind, name: $in->text('terminal'), isDone: $in->bool('moved')),
            'battery' => new LogEntry(
                $at,
                $kind,
                amount: $in->n0('v'),
                state: $in->oneOf('state', ['rest', 'crank', 'charging'], 'rest'),
            ),
            'visit' => $this->visit($in, $at),
            default => new LogEntry($at, $kind, amount: $in->n0('amount')),
        };
    }

    private function exercise(Fields $in, int $at): LogEntry
    {
        $entry = new LogEntry($at, 'exercise', isDone: $in->bool('done'), runMin: $in->n0('run_min', 0.0), kw: $in->n0('kw', 0.0));
        $this->later[] = static function () use ($in, $entry): void {
            if (! $entry->isDone && $entry->runMin > 0) {
                throw $in->at('run_min')->bad('What was not done did not run.');
            }
        };

        return $entry;
    }

    private function outage(Fields $in, int $at): LogEntry
    {
        $end = ScheduleFields::instant($in, 'end');
        $isStarted = $in->bool('started', true);
        $transferS = $in->maybeN0('transfer_s');
        $returnS = $in->n0('return_dark_s', 0.0);
        $runMin = $in->n0('run_min', max(0, $end - $at) / 60);
        $this->demandOrder($in, 'end', $at, $end);

        return new LogEntry($at, 'outage', $end, isDone: $isStarted, runMin: $runMin, kw: $in->n0(
            'kw',
            0.0,
        ), transferS: $transferS, returnDarkS: $returnS);
    }

    private function alarm(Fields $in, int $at): LogEntry
    {
        $code = $in->text('code');
        $cleared = ScheduleFields::maybeInstant($in, 'cleared');
        $this->demandOrder($in, 'cleared', $at, $cleared);

        return new LogEntry($at, 'alarm', $cleared, name: $code);
    }

    private function visit(Fields $in, int $at): LogEntry
    {
        $until = ScheduleFields::instant($in, 'until');
        $this->demandOrder($in, 'until', $at, $until);

        return new LogEntry($at, 'visit', $until, name: $in->text('by'));
    }

    private function demandOrder(Fields $in, string $key, int $at, ?int $end): void
    {
        $this->later[] = static function () use ($in, $key, $at, $end): void {
            if ($end !== null && $end < $at) {
                throw $in->at($key)->bad('It does not end before it begins.');
            }
        };
    }
}
