<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Models\Sheet;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Adds a version to a switch's sheets, unless somebody else has added one since the writer looked. */
final readonly class WriteSheet
{
    /**
     * @param array<string, mixed> $settings
     * @param array<string, mixed> $habits
     * @param int                  $seenVersion the newest version that the writer has seen, 0 for none
     *
     * @return ?Sheet null when there is a newer one: nothing is written then
     */
    public function write(
        TransferSwitch $switch,
        array $settings,
        array $habits,
        Standing $standing,
        ?string $note,
        User $user,
        int $seenVersion,
    ): ?Sheet {
        return DB::transaction(static function () use ($switch, $settings, $habits, $standing, $note, $user, $seenVersion): ?Sheet {
            TransferSwitch::locked($switch->id); // two savers come one after the other
            $newest = (int) Sheet::query()->where('switch_id', $switch->id)->max('version');

            return $newest !== $seenVersion ? null : Sheet::query()->create([
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'version' => $newest + 1, 'standing' => $standing,
                'settings' => $settings, 'habits' => $habits, 'note' => $note, 'user_id' => $user->id,
            ]);
        });
    }
}
