<?php

declare(strict_types=1);

namespace App\Models;

/** What a status is made of: each change of it is written down for the site (StatusChange). Writes past the model say so themselves. */
trait ChangesStatus
{
    /** What a record does not say anything new by. */
    private const SAYS_NOTHING = ['head', 'seal', 'updated_at'];

    public static function bootChangesStatus(): void
    {
        $note = static function (self $model): void {
            $changes = array_keys($model->getChanges());
            if ($model->wasRecentlyCreated || array_diff($changes, self::SAYS_NOTHING) !== []) {
                $model->noteStatusChange();
            }
        };
        static::saved($note);
        static::deleted(static fn(self $model) => $model->noteStatusChange());
    }

    public function noteStatusChange(): void
    {
        StatusChange::ofSwitch($this->switch_id);
    }
}
