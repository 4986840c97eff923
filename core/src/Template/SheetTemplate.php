<?php

declare(strict_types=1);

namespace Escapement\Core\Template;

use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Transition;
use Escapement\Core\Site\Engine;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Plant;
use Escapement\Core\Site\Source;

/** A complete sheet and plant for one kind of installation, from the table of planning values. Rule: settings §2. */
final readonly class SheetTemplate
{
    /** How the settings that the table does not name are reasoned, by path; shown beside each value. */
    public const REASONS = [
        '/sensing/normal/under_voltage' => 'Below it a motor stalls and cooks; above pick-up the line carries load again.',
        '/sensing/normal/over_voltage' => 'A lost neutral drives one leg high: leave before it burns something.',
        '/sensing/normal/dropout_delay_ms' => 'Half a second lets switching dips pass.',
        '/sensing/emergency/under_voltage' => 'The generator counts as good from here.',
        '/sensing/emergency/under_frequency' => 'Volts come before speed; frequency tells that the engine really runs.',
        '/sensing/emergency/dropout_delay_ms' => 'A healthy dip when a block of load comes on is no failure.',
        '/start_delay_ms' => 'Most blinks are over by then; a start for nothing wears engine and battery.',
        '/transfer_delay_ms' => 'Warm-up before taking load: oil up, volts steady.',
        '/return_delay_ms' => 'The returned utility has to prove itself. Schools differ; see above.',
        '/cooldown_ms' => 'Unloaded, so that nothing stops hot.',
        '/min_run_ms' => 'A start that is over at once leaves water in the oil and a flat battery.',
        '/transition' => 'Open is enough without large motors; delayed waits for their residual voltage.',
        '/travel_ms' => 'What the mechanism takes from one side to the other.',
        '/off_delay_ms' => 'The wait in between, only with a delayed transition.',
        '/commit_to_transfer' => 'No: when the utility is back before the transfer, stay on it.',
    ];

    private TemplateRow $row;

    public function __construct(public InstallationKind $installation, public ReturnSchool $school = ReturnSchool::StormWise)
    {
        /** @var array<string, TemplateRow> $table */
        $table = require __DIR__ . '/../../data/templates.php';
        $this->row = $table[$installation->value];
    }

    public function application(): Application
    {
        return $this->row->application;
    }

    public function kind(): Kind
    {
        return $this->row->kind;
    }

    /** Sources and engine as they usually are; the survey replaces them with what is there. */
    public function plant(): Plant
    {
        $source = new Source($this->row->phases, 120, 60);

        return new Plant($this->kind(), $source, $source, $this->kind()->hasEngine() ? new Engine(1500, 10_000, 10_000, 3, 4000, 5000) : null);
    }

    public function settings(): Settings
    {
        $row = $this->row;
        $isThreePhase = $row->phases === 3;
        $overVoltage = new Limit(115, 110);
        $overHertz = new Limit(110, 105);
        $unbalance = $isThreePhase ? new Limit(5, 3) : null;
        $emergencyHertz = $row->emergencyHertz;
        $isTwoSource = $row->kind === Kind::TwoSource;

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
                ReturnSchool::Short => 0,
                ReturnSchool::StormWise => 1,
                ReturnSchool::Critical => 2,
            }],
            $row->cooldownMs,
            minRunMs: $row->kind === Kind::Standby ? 300_000 : 0,
            transition: $row->offMs === null ? Transition::Open : Transition::Delayed,
            travelMs: $row->travelMs,
            offDelayMs: $row->offMs ?? 0,
        );
    }
}
