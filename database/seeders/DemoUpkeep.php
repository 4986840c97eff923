<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use Illuminate\Support\Carbon;
use Ramsey\Uuid\Uuid;

/** A year in the logbook of a made-up house, and what is known of a made-up pumping station. */
final readonly class DemoUpkeep
{
    public function house(TransferSwitch $switch, User $user, Carbon $now): void
    {
        $this->known($switch, $user, [
            'installed_on' => $now->copy()->subYears(3), 'cooling' => 'air', 'selector' => 'auto', 'fuel_days' => 4,
        ]);
        for ($week = 50; $week >= 1; $week -= 2) {
            $fields = $week === 22 ? ['done' => false] : ['done' => true, 'run_min' => 12, 'kw' => 0];
            $this->entry($switch, $user, $now->copy()->subWeeks($week)->setTime(16, 0), 'exercise', $fields);
        }
        $this->entry($switch, $user, $now->copy()->subDays(210), 'service', ['items' => ['oil_and_filter', 'air_filter']]);
        $this->entry($switch, $user, $now->copy()->subDays(210)->addMinutes(20), 'hours', ['hours' => 61.2]);
        $outage = $now->copy()->subDays(90)->setTime(20, 14);
        $this->entry($switch, $user, $outage, 'outage', [
            'end' => $outage->copy()->addHours(5)->utc()->format('Y-m-d\TH:i:s\Z'), 'started' => true, 'transfer_s' => 14,
            'return_dark_s' => 0.4, 'kw' => 6.5,
        ]);
        $this->entry($switch, $user, $now->copy()->subDays(30), 'hours', ['hours' => 71.4]);
        $this->entry($switch, $user, $now->copy()->subDays(30)->addMinutes(5), 'battery', ['v' => 12.7, 'state' => 'rest']);
    }

    public function station(TransferSwitch $switch, User $user, Carbon $now): void
    {
        $this->known($switch, $user, [
            'installed_on' => $now->copy()->subYears(6), 'cooling' => 'liquid', 'selector' => 'auto', 'school' => 'semi_annual',
            'priority' => 5, 'fuel_days' => 0.9, 'battery_installed_on' => $now->copy()->subYears(4),
        ]);
        $this->entry($switch, $user, $now->copy()->subDays(400), 'hours', ['hours' => 812.0]);
        $this->entry($switch, $user, $now->copy()->subDays(400)->addHour(), 'service', ['items' => ['oil_and_filter', 'fuel_filter']]);
        $this->entry($switch, $user, $now->copy()->subDays(14), 'hours', ['hours' => 861.5]);
        $this->entry($switch, $user, $now->copy()->subDays(9), 'alarm', ['code' => 'low coolant level']);
    }

    /** @param array<string, mixed> $facts */
    private function known(TransferSwitch $switch, User $user, array $facts): void
    {
        Upkeep::query()->create($facts + ['company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id]);
    }

    /** @param array<string, mixed> $fields */
    private function entry(TransferSwitch $switch, User $user, Carbon $at, string $kind, array $fields): void
    {
        LogEntry::query()->create([
            'id' => Uuid::uuid4()->toString(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'kind' => $kind, 'at' => $at, 'fields' => $fields,
        ]);
    }
}
