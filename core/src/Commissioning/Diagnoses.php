<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;

/** The table of diagnoses: what each says, and which setting or thing to look at. Rule: docs/rules.md#timing-verdict. */
final readonly class Diagnoses
{
    /** id => severity, what it says, where to look, path of the setting on the sheet */
    /** The setting that each is about, in the order in which they are reported. */
    private const SETTINGS = [
        'start-early' => '/settings/start_delay_ms',
        'start-late' => '/settings/start_delay_ms',
        'test-start-late' => null,
        'running-early' => null,
        'running-late' => '/settings/sensing/emergency/under_voltage/pickup_pct',
        'transfer-early' => '/settings/transfer_delay_ms',
        'transfer-late-upstream' => '/settings/start_delay_ms',
        'transfer-late-warm-up' => '/settings/transfer_delay_ms',
        'transfer-late' => '/settings/transfer_delay_ms',
        'return-early' => '/settings/return_delay_ms',
        'return-late' => '/settings/return_delay_ms',
        'stop-early' => '/settings/cooldown_ms',
        'stop-late' => '/settings/cooldown_ms',
        'engine-not-running' => null,
        'not-transferred' => null,
        'not-returned' => null,
        'engine-not-stopped' => null,
        'took-the-bait' => '/settings/return_delay_ms',
        'bait-void' => '/settings/return_delay_ms',
        'mark-missing' => null,
        'button-only' => null,
        'run-unfinished' => null,
        'duplicate-mark' => null,
    ];

    /**
     * @param array<string, list<int>> $runsById which runs have which diagnosis
     *
     * @return list<Finding>
     */
    public function findings(array $runsById): array
    {
        $findings = [];
        foreach (self::SETTINGS as $id => $path) {
            if (isset($runsById[$id])) {
                $findings[] = Register::finding("timing-verdict/$id", path: $path)->about(array_values(array_unique($runsById[$id])));
            }
        }

        return Finding::worstFirst($findings);
    }
}
