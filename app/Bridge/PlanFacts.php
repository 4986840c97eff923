<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Planning\Declared;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Planning\SiteFaults;
use Escapement\Core\Planning\SiteFeeders;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Planning\SubPanel;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Power\CarriedLoads;
use Escapement\Core\Power\LegAssignment;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Power\Motor\StartSource;
use Escapement\Core\Power\Restart\RestartLoad;
use Escapement\Core\Power\Restart\StepSequence;
use Escapement\Core\Power\Restart\StepSequenceInput;
use Escapement\Core\Power\Sizing\Sizing;
use Escapement\Core\Power\Sizing\SizingInput;
use Escapement\Core\Power\Sizing\SizingLimits;
use Escapement\Core\Power\Sizing\SizingLoad;
use Escapement\Core\Power\Sizing\SizingResult;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Settings\Fuel;

/** A surveyed switch and its plan as the core's calculations want them. Needs of the switch: site, loads. */
final readonly class PlanFacts
{
    /** The dip at which contactors and engines no longer hold: a load that starts harder never comes back by itself. */
    public const DIP_LIMIT_PCT = StepSequence::DIP_LIMIT_PCT;

    public SitePlan $plan;
    public LegSystem $system;
    public LegAssignment $legs;
    public ?SourceFigures $source;
    public SiteFaults $faults;

    public function __construct(public TransferSwitch $switch, public ?Plan $kept)
    {
        $this->system = SourceFacts::systemOf($switch);
        $this->source = (new SourceFacts($switch, $this->system))->figures();
        $this->legs = new LegAssignment($this->system, array_values($switch->loads->map(
            static fn(LoadItem $load): array => ['id' => $load->name, 'kw' => (float) $load->kw, 'connect' => $load->connect],
        )->all()));
        $survey = $switch->survey ?? [];
        $plan = new SitePlan(new SitePlanInput(
            $switch->site->installation,
            $this->system->name,
            $this->system->vLn,
            $switch->site->service_a,
            $switch->rating_a,
            $switch->service_rated,
            $switch->poles,
            $this->fact('neutral_switched'),
            $switch->fuel === Fuel::Battery,
            $this->number('generator_breaker_a'),
            $this->source?->legA,
            $this->source?->ocpdA,
            $this->fact('generator_bonded'),
            $this->fact('panel_bonded'),
            $this->fact('service_bonded'),
            is_string($survey['electrode'] ?? null) ? $survey['electrode'] : null,
            Upstream::tryFrom(is_string($survey['upstream'] ?? null) ? $survey['upstream'] : ''),
            (int) $this->number('grounds_on_neutral_bar'),
            (int) $this->number('ground_bar_free'),
            $this->number('fault_ka'),
            $this->number('withstand_ka'),
            array_values($switch->loads->map(
                fn(LoadItem $load): PlanLoad => new PlanLoad(
                    $load->name,
                    (float) $load->kw,
                    $this->connect($load),
                    $load->must_run || $load->essential,
                    $load->panel,
                ),
            )->all()),
            self::subPanels($kept->facts['panels'] ?? []),
            new Declared($switch->site->installation, $survey),
        ));
        $this->faults = new SiteFaults($plan, (new FaultFacts($kept, $this->system, $this->source))->figures());
        $this->plan = $plan->withFaults($this->faults);
    }

    /**
     * @return list<LoadItem> that the transfer switch carries: on essential circuits and plug-in boxes the others stay on the main panel
     */
    public function transferred(): array
    {
        $loads = array_values($this->switch->loads->all());

        return array_values(array_filter($loads, fn(LoadItem $load): bool => $this->isTransferred($load)));
    }

    public function isTransferred(LoadItem $load): bool
    {
        $place = (int) $this->switch->loads->search(static fn(LoadItem $one): bool => $one->is($load));

        return $this->plan->isTransferred($place, $this->plan->in->loads[$place]);
    }

    public function bonding(): SiteBonding
    {
        return new SiteBonding($this->plan);
    }

    public function feeders(): SiteFeeders
    {
        return new SiteFeeders($this->plan);
    }

    /**
     * @param list<array<string, mixed>> $kept
     *
     * @return list<SubPanel>
     */
    private static function subPanels(array $kept): array
    {
        return array_map(static fn(array $one): SubPanel => new SubPanel(
            (string) $one['id'],
            (string) $one['name'],
            (string) $one['from'],
            (int) $one['breaker_a'],
            isset($one['bonded']) ? (bool) $one['bonded'] : null,
        ), $kept);
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

    /** What was seen; null: nobody has looked. */
    public function fact(string $key): ?bool
    {
        $value = $this->kept->facts[$key] ?? null;

        return $value === null ? null : (bool) $value;
    }

    public function connect(LoadItem $load): string
    {
        return $this->legs->loads[$load->name]['connect'];
    }

    /** The three ways to carry the load, one beside the other. */
    public function sizing(?float $demandKw = null): ?SizingResult
    {
        if ($this->source === null || $this->source->usableKw <= 0 || $this->switch->loads->isEmpty()) {
            return null;
        }
        $loads = $this->switch->loads->map(fn(LoadItem $load): SizingLoad => new SizingLoad(
            new LegLoad($load->name, (float) $load->kw, $this->connect($load)),
            $load->essential || $load->must_run,
            $load->shed && ! $load->must_run,
            $load->must_run,
        ));
        $limits = new SizingLimits(
            $this->source->usableKw,
            $this->source->usableKva,
            $this->source->usableKva * 1000 / $this->system->vAllLegs(),
        );

        return (new Sizing())->judge(new SizingInput(
            $this->system,
            $limits,
            array_values($loads->all()),
            $demandKw,
            hasManagement: true,
            choice: in_array($this->kept?->choice, ['whole', 'managed', 'essential'], true) ? $this->kept->choice : null,
        ));
    }

    /** Which loads stay on, and which are left off; null while the source is not known. */
    public function carried(?SourceFigures $source = null): ?CarriedLoads
    {
        $source ??= $this->source;
        if ($source === null || $source->usableKw <= 0 || $source->legA <= 0) {
            return null;
        }
        $charger = $this->kept->mobile['charger'] ?? null;

        return new CarriedLoads($this->system, $source, array_map(fn(LoadItem $load): array => [
            'id' => $load->name, 'kw' => (float) $load->kw, 'connect' => $this->connect($load), 'priority' => $load->priority,
            'must_run' => $load->must_run,
            'charges' => $load->name === $charger,
        ], $this->transferred()));
    }

    /** In which order the shed loads may come back after a transfer, and what each start does to the source. */
    public function restart(float $firstStepS = 10, float $stepS = 10, float $lockoutS = 180): ?CalculationResult
    {
        if ($this->source === null || $this->source->usableKw <= 0) {
            return null;
        }
        $carried = collect($this->transferred());
        $shed = $carried->filter(static fn(LoadItem $load): bool => $load->shed);

        return (new StepSequence())->answer(new StepSequenceInput(
            $this->source->usableKw,
            self::stiffnessKva($this->source->ratedKva),
            array_values($shed->map(static fn(LoadItem $load): RestartLoad => new RestartLoad(
                $load->name,
                (float) $load->kw,
                (float) $load->start_kva,
                $load->priority,
                $load->compressor,
                $load->compressor ? $lockoutS : null,
            ))->all()),
            (float) $carried->reject(static fn(LoadItem $load): bool => $load->shed)->sum(
                static fn(LoadItem $load): float => (float) $load->kw,
            ),
            self::DIP_LIMIT_PCT,
            firstStepS: $firstStepS,
            stepS: $stepS,
        ));
    }

    /** The start that just dips to the limit: dip = 100·s ÷ (s + k). */
    public static function startLimitKva(float $ratedKva): float
    {
        return self::stiffnessKva($ratedKva) * self::DIP_LIMIT_PCT / (100 - self::DIP_LIMIT_PCT);
    }

    /** What the machine sets against a start, with a generic reactance: to be confirmed with the maker's figures. */
    public static function stiffnessKva(float $ratedKva): float
    {
        return max(0.1, $ratedKva) / StartSource::GENERIC_REACTANCE;
    }
}
