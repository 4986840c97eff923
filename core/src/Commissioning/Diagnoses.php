<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;

/** The table of diagnoses: what each says, and which setting or thing to look at. Rule: commissioning §3. */
final readonly class Diagnoses
{
    /** id => severity, what it says, where to look, path of the setting on the sheet */
    private const TABLE = [
        'start-early' => ['warn', 'The start signal came early.', 'The start delay is shorter than on the sheet, or something else gives the start signal.', '/settings/start_delay_ms'],
        'start-late' => ['warn', 'The start signal came late.', 'The start or drop-out delay is longer than on the sheet, or another circuit is sensed than the one opened.', '/settings/start_delay_ms'],
        'test-start-late' => ['warn', 'The start signal came late after the test button.', 'A test asks for the start at once: the controller waits before a test, or its start relay or wiring is slow. The start delay has no part in it.', null],
        'running-early' => ['note', 'The generator was good early.', 'The engine was already running, or the mark was the firing, not the accepted source.', null],
        'running-late' => ['warn', 'The generator was good late.', 'Several cranks, choke, fuel, battery, governor, or the emergency pick-up is too high.', '/settings/sensing/emergency/under_voltage/pickup_pct'],
        'transfer-early' => ['warn', 'The transfer came early.', 'The warm-up is shorter than on the sheet.', '/settings/transfer_delay_ms'],
        'transfer-late-upstream' => ['warn', 'The transfer came late because what comes before it was late.', 'The start or the engine was late; look there first.', '/settings/start_delay_ms'],
        'transfer-late-warm-up' => ['warn', 'The engine was on time, the transfer late.', 'The warm-up is longer than on the sheet, or the emergency pick-up, or the mechanism.', '/settings/transfer_delay_ms'],
        'transfer-late' => ['warn', 'The transfer came late.', 'The transfer delay is longer than on the sheet, or the emergency pick-up, or the mechanism.', '/settings/transfer_delay_ms'],
        'return-early' => ['warn', 'The load went back early.', 'The return delay is shorter than on the sheet, or it was bypassed because the generator failed.', '/settings/return_delay_ms'],
        'return-late' => ['warn', 'The load went back late.', 'The return delay is longer than on the sheet, or the normal source was slow to qualify.', '/settings/return_delay_ms'],
        'stop-early' => ['warn', 'The engine stopped early.', 'The cool-down is shorter than on the sheet.', '/settings/cooldown_ms'],
        'stop-late' => ['warn', 'The engine stopped late.', 'The cool-down or the minimum run is longer than on the sheet.', '/settings/cooldown_ms'],
        'engine-not-running' => ['stop', 'The generator never came.', 'No start signal, no crank, no fuel, or the source is not accepted.', null],
        'not-transferred' => ['stop', 'The load was never transferred.', 'Generator breaker open, selector off, emergency source not accepted, or the mechanism is stuck.', null],
        'not-returned' => ['stop', 'The load did not go back.', 'Normal source not accepted, selector off, or the mechanism is stuck.', null],
        'engine-not-stopped' => ['stop', 'The engine did not stop.', 'Something holds the start contact closed.', null],
        'took-the-bait' => ['stop', 'The load went back to a supply that had not proved itself.', 'The return delay is too short, or it does not start again when the utility is lost.', '/settings/return_delay_ms'],
        'bait-void' => ['warn', 'The bait test proves nothing.', 'It lasted too long, or its end was not marked: repeat it.', '/settings/return_delay_ms'],
        'mark-missing' => ['note', 'It happened, but a mark is missing.', 'A later mark shows that it came; its time is not known.', null],
        'button-only' => ['note', 'Only the test button was timed.', 'It proves the engine and the mechanism. That the switch notices a lost utility is proved by a simulated outage: open the disconnect upstream of the sensing.', null],
        'run-unfinished' => ['note', 'The run was not carried to its end.', 'What comes after the last mark is not proved.', null],
        'duplicate-mark' => ['note', 'An event was marked twice in one run; the first counts.', 'Strike out the one that was a slip of the thumb.', null],
    ];

    /**
     * @param array<string, list<int>> $runsById which runs have which diagnosis
     *
     * @return list<Finding>
     */
    public function findings(array $runsById): array
    {
        $findings = [];
        foreach (self::TABLE as $id => [$severity, $message, $because, $path]) {
            if (isset($runsById[$id])) {
                $findings[] = new Finding($id, Severity::from($severity), $message, $because, $path, null, array_values(array_unique($runsById[$id])));
            }
        }

        return Finding::worstFirst($findings);
    }
}
