<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use Escapement\Core\Calc\Answer;
use Escapement\Core\Power\ShedPlan;
use Escapement\Core\Power\Sizing;
use Escapement\Core\Power\SourceRating;
use Escapement\Core\Power\StepSequence;
use Escapement\Core\Power\System;
use Escapement\Core\Template\PlanLoad;
use Escapement\Core\Template\SitePlan;
use Escapement\Core\Template\SubPanel;
use Escapement\Core\Wire\Node;

/** A surveyed switch and its plan as the core's calculations want them. Needs of the switch: site, loads. */
final readonly class PlanFacts
{
    private const FEET_PER_METRE = 1 / 0.3048;
    private const USUAL_C = 35;
    private const GENERIC_REACTANCE = 0.25;
    /** What lamps and electronics bear while a motor starts. */
    public const DIP_LIMIT_PCT = 20;

    public SitePlan $plan;
    public System $system;

    public function __construct(public TransferSwitch $switch, public ?Plan $kept)
    {
        $source = (new SwitchFacts($switch))->plant->normal;
        $this->system = System::of(match ($source->phases) {
            1 => 'single',
            2 => 'split',
            default => 'three',
        }, (float) $source->nominalV);
        $this->plan = new SitePlan(
            $switch->site->installation,
            $this->system->name,
            $this->system->vLn,
            $switch->site->service_a,
            $switch->rating_a,
            $switch->service_rated,
            $switch->poles === null ? null : max(2, min(4, $switch->poles)),
            $this->flag('neutral_switched', false),
            $this->number('generator_breaker_a'),
            $this->flag('generator_bonded', true),
            $this->flag('panel_bonded', true),
            (int) $this->number('grounds_on_neutral_bar'),
            (int) $this->number('ground_bar_free'),
            $this->number('fault_ka'),
            $this->number('withstand_ka'),
            array_values($switch->loads->map(fn(LoadItem $load): PlanLoad => new PlanLoad($load->name, (float) $load->kw, $this->connect($load), $load->must_run || $load->essential, $load->panel))->all()),
            self::subPanels($kept->facts['panels'] ?? []),
        );
    }

    /**
     * @param list<array<string, mixed>> $kept
     *
     * @return list<SubPanel>
     */
    private static function subPanels(array $kept): array
    {
        return array_map(static fn(array $one): SubPanel => new SubPanel((string) $one['id'], (string) $one['name'], (string) $one['from'], (int) $one['breaker_a'], (bool) ($one['bonded'] ?? false)), $kept);
    }

    public function number(string $key): ?float
    {
        $value = $this->kept->facts[$key] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    public function flag(string $key, bool $default): bool
    {
        return (bool) ($this->kept->facts[$key] ?? $default);
    }

    public function connect(LoadItem $load): string
    {
        return in_array($load->connect, $this->system->connections(), true) ? $load->connect : $this->system->connections()[0];
    }

    /** What the generator gives here; null while fuel or rating is not known. */
    public function rating(): ?Answer
    {
        $kw = $this->switch->fuel === null ? null : ($this->switch->rated_kw[$this->switch->fuel->value] ?? null);
        if ($kw === null || $this->switch->fuel === null) {
            return null;
        }

        return (new SourceRating())->answer(Node::fromArray([
            'kind' => 'generator', 'system' => $this->system->name, 'v_ln_v' => $this->system->vLn,
            'generator' => array_filter([
                'fuel' => $this->switch->fuel->value, 'ratings_kw' => $this->switch->rated_kw, 'breaker_a' => $this->number('generator_breaker_a'), 'load_pf' => 0.95,
                'altitude_ft' => $this->switch->site->altitude_m === null ? null : round((float) $this->switch->site->altitude_m * self::FEET_PER_METRE),
                'temp_c' => $this->number('design_c') ?? self::USUAL_C,
            ], static fn(mixed $value): bool => $value !== null),
        ]));
    }

    /** The three ways to carry the load, one beside the other. */
    public function sizing(float $usableKw, float $usableKva, ?float $demandKw = null): ?Answer
    {
        $loads = array_values($this->switch->loads->map(fn(LoadItem $load): array => [
            'id' => $load->name, 'kw' => (float) $load->kw, 'connect' => $this->connect($load), 'essential' => $load->essential || $load->must_run, 'managed' => $load->shed, 'must_run' => $load->must_run,
        ])->all());

        return $loads === [] || $usableKw <= 0 ? null : (new Sizing())->answer(Node::fromArray([
            'system' => $this->system->name, 'v_ln_v' => $this->system->vLn, 'usable_kw' => $usableKw, 'usable_kva' => $usableKva, 'loads' => $loads, 'load_management' => true,
        ] + ($demandKw === null ? [] : ['demand_kw' => $demandKw]) + ($this->kept?->choice === null ? [] : ['choice' => $this->kept->choice])));
    }

    /** @param ?string $charger the load that charges the battery which feeds it; only asked for an inverter */
    public function shedPlan(float $usableKw, float $legA, ?string $charger = null, bool $isInverter = false): Answer
    {
        return (new ShedPlan())->answer(Node::fromArray([
            'system' => $this->system->name, 'v_ln_v' => $this->system->vLn, 'usable_kw' => $usableKw, 'leg_limit_a' => array_fill(0, $this->system->legs(), $legA), 'source' => $isInverter ? 'inverter' : 'generator',
            'loads' => array_values($this->switch->loads->map(fn(LoadItem $load): array => ['id' => $load->name, 'kw' => (float) $load->kw, 'connect' => $this->connect($load), 'priority' => $load->priority, 'must_run' => $load->must_run]
                + ($load->name === $charger ? ['charges_source_battery' => true] : []))->all()),
        ]));
    }

    /** In which order the shed loads come back after a transfer. */
    public function restart(float $usableKw, float $ratedKva, float $firstStepS = 10, float $stepS = 10): Answer
    {
        $shed = $this->switch->loads->filter(static fn(LoadItem $load): bool => $load->shed);

        return (new StepSequence())->answer(Node::fromArray([
            'usable_kw' => $usableKw, 'first_step_s' => $firstStepS, 'step_s' => $stepS, 'dip_limit_pct' => self::DIP_LIMIT_PCT, 'k_kva' => self::stiffnessKva($ratedKva),
            'base_kw' => (float) $this->switch->loads->reject(static fn(LoadItem $load): bool => $load->shed)->sum(static fn(LoadItem $load): float => (float) $load->kw),
            'loads' => array_values($shed->map(static fn(LoadItem $load): array => [
                'id' => $load->name, 'kw' => (float) $load->kw, 'start_kva' => (float) $load->start_kva, 'priority' => $load->priority, 'compressor' => $load->compressor,
            ])->all()),
        ]));
    }

    /** The start that just dips to the limit: dip = 100·s ÷ (s + k). */
    public static function startLimitKva(float $ratedKva): float
    {
        return self::stiffnessKva($ratedKva) * self::DIP_LIMIT_PCT / (100 - self::DIP_LIMIT_PCT);
    }

    /** What the machine sets against a start, with a generic reactance: to be confirmed with the maker's figures. */
    public static function stiffnessKva(float $ratedKva): float
    {
        return $ratedKva / self::GENERIC_REACTANCE;
    }
}
