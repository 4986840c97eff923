<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Run;

/** What stands above a run when it leaves: site, switch, loads and sheet. Signing puts it into the record as it was then. */
final readonly class RunHeader
{
    /**
     * Needs of the run: sheet.user, switch.site, switch.loads.
     *
     * @return array{site: array<string, mixed>, switch: array<string, mixed>, loads: list<array<string, mixed>>,
     *     sheet: array<string, mixed>}
     */
    public static function of(Run $run): array
    {
        $switch = $run->switch;
        $site = $switch->site;

        return [
            'site' => [
                'name' => $site->name,
                'address' => $site->address,
                'timezone' => $site->timezone,
                'units' => $site->units,
                'installation' => $site->installation->value,
                'service_a' => $site->service_a,
                'owner' => $site->owner,
            ],
            'switch' => [
                'name' => $switch->name,
                'application' => $switch->application->value,
                'rating_a' => $switch->rating_a,
                'poles' => $switch->poles,
                'service_rated' => $switch->service_rated,
                'test_disconnect' => $switch->test_disconnect,
                'fuel' => $switch->fuel?->value,
                'rated_kw' => $switch->rated_kw,
                'largest_motor_hp' => (float) $switch->largest_motor_hp,
                'has_compressor' => $switch->has_compressor,
            ],
            'loads' => array_values($switch->loads->map(
                static fn(LoadItem $load): array => [
                    'name' => $load->name,
                    'kw' => (float) $load->kw,
                    'priority' => $load->priority,
                    'shed' => $load->shed,
                    'must_run' => $load->must_run,
                ],
            )->all()),
            'sheet' => [
                'standing' => $run->sheet->standing->value,
                'note' => $run->sheet->note,
                'by' => $run->sheet->user->name,
                'written_at' => $run->sheet->created_at->toIso8601ZuluString('millisecond'),
                'habits' => $run->sheet->habits,
            ],
        ];
    }

    /**
     * @param array{site: array<string, mixed>, switch: array<string, mixed>, loads: list<array<string, mixed>>,
     *     sheet: array<string, mixed>} $header
     *
     * @return array<string, mixed> its maps as maps even where they are empty
     */
    public static function onTheWire(array $header): array
    {
        return [
            'switch' => ['rated_kw' => (object) $header['switch']['rated_kw']] + $header['switch'],
            'sheet' => ['habits' => (object) $header['sheet']['habits']] + $header['sheet'],
        ] + $header;
    }
}
