<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * An address that is called when something happens in a company.
 *
 * @property int          $id
 * @property int          $company_id
 * @property int          $user_id
 * @property string       $url
 * @property list<string> $events
 * @property string       $secret that signs what is sent
 * @property Carbon       $created_at
 * @property Collection<int, WebhookCall> $calls
 */
final class Webhook extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;
    /** What can be heard of, in words. */
    public const EVENTS = ['run.signed' => 'A run or a service visit is signed', 'stop.found' => 'A finding stops a switch'];

    protected $guarded = [];
    protected $hidden = ['secret'];

    /** @return HasMany<WebhookCall, $this> the newest first */
    public function calls(): HasMany
    {
        $relation = $this->hasMany(WebhookCall::class);
        $relation->orderByDesc('created_at');

        return $relation;
    }

    protected function casts(): array
    {
        return ['events' => 'array', 'secret' => 'encrypted', 'created_at' => 'datetime'];
    }
}
