<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Planning\Labour;
use Escapement\Core\Power\Demand\CalculatedInput;
use Escapement\Core\Power\Demand\Demand;
use Escapement\Core\Power\Demand\DemandInput;
use Escapement\Core\Power\Demand\DemandResult;
use Escapement\Core\Power\Demand\Hvac;
use Escapement\Core\Power\Demand\MeasuredInput;
use Escapement\Core\Power\Fuel\FuelInput;
use Escapement\Core\Power\Fuel\FuelRun;
use Escapement\Core\Power\Fuel\Tank;
use Escapement\Core\Power\Restart\RestartLoad;
use Escapement\Core\Power\Restart\StepSequence;
use Escapement\Core\Power\Restart\StepSequenceInput;
use Escapement\Core\Settings\Fuel as FuelKind;

/**
 * What is weighed when it is decided what is carried: demand by both schools, fuel, dips, hours. Needs of the switch:
 * site, loads, plan.
 */
final readonly class DecideFacts
{
    private const BOUNDLESS_KW = 1e6;
    private const MOST_DIP_PCT = 60.0;
    private const APPLIANCE_KW = 1.0;
    private const SQUARE_FEET_PER_SQUARE_METRE = 10.763_910_4;
    private const LEAST_DAYS = 30;

    public function __construct(private PlanFacts $plan) {}

    /** By floor area and appliances, by the measured peak, or both; null while neither is known. */
    public function demand(): ?DemandResult
    {
        $areaM2 = $this->plan->number('floor_area_m2');
        $peakKw = $this->plan->number('measured_peak_kw');
        if ($areaM2 === null && $peakKw === null || $this->plan->system->name === 'three') {
            return null;
        }
        $loads = $this->plan->switch->loads;
        $kw = static fn(LoadItem $load): float => (float) $load->kw;
        $appliances = $loads->filter(static fn(LoadItem $load): bool => ! $load->compressor && (float) $load->kw >= self::APPLIANCE_KW);
        $cooling = (float) $loads->filter(static fn(LoadItem $load): bool => $load->compressor)->sum($kw);

        $calculated = $areaM2 === null ? null : new CalculatedInput(
            floorAreaFt2: $areaM2 * self::SQUARE_FEET_PER_SQUARE_METRE,
            appliances: array_values($appliances->map($kw)->all()),
            hvac: new Hvac(coolingKva: $cooling),
        );
        $measured = $peakKw === null ? null : new MeasuredInput(
            $peakKw,
            periodDays: (int) ($this->plan->number('measured_days') ?? self::LEAST_DAYS),
            includesHvac: $this->plan->flag('measured_hvac', false),
        );

        return (new Demand())->judge(new DemandInput($this->plan->system, $calculated, $measured));
    }

    /** Demand that the sizing may count with, when the technician says so and can defend it. */
    public function demandKw(): ?float
    {
        return $this->plan->flag('use_demand', false) ? $this->demand()?->designKva : null;
    }

    /** How long the tank of the survey lasts under a load, and what it burns; null where gas is piped or nothing is known. */
    public function fuel(float $loadKw): ?CalculationResult
    {
        $fuel = $this->plan->switch->fuel;

        return $fuel === null ? null : $this->fuelOn($fuel, $loadKw);
    }

    public function fuelOn(FuelKind $fuel, float $loadKw): ?CalculationResult
    {
        $switch = $this->plan->switch;
        $ratedKw = $switch->rated_kw[$fuel->value] ?? null;
        if ($ratedKw === null || $fuel === FuelKind::Battery || $loadKw <= 0) {
            return null;
        }
        $tankGal = $switch->survey['tank_gal'] ?? null;
        $pct = $switch->survey['tank_pct'] ?? null;

        $tank = is_numeric($tankGal) && $fuel !== FuelKind::NaturalGas
            ? new Tank($fuel->value, (float) $tankGal, is_numeric($pct) ? (float) $pct : null)
            : null;

        return (new FuelRun())->answer(new FuelInput($fuel->value, (float) $ratedKw, $loadKw, tank: $tank));
    }

    /** @param callable(LoadItem): bool $isCarried */
    public function worstDipPct(callable $isCarried, float $kKva): float
    {
        $loads = $this->plan->switch->loads->filter($isCarried);
        $answer = (new StepSequence())->answer(new StepSequenceInput(
            self::BOUNDLESS_KW,
            $kKva,
            array_values($loads->map(
                static fn(LoadItem $load): RestartLoad => new RestartLoad($load->name, (float) $load->kw, (float) $load->start_kva),
            )->all()),
            dipLimitPct: self::MOST_DIP_PCT,
        ));
        $worst = $answer->values['worst_dip_pct'];

        return is_numeric($worst) ? (float) $worst : 0.0;
    }

    /** @return array{whole: float, managed: float, essential: float} */
    public function labour(): array
    {
        $loads = $this->plan->switch->loads;

        return Labour::more(
            $loads->filter(static fn(LoadItem $load): bool => $load->essential || $load->must_run)->count(),
            $loads->filter(static fn(LoadItem $load): bool => $load->shed)->count(),
        );
    }
}
