<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Template;

use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Transition;

/** A complete sheet and plant for one kind of installation, from the table of planning values. Rule: docs/rules.md#settings-templates. */
final readonly class SheetTemplate
{
    private TemplateRow $row;

    public function __construct(public InstallationKind $installation, public ReturnDelayMethod $school = ReturnDelayMethod::StormWise)
    {
        /** @var array<string, TemplateRow> $table */
        $table = require __DIR__ . '/../../../data/templates.php';
        $this->row = $table[$installation->value];
    }

    /** What to know of this installation type before the numbers. */
    public function hint(): string
    {
        /** @var array<string, string> $hints */
        $hints = require __DIR__ . '/../../../data/template_hints.php';

        return $hints[$this->installation->value];
    }

    public function application(): Application
    {
        return $this->row->application;
    }

    public function kind(): PlantKind
    {
        return $this->row->kind;
    }

    /** Sources and engine as they usually are; the survey replaces them with what is there. */
    public function plant(): Plant
    {
        $source = new Source($this->row->phases, 120, 60);

        return new Plant(
            $this->kind(),
            $source,
            $source,
            $this->kind()->hasEngine() ? new Engine(1500, 10_000, 10_000, 3, 4000, 5000) : null,
        );
    }

    public function settings(): Settings
    {
        $row = $this->row;
        $isThreePhase = $row->phases === 3;
        $overVoltage = new Limit(115, 110);
        $overHertz = new Limit(110, 105);
        $unbalance = $isThreePhase ? new Limit(5, 3) : null;
        $emergencyHertz = $row->emergencyHertz;
        $isTwoSource = $row->kind === PlantKind::TwoSource;

        return new Settings(
            new Sensing(
                $row->normalVolts,
                $overVoltage,
                $isTwoSource ? $emergencyHertz : null,
                $isTwoSource ? $overHertz : null,
                $unbalance,
                $isThreePhase,
                $row->normalDropoutMs,
            ),
            new Sensing(new Limit(80, 90), $overVoltage, $emergencyHertz, $overHertz, $unbalance, $isThreePhase, $row->emergencyDropoutMs),
            $row->startMs,
            $row->transferMs,
            $row->returnMs[match ($this->school) {
                ReturnDelayMethod::Short => 0,
                ReturnDelayMethod::StormWise => 1,
                ReturnDelayMethod::Critical => 2,
            }],
            $row->cooldownMs,
            minRunMs: $row->kind === PlantKind::Standby ? 300_000 : 0,
            transition: $row->offMs === null ? Transition::Open : Transition::Delayed,
            travelMs: $row->travelMs,
            offDelayMs: $row->offMs ?? 0,
        );
    }
}
