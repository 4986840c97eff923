<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\MobileFacts;
use App\Bridge\PlanFacts;
use App\Bridge\Units;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Power\CarriedLoads;

/** A vehicle on its batteries and cords. */
final readonly class MobilePage
{
    public SiteStanding $standing;
    public Units $units;
    public MobileFacts $facts;
    public ?CalculationResult $runtime;
    public ?CalculationResult $jumper;
    public ?CarriedLoads $carried;
    /** @var list<AlternateSource> the sources that take turns, the surveyed one first */
    public array $sources;
    /** @var array<string, CalculationResult> by the name of the cord */
    public array $cords;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $plan = new PlanFacts($switch, $switch->plan);
        $this->facts = new MobileFacts($switch, $plan);
        $this->runtime = $this->facts->runtime();
        $this->jumper = $this->facts->jumper();
        $this->carried = $this->facts->inverter() === null ? null : $this->facts->carried();
        $this->sources = AlternateSource::of($switch, $plan, $this->runtime);
        $this->cords = array_filter([
            'Shore cord' => $this->facts->shoreCord(),
            'Cord of the generator or inverter' => $this->facts->generatorCord(),
        ]);
    }

    /** What was typed last, else what is kept, lengths in the units of the site. */
    public function typed(string $key): string
    {
        $kept = $this->facts->kept[$key] ?? ($key === 'inverter_kw' ? $this->facts->number($key) : null);
        $value = old($key, $key === 'cord_m' && is_numeric($kept) ? round($this->units->fromMetres((float) $kept), 1) : $kept);

        return is_scalar($value) ? (string) $value : '';
    }

    public function hours(mixed $hours): string
    {
        return is_numeric($hours) ? round((float) $hours, 1) . ' h' : 'without end: nothing is drawn';
    }

    /** The charger is on, and may be switched off by one press. */
    public function isChargerOn(): bool
    {
        $charger = $this->facts->charger();

        return $charger !== null && ! $charger->shed;
    }

    /** @return list<Finding> each once */
    public function findings(): array
    {
        $findings = [];
        foreach ([$this->runtime, $this->jumper, $this->carried?->shedPlan, ...array_values($this->cords)] as $answer) {
            foreach ($answer->findings ?? [] as $finding) {
                if ($finding->severity !== Severity::Note || $finding->id === 'label-input') {
                    $findings[$finding->id] = $finding;
                }
            }
        }

        return Finding::worstFirst(array_values($findings));
    }

    /** The runtimes with one and two batteries more, behind that of those there are. */
    public function withExtra(): string
    {
        $words = '';
        /** @var list<array{runtime_h: ?float}> $extra */
        $extra = $this->runtime->values['with_extra'] ?? [];
        foreach ($extra as $i => $more) {
            $words .= ($i === 0 ? ', one more ' : ', two more ') . $this->hours($more['runtime_h']);
        }

        return $words;
    }

    public function longest(CalculationResult $cord): string
    {
        $feet = $cord->values['max_length_ft'];

        return is_numeric($feet) ? round($this->units->fromMetres($feet * 0.3048)) . ' ' . $this->units->length() : '–';
    }
}
