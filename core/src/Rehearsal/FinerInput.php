<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Units;

/** Whether a scenario has figures finer than the fixed units of the simulation; they are rounded half to even, and a note says so. */
final readonly class FinerInput
{
    private const MOST_NAMED = 5;

    public static function finding(Scenario $scenario): ?Finding
    {
        $names = [...self::ofSources($scenario), ...self::ofScript($scenario), ...self::ofLoads($scenario)];
        if ($names === []) {
            return null;
        }
        $more = count($names) > self::MOST_NAMED ? ' …' : '';

        return Register::finding('finer-than-computed', ['names' => implode(', ', array_slice($names, 0, self::MOST_NAMED)) . $more]);
    }

    /** @return list<string> JSON Pointers */
    private static function ofSources(Scenario $scenario): array
    {
        $names = [];
        foreach (Side::cases() as $side) {
            $source = $scenario->plant->source($side);
            $sensing = $scenario->settings->sensing($side);
            $limits = [
                'under_voltage' => $sensing->underVoltage,
                'over_voltage' => $sensing->overVoltage,
                'under_frequency' => $sensing->underFrequency,
                'over_frequency' => $sensing->overFrequency, 'unbalance' => $sensing->unbalance,
            ];
            foreach (['nominal_v' => $source->nominalV, 'nominal_hz' => $source->nominalHz] as $key => $value) {
                $names[] = Units::isFinerSignal($value) ? "/system/sources/$side->value/$key" : '';
            }
            foreach (array_filter($limits) as $key => $limit) {
                $isFiner = Units::isFinerPercent($limit->dropoutPct) || Units::isFinerPercent($limit->pickupPct);
                $names[] = $isFiner ? "/settings/sensing/$side->value/$key" : '';
            }
        }

        return array_values(array_filter($names));
    }

    /** @return list<string> JSON Pointers */
    private static function ofScript(Scenario $scenario): array
    {
        $names = [];
        foreach ($scenario->events as $i => $event) {
            $isFiner = array_filter([...$event->v ?? [], $event->hz ?? 0], Units::isFinerSignal(...)) !== [];
            if ($isFiner || Units::isFinerKilowatt($event->kw)) {
                $names[] = "/events/$i";
            }
        }

        return $names;
    }

    /** @return list<string> JSON Pointers */
    private static function ofLoads(Scenario $scenario): array
    {
        $names = [];
        foreach ($scenario->loads as $i => $load) {
            if (Units::isFinerKilowatt($load->kw)) {
                $names[] = "/loads/$i/kw";
            }
        }
        if (Units::isFinerKilowatt($scenario->settings->loadShed->limitKw ?? 0)) {
            $names[] = '/settings/load_shed/limit_kw';
        }

        return $names;
    }
}
