<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Service\HourReading;
use Escapement\Core\Schedule\Service\ServiceDue;
use Escapement\Core\Schedule\Service\ServiceEntry;
use Escapement\Core\Schedule\Service\ServiceInput;
use Escapement\Core\Schedule\Service\ServiceItem;
use Escapement\Core\Wire\InputReader;

/** `service_due` on the wire. Rule: docs/rules.md#service-due. */
final readonly class ServiceDueReader implements InputReader
{
    private const KEYS = [
        'today', 'installed', 'cooling', 'fuel', 'use_generic', 'items', 'readings', 'history', 'exercise_h_per_year', 'outage_h_per_year',
        'average_days', 'soon_days', 'soon_h', 'combine_days', 'horizon_days', 'gap_days',
    ];
    private const ITEM = ['id', 'hours', 'months', 'first_hours', 'first_months', 'minutes', 'skill', 'off'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new ServiceDue())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): ServiceInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $today = ScheduleFields::day($in, 'today');
        $installed = ScheduleFields::day($in, 'installed');
        $isLiquid = $in->oneOf('cooling', ['air', 'liquid'], 'air') === 'liquid';
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel'], 'lp');
        $items = $in->bool('use_generic', true) ? ServiceItem::generic($isLiquid, $fuel) : [];
        $typed = $in->each('items', 0, 60, static fn(Fields $one): array => self::item($one, $items));
        $readings = $in->each('readings', 0, 5000, self::reading(...));
        $history = $in->each('history', 0, 5000, self::entry(...));
        $input = [
            $in->n0('exercise_h_per_year', 0.0), $in->n0('outage_h_per_year', 0.0), $in->int('average_days', 30, 1095, 365),
            $in->int('soon_days', 0, 365, 30), $in->n0('soon_h', 10.0), $in->int('combine_days', 0, 365, 45),
            $in->int('horizon_days', 0, 1095, 365), $in->int('gap_days', 1, 1095, 100),
        ];
        if ($installed > $today) {
            throw $in->at('installed')->bad('It was not installed in the future.');
        }
        foreach ($typed as $i => [$item, $isOff]) {
            if ($isOff) {
                unset($items[$item->id]);
            } elseif ($item->hours === null && $item->months === null) {
                throw $in->at('items')->at($i, null)->bad('Give hours, months or both, or take the item off.');
            } else {
                $items[$item->id] = $item;
            }
        }
        self::judgeReadings($in, $readings, $installed, $today);
        self::judgeHistory($in, $history, $items, $installed, $today);

        return new ServiceInput($today, $installed, $items, $readings, $history, ...$input);
    }

    /**
     * @param array<string, ServiceItem> $generic
     *
     * @return array{ServiceItem, bool} the item, and whether it is off
     */
    private static function item(Fields $in, array $generic): array
    {
        $in->only(self::ITEM);
        $id = $in->text('id');
        $usual = $generic[$id] ?? null;
        $item = new ServiceItem(
            $id,
            false,
            $in->maybeNp('hours'),
            $in->maybeInt('months', 1, 240),
            $in->maybeNp('first_hours'),
            $in->maybeInt('first_months', 1, 240),
            $in->n0('minutes', $usual->minutes ?? ServiceItem::USUAL_MINUTES),
            $in->maybeText('skill') ?? $usual?->skill,
        );

        return [$item, $in->bool('off', false)];
    }

    private static function reading(Fields $in): HourReading
    {
        $in->only(['date', 'hours', 'new_meter_h']);

        return new HourReading(ScheduleFields::day($in, 'date'), $in->n0('hours'), $in->maybeN0('new_meter_h'));
    }

    private static function entry(Fields $in): ServiceEntry
    {
        $in->only(['item', 'date', 'engine_h']);

        return new ServiceEntry($in->text('item'), ScheduleFields::day($in, 'date'), $in->maybeN0('engine_h'));
    }

    /** @param list<HourReading> $readings */
    private static function judgeReadings(Fields $in, array $readings, int $installed, int $today): void
    {
        foreach ($readings as $i => $reading) {
            if ($reading->day < ($readings[$i - 1]->day ?? $installed) || $reading->day > $today) {
                throw self::dateOf($in, 'readings', $i)->bad('Readings stand in the order of their days, from installation to today.');
            }
        }
    }

    /**
     * @param list<ServiceEntry>         $history
     * @param array<string, ServiceItem> $items
     */
    private static function judgeHistory(Fields $in, array $history, array $items, int $installed, int $today): void
    {
        foreach ($history as $i => $entry) {
            if (! isset($items[$entry->item])) {
                throw $in->at('history')->at($i, null)->at('item', null)->bad('This is no item in force here.');
            }
            if ($entry->day < $installed || $entry->day > $today) {
                throw self::dateOf($in, 'history', $i)->bad('It was done between the installation and today.');
            }
        }
    }

    private static function dateOf(Fields $in, string $list, int $place): Node
    {
        return $in->at($list)->at($place, null)->at('date', null);
    }
}
