<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\LoadTestPlan;
use Escapement\Core\LoadTest\LoadTestPlanInput;
use Escapement\Core\Power\Fuel\FuelUse;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\Power\FuelTableFields;
use Escapement\Core\Wire\ResultWriter;

/** `load_test_plan` on the wire. Rule: docs/rules.md#load-test-plan. */
final readonly class LoadTestPlanReader implements InputReader
{
    private const MOST_READINGS = 20_000;
    private const KEYS = [
        'profile', 'steps', 'class_min', 'nameplate_kw', 'basis', 'usable_kw', 'fuel', 'building_kw', 'use_building', 'bank_elements_kw',
        'bank_side', 'auto_drop', 'cold_start', 'monthly_met', 'reading_interval_min', 'warmup_min', 'cooldown_min', 'fuel_table',
        'fuel_table_unit', 'fuel_available',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $written = ResultWriter::write((new LoadTestPlan())->plan($this->input($node)));

        return array_combine(str_replace('readings', 'readings_t_s', array_keys($written)), $written);
    }

    /** @throws BadInput */
    public function input(Node $node): LoadTestPlanInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $rules = new LaterRules();
        $fields = new TestBaseFields($in, $rules);
        $nameplateKw = $in->np('nameplate_kw');
        $basis = $fields->basis();
        $usableKw = $in->np('usable_kw', $nameplateKw);
        $fuel = $fields->fuel();
        $base = $fields->base($fuel, $nameplateKw, $basis, $usableKw);
        $buildingKw = $in->n0('building_kw', 0.0);
        $usesBuilding = $in->bool('use_building', true);
        $elements = array_map(
            static fn(Node $one): float => (float) $one->number(0.001, 1e5),
            $in->maybeList('bank_elements_kw', 0, 20) ?? [],
        );
        $isOnLoad = $in->oneOf('bank_side', ['generator', 'load'], 'load') === 'load';
        $dropsBank = $in->bool('auto_drop', false);
        $isCold = $in->bool('cold_start', false);
        $isMonthlyMet = $in->bool('monthly_met', false);
        $every = $in->maybeNp('reading_interval_min');
        $warmup = $in->n0('warmup_min', $isCold ? 0.0 : 5.0);
        $cooldown = $in->n0('cooldown_min', 5.0);
        $table = FuelTableFields::read($in, 'fuel_table');
        $available = $in->maybeN0('fuel_available');
        $use = $table->use($fuel, $nameplateKw);
        $input = new LoadTestPlanInput(
            $base,
            $buildingKw,
            $usesBuilding,
            $elements,
            $isOnLoad,
            $dropsBank,
            $isCold,
            $isMonthlyMet,
            $every,
            $warmup,
            $cooldown,
            $use,
            self::unit($use),
            $available,
        );
        $rules->add(static fn() => self::demandFewReadings($in, $input));
        $rules->add(static fn() => $table->check($fuel));
        $rules->check();

        return $input;
    }

    /** @throws BadInput */
    private static function demandFewReadings(Fields $in, LoadTestPlanInput $input): void
    {
        $profile = $input->base->profile;
        $least = $input->readEveryMin ?? min($profile->readEveryMin(), $profile->readEarlyMin() ?? INF);
        if ($input->totalMin() / $least > self::MOST_READINGS) {
            throw $in->at('reading_interval_min')->bad('That is more than ' . self::MOST_READINGS . ' readings.');
        }
    }

    private static function unit(FuelUse $use): string
    {
        return str_replace(['btuh', '_h'], ['btu', ''], $use->unit);
    }
}
