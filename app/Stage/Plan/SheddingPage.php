<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Bridge\SwitchFacts;
use App\Models\LoadItem;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Power\CarriedLoads;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Rehearsal\RestartTimes;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\Template\SheetTemplate;

/** Who comes back when, against what the source gives, and who stays off. */
final readonly class SheddingPage
{
    private const FIRST_STEP_MS = 10_000;
    private const STEP_MS = 10_000;
    private const OVERLOAD_MS = 5000;
    private const LOCKOUT_MS = 180_000;

    public SiteStanding $standing;
    public ?SourceFigures $source;
    public ?CarriedLoads $carried;
    /** What each start does to the source, and what it never lets back. */
    public ?CalculationResult $restart;
    /** When each load is back, by the controller that the rehearsal plays; null without a sheet to play. */
    public ?RestartTimes $times;
    public float $usableKw;
    public float $limitKva;
    /** @var list<string> of the loads that the transfer switch carries */
    private array $carriedNames;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $facts = new PlanFacts($switch, $switch->plan);
        $this->source = $facts->source;
        $this->carriedNames = array_map(static fn(LoadItem $load): string => $load->name, $facts->transferred());
        $this->usableKw = $this->source->usableKw ?? 0.0;
        $this->limitKva = PlanFacts::startLimitKva($this->source->ratedKva ?? 0.0);
        $now = $this->kept();
        $this->carried = $facts->carried();
        $this->restart = $facts->restart($now['first_step_ms'] / 1000, $now['step_ms'] / 1000, $now['lockout_ms'] / 1000);
        $this->times = $this->restart === null ? null : $this->timesOn($now);
    }

    /** @param array{limit_kw: float|int, first_step_ms: int, step_ms: int, overload_ms: int, lockout_ms: int} $shed */
    private function timesOn(array $shed): RestartTimes
    {
        $facts = new SwitchFacts($this->switch);
        $settings = $this->switch->sheet === null ? (new SheetTemplate($this->switch->site->installation))->settings()
            : $facts->settings($this->switch->sheet->settings);

        return new RestartTimes(
            $facts->plant,
            $settings->withLoadShed(new LoadShedding(
                $shed['limit_kw'],
                $shed['first_step_ms'],
                $shed['step_ms'],
                $shed['overload_ms'],
                $shed['lockout_ms'],
            )),
            $facts->loads(),
        );
    }

    /**
     * @return array{limit_kw: float|int, first_step_ms: int, step_ms: int, overload_ms: int,
     *     lockout_ms: int} of the newest sheet, else the usual ones
     */
    public function kept(): array
    {
        /** @var array{limit_kw: float|int, first_step_ms: int, step_ms: int, overload_ms: int, lockout_ms: int}|null $kept */
        $kept = $this->switch->sheet->settings['load_shed'] ?? null;

        return $kept ?? [
            'limit_kw' => $this->limitKw(),
            'first_step_ms' => self::FIRST_STEP_MS,
            'step_ms' => self::STEP_MS,
            'overload_ms' => self::OVERLOAD_MS,
            'lockout_ms' => self::LOCKOUT_MS,
        ];
    }

    /** @return array<string, int|float> what the sheet takes, with the limit of this source */
    public function proposed(): array
    {
        return ['limit_kw' => $this->limitKw()] + $this->kept();
    }

    public function isInSheet(): bool
    {
        return ($this->switch->sheet->settings['load_shed'] ?? null) == $this->proposed();
    }

    /** Rounded down: the limit never promises what the source does not give. */
    private function limitKw(): float
    {
        return floor(10 * $this->usableKw) / 10;
    }

    /** @return list<LoadItem> in the order in which they come back */
    public function inOrder(): array
    {
        return array_values($this->switch->loads->sortBy([['must_run', 'desc'], ['priority', 'asc'], ['place', 'asc']])->all());
    }

    /** What becomes of a load on the source, in words. */
    public function fate(LoadItem $load): string
    {
        $backMs = $this->times->backMs[$load->name] ?? null;

        return match (true) {
            ! in_array($load->name, $this->carriedNames, true) => 'stays on the main panel: without power in an outage',
            in_array($load->name, $this->carried->withoutVoltage ?? [], true) => 'does not run: this source has no voltage for it',
            ! $load->shed && in_array($load->name, $this->carried->shed ?? [], true) => 'on, and too much together',
            $backMs === 0 => 'on from the first moment',
            $backMs !== null => 'back after ' . SheetWords::seconds($backMs),
            default => 'does not come back',
        };
    }

    /**
     * @return list<array{t_s: float, id: string, running_kw: float, start_kva: float,
     *     dip_pct: float}> the loads that come back, in their order, with what each start does
     */
    public function steps(): array
    {
        /** @var list<array{id: string, start_kva: float, dip_pct: float}> $starts */
        $starts = $this->restart->values['timeline'] ?? [];
        $dips = array_column($starts, 'dip_pct', 'id');
        $back = array_filter($this->times->backMs ?? [], static fn(?int $ms): bool => $ms !== null && $ms > 0);
        asort($back);
        $runningKw = $this->baseKw();
        $steps = [];
        foreach ($back as $name => $ms) {
            $load = $this->switch->loads->firstWhere('name', $name);
            $runningKw += (float) $load?->kw;
            $steps[] = [
                't_s' => $ms / 1000, 'id' => $name, 'running_kw' => $runningKw, 'start_kva' => (float) $load?->start_kva,
                'dip_pct' => (float) ($dips[$name] ?? $this->dipPct((float) $load?->start_kva)),
            ];
        }

        return $steps;
    }

    private function dipPct(float $startKva): float
    {
        return 100 * $startKva / ($startKva + PlanFacts::stiffnessKva($this->source->ratedKva ?? 0.0));
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        $findings = [];
        foreach ([...$this->carried->shedPlan->findings ?? [], ...$this->restart->findings ?? []] as $finding) {
            $findings[$finding->id] = $finding;
        }

        return Finding::worstFirst(array_values($findings));
    }

    public function chart(): SheddingChart
    {
        return new SheddingChart($this);
    }

    public function baseKw(): float
    {
        return (float) $this->switch->loads->filter(fn(LoadItem $load): bool => ! $load->shed && in_array(
            $load->name,
            $this->carriedNames,
            true,
        ))->sum(static fn(LoadItem $load): float => (float) $load->kw);
    }

    /** What its start does, behind its kW. */
    public function startWords(LoadItem $load): string
    {
        $startKva = (float) $load->start_kva;

        return ($startKva > 0 ? ", start $startKva kVA" : '') . ($load->compressor ? ', compressor' : '');
    }
}
