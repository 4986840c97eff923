<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Drawing\Panel\PanelMarks;
use App\Drawing\Panel\WayMark;
use App\Models\CapacitorBank;
use App\Models\Distribution;
use App\Models\MeterReading;
use App\Models\TransferSwitch;
use App\Models\Way;

/** Reads what was surveyed of a three-phase panel, for its one-line. */
final readonly class PanelSurvey
{
    /** Null where the installation has no three phases. Needs of the switch: site. */
    public static function marks(TransferSwitch $switch): ?PanelMarks
    {
        if (! $switch->site->installation->isThreePhase()) {
            return null;
        }
        $board = Distribution::query()->where('switch_id', $switch->id)->first();
        $bank = CapacitorBank::query()->where('switch_id', $switch->id)->first();
        $meter = MeterReading::query()->where('switch_id', $switch->id)->whereNotNull('ct_primary_a')->orderByDesc('read_at')->first();
        $kvar = $bank === null ? 0.0 : (float) $bank->fixed_kvar + array_sum($bank->steps_kvar);
        $number = PanelMarks::number(...);
        $ratings = array_filter([
            $board?->busbar_a === null ? null : $number($board->busbar_a) . "\u{202F}A",
            $board?->busbar_icw_ka === null ? null : $number($board->busbar_icw_ka) . "\u{202F}kA",
        ]);

        return new PanelMarks(
            $board->poles ?? $switch->poles,
            $board?->first_earthed,
            $board?->second_earthed,
            $meter === null ? null : $number((float) $meter->ct_primary_a) . '/' . $number((float) $meter->ct_secondary_a),
            $kvar > 0 ? $kvar : null,
            $ratings === [] ? null : implode(', ', $ratings),
            array_map(
                static fn(Way $way): WayMark => new WayMark($way->name, $way->connects, $way->shed, $way->breaker_a),
                Way::of($switch->id),
            ),
        );
    }
}
