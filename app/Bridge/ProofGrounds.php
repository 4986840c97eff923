<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Run;
use App\Models\TransferSwitch;
use Escapement\Core\Survey\Grounds;

/** What a run was begun with, and what of it has changed. Needs of the switch: site, loads, plan. */
final readonly class ProofGrounds
{
    public static function of(TransferSwitch $switch): Grounds
    {
        $amps = static fn(?int $a): string => $a === null ? 'not known' : "$a A";
        $source = is_array($switch->plant['sources']['normal'] ?? null) ? $switch->plant['sources']['normal'] : [];
        $kw = $switch->fuel === null ? null : ($switch->rated_kw[$switch->fuel->value] ?? null);
        $isNeutralSwitched = (bool) ($switch->plan->facts['neutral_switched'] ?? false);
        $facts = [
            'Kind' => $switch->site->installation->label(), 'Service' => $amps($switch->site->service_a), 'Rating of the switch' => $amps($switch->rating_a),
            'Poles' => $switch->poles === null ? 'not known' : (string) $switch->poles, 'Service-rated' => $switch->service_rated ? 'yes' : 'no', 'Neutral' => $isNeutralSwitched ? 'switched' : 'solid',
            'Outage test point' => TestPointFacts::ofSwitch($switch)->name ?? 'not known', 'Fuel' => $switch->fuel?->label() ?? 'not known', 'Generator' => $kw === null ? 'not known' : "$kw kW",
            'Supply' => ($source['nominal_v'] ?? '?') . ' V, ' . ($source['nominal_hz'] ?? '?') . ' Hz',
        ];
        foreach ($switch->loads as $load) {
            $facts["Load $load->name"] = (float) $load->kw . ' kW';
        }

        return new Grounds($facts);
    }

    /** @return list<string> empty for runs from before this was kept */
    public static function changedSince(Run $run, TransferSwitch $switch): array
    {
        /** @var array<string, string>|null $before */
        $before = $run->surveyed['facts'] ?? null;

        return $before === null ? [] : self::of($switch)->changedFrom(new Grounds($before));
    }
}
