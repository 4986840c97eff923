<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Bridge\SurveyFacts;
use App\Bridge\SwitchFacts;
use App\Bridge\Units;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Planning\AskedFact;
use Escapement\Core\Planning\ClassSheet;
use Escapement\Core\Planning\Declared;
use Escapement\Core\SettingsCheck\ClassTime;
use Escapement\Core\SettingsCheck\Window;
use Escapement\Core\Topology\TopologyCheck;

/** What the class, the service and the place of one switch must have, and how well each of it is known. */
final readonly class ClassPage
{
    public SiteStanding $standing;
    public ClassSheet $sheet;
    public ?string $edition;
    private Units $units;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $facts = new PlanFacts($switch, $switch->plan);
        $topology = TopologyCheck::of($facts->plan->oneLine())->answer();
        $survey = (new SurveyFacts($switch))->answer;
        $this->edition = CodeEdition::of($switch, $switch->plan);
        $this->sheet = new ClassSheet(
            $switch->site->installation,
            $switch->survey ?? [],
            SurveyFacts::shown($switch),
            [...$topology->findings, ...$survey->findings],
        );
    }

    /** The answer as it is read on this site. */
    public function answer(AskedFact $fact): string
    {
        if (! is_float($fact->answer)) {
            return $fact->words();
        }

        return round($this->units->shown($fact->question->unit, $fact->answer), 1) . ' ' . $this->units->unit($fact->question->unit);
    }

    public function className(): string
    {
        $class = (new Declared($this->switch->site->installation, $this->switch->survey ?? []))->word('system_class');

        return [
            'none' => 'no class', 'optional' => 'optional standby', 'legally_required' => 'legally required standby',
            'emergency' => 'emergency',
        ][$class ?? ''] ?? 'not known';
    }

    /** From loss to load, where the class sets a time. */
    public function time(): ?ClassTime
    {
        return ClassTime::of((new Declared($this->switch->site->installation, $this->switch->survey ?? []))->systemClass());
    }

    /** When the load is on by the newest sheet; null while there is none. */
    public function transfer(): ?Window
    {
        $sheet = $this->switch->sheet;
        $facts = new SwitchFacts($this->switch);

        return $sheet === null ? null : $facts->expected($facts->settings($sheet->settings))->window('transfer');
    }

    public function reference(AskedFact $fact): ?string
    {
        return Register::reference($fact->finding->id);
    }
}
