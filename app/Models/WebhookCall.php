<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A message to the address of a webhook: sent until the address accepts it, a few times.
 *
 * @property string  $id      the same with each try, so that a receiver can take it once
 * @property int     $company_id
 * @property int     $webhook_id
 * @property string  $event
 * @property string  $body    JSON as it is signed and sent
 * @property int     $tries
 * @property ?string $said    what came back last, or why nothing did
 * @property ?Carbon $delivered_at
 * @property ?Carbon $given_up_at
 * @property Carbon  $created_at
 * @property Webhook $webhook
 */
final class WebhookCall extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;
    private const KEPT_DAYS = 90;
    public $incrementing = false;
    protected $keyType = 'string';
    protected $guarded = [];

    /** @return BelongsTo<Webhook, $this> */
    public function webhook(): BelongsTo
    {
        return $this->belongsTo(Webhook::class);
    }

    /** Deletes old messages, of every company: the receivers keep their own. */
    public static function forget(): void
    {
        $query = self::query()->withoutGlobalScopes();
        $query->where('created_at', '<', Carbon::now()->subDays(self::KEPT_DAYS))->delete();
    }

    public function words(): string
    {
        return ($this->said ?? 'not sent yet') . ($this->given_up_at === null ? '' : ' Given up.');
    }

    /** Marks only what went wrong: an accepted message proves nothing. */
    public function glyph(): string
    {
        return $this->given_up_at !== null ? 'stop' : ($this->said !== null && $this->delivered_at === null ? 'warn' : 'note');
    }

    protected function casts(): array
    {
        return ['delivered_at' => 'datetime', 'given_up_at' => 'datetime', 'created_at' => 'datetime'];
    }
}
