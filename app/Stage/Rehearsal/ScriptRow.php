<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use Escapement\Core\Rehearsal\Script\BlockKind;

/** One piece of a script as a person types it: seconds, volts a phase, hertz. */
final readonly class ScriptRow
{
    /** @param array<string, string> $typed by field */
    public function __construct(public int $place, public BlockKind $kind, public array $typed) {}

    /** @return array<string, array{label: string, unit: string}> the fields of this kind, by name */
    public function fields(): array
    {
        $at = ['at' => ['label' => $this->kind->lasts() ? 'Begins at' : 'At', 'unit' => 's']];
        $lasts = ['lasts' => ['label' => 'Lasts', 'unit' => 's']];
        $ramps = ['fall' => ['label' => 'Falls over', 'unit' => 's'], 'back' => ['label' => 'Comes back over', 'unit' => 's']];

        return match ($this->kind) {
            BlockKind::Volts => $at + $lasts + ['v' => ['label' => 'Volts', 'unit' => 'V']] + $ramps,
            BlockKind::Hertz => $at + $lasts + ['hz' => ['label' => 'Hertz', 'unit' => 'Hz']] + $ramps,
            BlockKind::Reversed, BlockKind::ByHand, BlockKind::Test, BlockKind::SelectorOff => $at + $lasts,
            BlockKind::CrankFailures => $at + ['count' => ['label' => 'How many', 'unit' => '']],
            BlockKind::EngineTrip => $at + ['reason' => ['label' => 'For', 'unit' => '']],
            BlockKind::Load => $at + ['load' => ['label' => 'Load', 'unit' => ''], 'kw' => ['label' => 'Draws', 'unit' => 'kW']],
            BlockKind::EngineReset, BlockKind::Other => $at,
        };
    }

    public function title(): string
    {
        $v = $this->typed['v'] ?? '';

        return match (true) {
            $this->kind === BlockKind::Volts && $v === '0' => 'Outage',
            $this->kind === BlockKind::Volts && str_contains($v, '/') => 'Voltage by phase',
            $this->kind === BlockKind::Other => $this->typed['other'] ?? 'Event',
            default => $this->kind->label(),
        };
    }
}
