<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Power\BatteryRuntime;
use Escapement\Core\Power\BatteryRuntimeInput;
use Escapement\Core\Power\CarriedLoads;
use Escapement\Core\Power\JumperLoad;
use Escapement\Core\Power\SingleLegJumper;
use Escapement\Core\Power\SingleLegJumperInput;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Power\StationLoad;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Wiring\CordPiece;
use Escapement\Core\Wiring\MobileCable;
use Escapement\Core\Wiring\MobileCableInput;

/**
 * A vehicle's batteries, jumper and cords as the calculations want them; null while something they need is not known.
 * Needs of the switch: site, plan, loads.
 */
final readonly class MobileFacts
{
    private const FEET_PER_METRE = 1 / 0.3048;
    private const RATED_A = ['30a' => 30.0, '50a' => 50.0];

    /** @var array<string, mixed> */
    public array $kept;
    private bool $is30;

    public function __construct(private TransferSwitch $switch, private PlanFacts $plan)
    {
        $this->kept = $switch->plan->mobile ?? [];
        $this->is30 = $switch->site->installation === InstallationKind::Mobile30;
    }

    /** What was typed on the page of the batteries; the inverter's rating is the survey's while nothing is. */
    public function number(string $key): ?float
    {
        $value = $this->kept[$key] ?? ($key === 'inverter_kw' ? $this->switch->rated_kw[Fuel::Battery->value] ?? null : null);

        return is_numeric($value) ? (float) $value : null;
    }

    /** The load that charges the battery which feeds it. */
    public function charger(): ?LoadItem
    {
        return $this->switch->loads->firstWhere('name', $this->kept['charger'] ?? null);
    }

    /** The batteries as a source; null while the inverter is not known. */
    public function inverter(): ?SourceFigures
    {
        return (new SourceFacts($this->switch, $this->plan->system))->on(Fuel::Battery);
    }

    /** Which loads the inverter carries. */
    public function carried(): ?CarriedLoads
    {
        return $this->plan->carried($this->inverter());
    }

    /** How long the batteries carry the loads that stay on: the charger of the battery and what the plan leaves off are not among them. */
    public function runtime(): ?CalculationResult
    {
        $batteryKwh = $this->number('battery_kwh');
        if ($batteryKwh === null) {
            return null;
        }
        $stations = (int) ($this->number('stations') ?? 1);
        $charger = $this->charger();
        $carried = $this->inverter() === null ? null : $this->carried();
        $loads = $this->switch->loads->filter(static fn(LoadItem $load): bool => $load->name !== $charger?->name
            && ($carried === null || in_array($load->name, $carried->on, true)));

        return (new BatteryRuntime())->answer(new BatteryRuntimeInput(
            $batteryKwh * $stations,
            $this->chemistry(),
            array_values($loads->map(
                static fn(LoadItem $load): StationLoad => new StationLoad((float) $load->kw, (float) $load->duty_pct / 100),
            )->all()),
            continuousKw: $this->number('inverter_kw') === null ? null : $this->number('inverter_kw') * $stations,
            chargerKw: $charger === null ? 0.0 : (float) $charger->kw,
            chargerIsOn: $charger !== null && ! $charger->shed,
            extraKwh: [$batteryKwh, 2 * $batteryKwh],
        ));
    }

    /** @return 'agm'|'lead'|'lfp'|'nmc' */
    private function chemistry(): string
    {
        $said = $this->kept['chemistry'] ?? 'lfp';

        return in_array($said, ['agm', 'lead', 'nmc'], true) ? $said : 'lfp';
    }

    /** One 120 V source into a panel of two legs; nothing to ask with one leg, or from a source of two. */
    public function jumper(): ?CalculationResult
    {
        $kw = $this->number('inverter_kw');
        $amps = $this->number('inverter_a');
        $neutralA = $this->number('feeder_neutral_a');
        if ($this->is30 || $kw === null || $amps === null || $neutralA === null || ($this->kept['jumper'] ?? '0') !== '1') {
            return null;
        }

        $said = $this->kept['maker_allows'] ?? 'unknown';

        return (new SingleLegJumper())->answer(new SingleLegJumperInput(
            in_array($said, ['yes', 'no'], true) ? $said : 'unknown',
            ($this->kept['alternate_ever_240'] ?? '0') === '1',
            $kw,
            $amps,
            $neutralA,
            array_values($this->switch->loads->map(
                fn(LoadItem $load): JumperLoad => new JumperLoad($load->name, (float) $load->kw, $this->plan->connect($load)),
            )->all()),
            $this->plan->system->vLn,
            (float) ($this->switch->site->service_a ?? self::RATED_A['50a']),
        ));
    }

    /** The shore cord as surveyed, at its rated current. */
    public function shoreCord(): ?CalculationResult
    {
        $survey = $this->switch->survey ?? [];

        return isset($survey['cord_m'], $survey['cord_size']) ? $this->cord(
            (string) $survey['cord_size'],
            (float) $survey['cord_m'],
            (float) ($this->switch->site->service_a ?? self::RATED_A[$this->feed()]),
            false,
        ) : null;
    }

    /** The cord of generator or inverter, behind its breaker. */
    public function generatorCord(): ?CalculationResult
    {
        $metres = $this->number('cord_m');
        $breakerA = $this->number('cord_breaker_a');

        return $metres === null || $breakerA === null || ! isset($this->kept['cord_size']) ? null : $this->cord(
            (string) $this->kept['cord_size'],
            $metres,
            $breakerA,
            ($this->kept['jumper'] ?? '0') === '1',
        );
    }

    private function feed(): string
    {
        return $this->is30 ? '30a' : '50a';
    }

    private function cord(string $size, float $metres, float $breakerA, bool $isSingleLeg): CalculationResult
    {
        // behind one pole both legs share what its breaker lets through
        $amps = min($breakerA, self::RATED_A[$this->feed()]) / ($isSingleLeg ? 2 : 1);

        return (new MobileCable())->answer(new MobileCableInput(
            $this->is30,
            $this->plan->system->vLn,
            [new CordPiece($size, $metres * self::FEET_PER_METRE)],
            $this->is30 ? [$amps] : [$amps, $amps],
            $breakerA,
            $isSingleLeg && ! $this->is30,
        ));
    }
}
