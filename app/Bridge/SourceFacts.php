<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\Rating\GeneratorRating;
use Escapement\Core\Power\Rating\GeneratorRatingInput;
use Escapement\Core\Power\Rating\InverterRating;
use Escapement\Core\Power\Rating\InverterRatingInput;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Settings\Fuel;

/**
 * What the source of a switch gives at its site: the one figure that plan, settings, rehearsal and procedure count with. Needs of the
 * switch: site, plan, loads.
 */
final readonly class SourceFacts
{
    private const FEET_PER_METRE = 1 / 0.3048;
    private const USUAL_C = 35.0;
    private const LOAD_PF = 0.95;
    private const HIGH_VOLTS = 200.0;

    public function __construct(private TransferSwitch $switch, private LegSystem $system) {}

    public static function systemOf(TransferSwitch $switch): LegSystem
    {
        $source = (new SwitchFacts($switch))->plant->normal;

        return LegSystem::of(match ($source->phases) {
            1 => 'single',
            2 => 'split',
            default => 'three',
        }, (float) $source->nominalV);
    }

    /** On the fuel of the survey; null while fuel or rating is not known, or with two supplies. */
    public function figures(): ?SourceFigures
    {
        return $this->switch->fuel === null ? null : $this->on($this->switch->fuel);
    }

    /** On another fuel or source that takes turns at the same switch. */
    public function on(Fuel $fuel): ?SourceFigures
    {
        $kw = $this->switch->rated_kw[$fuel->value] ?? null;
        if (! $this->switch->site->installation->hasGenerator()) {
            return null;
        }

        return $fuel === Fuel::Battery ? $this->inverter($kw) : ($kw === null ? null : $this->generator($fuel, (float) $kw));
    }

    private function generator(Fuel $fuel, float $kw): SourceFigures
    {
        $altitudeM = $this->switch->site->altitude_m;

        return SourceFigures::ofGenerator((new GeneratorRating())->answer(new GeneratorRatingInput(
            $this->system,
            $fuel->value,
            [$fuel->value => $kw] + array_map(floatval(...), array_diff_key($this->switch->rated_kw, [Fuel::Battery->value => true])),
            altitudeFt: $altitudeM === null ? 0.0 : round((float) $altitudeM * self::FEET_PER_METRE),
            tempC: $this->planned('design_c') ?? self::USUAL_C,
            loadPf: self::LOAD_PF,
            breakerA: $this->planned('generator_breaker_a'),
        )), $this->system);
    }

    /** Battery stations, each with an inverter; the plan's own figure for one goes before the survey's. */
    private function inverter(mixed $surveyedKw): ?SourceFigures
    {
        $mobile = $this->switch->plan->mobile ?? [];
        $number = static fn(string $key): ?float => is_numeric($mobile[$key] ?? null) ? (float) $mobile[$key] : null;
        $eachKw = $number('inverter_kw') ?? (is_numeric($surveyedKw) ? (float) $surveyedKw : null);
        if ($eachKw === null || $eachKw <= 0) {
            return null;
        }
        $isSingle = $this->system->legs() === 1 || ($mobile['jumper'] ?? '0') === '1'
            || ($this->switch->survey['selector'] ?? null) === 'single';
        $output = match (true) {
            ! $isSingle => 'split_240',
            $this->system->vLn > self::HIGH_VOLTS => 'single_230',
            default => 'single_120',
        };

        return SourceFigures::ofInverter((new InverterRating())->answer(new InverterRatingInput(
            $this->system->vLn,
            $eachKw,
            batteryKwh: $number('battery_kwh') ?? 0.0,
            count: (int) ($number('stations') ?? 1),
            output: $output,
            outletA: $number('inverter_a'),
        )), $this->system, ($mobile['jumper'] ?? '0') === '1');
    }

    private function planned(string $key): ?float
    {
        $value = $this->switch->plan->facts[$key] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    /** @return list<Fuel> of the other sources that take turns at the inlet of a vehicle: each with a rating */
    public function alternatives(): array
    {
        if ($this->switch->site->installation !== InstallationKind::Mobile50) {
            return [];
        }

        return array_values(array_filter(
            Fuel::cases(),
            fn(Fuel $fuel): bool => $fuel !== $this->switch->fuel && $this->on($fuel) !== null,
        ));
    }
}
