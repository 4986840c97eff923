<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Jobs\PlanVisits;
use App\Models\Absence;
use App\Models\SeasonState;
use App\Models\Site;
use App\Models\Upkeep;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitPlanning;
use App\Models\WorkProfile;
use Illuminate\Support\Carbon;

/** Where the made-up sites lie, who works when, what disturbs whom, and a week of visits. */
final readonly class DemoVisits
{
    /** By site: latitude, longitude of a coast that is none. */
    private const PLACES = [
        'Juniper Row 14' => [44.61, -68.12], 'Pell Lane 3' => [44.66, -68.02], 'Mossgate parish hall' => [44.72, -68.31],
        'Otter Bend Veterinary Clinic' => [44.55, -68.42], 'Tamarack Orchard cold store' => [44.83, -68.2],
        'Alder Quay pumping station' => [44.58, -67.98], 'Saltmarsh pumping station' => [44.63, -68.05],
    ];
    private const WORK = [
        ['Otter Bend Veterinary Clinic', ['torque_witness', 'battery_test'], 75, ['electric'], 4, -6],
        ['Mossgate parish hall', ['oil_and_filter', 'air_filter', 'battery_test'], 95, ['engine', 'electric'], 3, -20],
        ['Tamarack Orchard cold store', ['load_test'], 180, ['electric'], 5, -2],
        ['Juniper Row 14', ['spark_plugs', 'fuel_leak_check'], 80, ['engine'], 2, 9],
        ['Pell Lane 3', ['switch_inspection'], 60, ['electric'], 3, 4],
        ['Alder Quay pumping station', ['switch_inspection', 'torque_witness'], 110, ['electric'], 4, 1],
        ['Saltmarsh pumping station', ['gas leak at the heater'], 120, ['gas'], 3, 3],
    ];

    public function of(User $rosa, User $milo, Carbon $now): void
    {
        Carbon::setTestNow($now);
        $people = [
            [$rosa, 44.6, -68.1, '08:00', '17:00', ['electric', 'engine']],
            [$milo, 44.7, -68.25, '07:30', '16:00', ['electric', 'engine']],
        ];
        foreach ($people as [$person, $lat, $lon, $from, $to, $skills]) {
            WorkProfile::query()->create([
                'company_id' => $person->company_id, 'user_id' => $person->id, 'lat' => $lat, 'lon' => $lon,
                'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => $from, 'to' => $to, 'skills' => $skills,
            ]);
        }
        $wednesday = $now->copy()->next(Carbon::WEDNESDAY);
        Absence::query()->create([
            'company_id' => $rosa->company_id, 'user_id' => $rosa->id, 'from' => $wednesday, 'to' => $wednesday,
            'words' => 'switchgear course',
        ]);
        foreach (self::PLACES as $name => [$lat, $lon]) {
            Site::query()->where('name', $name)->update(['lat' => $lat, 'lon' => $lon]);
        }
        $this->habits($milo);
        $this->visits($rosa, $now);
    }

    private function habits(User $milo): void
    {
        $hours = ['Juniper Row 14' => ['sleep_from' => '22:00', 'sleep_to' => '07:00'],
            'Mossgate parish hall' => ['attends_user_id' => $milo->id],
            'Otter Bend Veterinary Clinic' => ['attends_user_id' => $milo->id, 'business_from' => '08:00', 'business_to' => '18:00']];
        foreach ($hours as $name => $columns) {
            $switch = Site::query()->where('name', $name)->firstOrFail()->switches()->firstOrFail();
            $upkeep = Upkeep::query()
                ->firstOrNew(['switch_id' => $switch->id], ['company_id' => $switch->company_id, 'user_id' => $milo->id]);
            $upkeep->fill($columns)->save();
        }
    }

    private function visits(User $user, Carbon $now): void
    {
        foreach (self::WORK as [$name, $items, $minutes, $skills, $priority, $dueIn]) {
            $site = Site::query()->where('name', $name)->first();
            $switch = $site?->switches()->first();
            if ($switch !== null) {
                Visit::query()->create([
                    'company_id' => $user->company_id, 'switch_id' => $switch->id, 'items' => $items, 'duration_min' => $minutes,
                    'skills' => $skills, 'priority' => $priority, 'due' => $now->copy()->addDays($dueIn),
                    'note' => str_contains($items[0], ' ') ? 'The owner smells it at the heater.' : null,
                ]);
            }
        }
        $planning = VisitPlanning::query()->create([
            'company_id' => $user->company_id, 'user_id' => $user->id, 'start' => $now->copy()->startOfDay(), 'days' => 10,
            'state' => SeasonState::Waiting,
        ]);
        (new PlanVisits($planning->id))->handle();
    }
}
