<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Where a switch stands, as it was worked out last (StatusBook); a row without a switch is a site that has none yet.
 *
 * @phpstan-type Stage array{key: string, name: string, words: string, state: 'open'|'part'|'proven'|'stop', fraction: float, path: ?string}
 * @phpstan-type Ruler array{tests: list<array{int, bool}>, done: list<array{int, bool}>}
 *
 * @property int         $id
 * @property int         $company_id
 * @property int         $site_id
 * @property ?int        $switch_id
 * @property string      $name          of the site, with the switch where it has several
 * @property string      $kind
 * @property 0|1|2|3     $rank          stop, warn, note, nothing needed
 * @property string      $claim
 * @property string      $detail
 * @property string      $path          where it is put right
 * @property list<Stage> $stages
 * @property ?Carbon     $proven_on     anything of it, last
 * @property ?string     $proven_by
 * @property bool        $is_proven
 * @property ?Carbon     $last_test_on
 * @property ?string     $last_test_words
 * @property ?Carbon     $next_test_on
 * @property ?string     $next_test_words what kind of run that is
 * @property bool        $asks_tests    a school asks for load tests of it
 * @property ?string     $school
 * @property Ruler       $ruler
 * @property ?array<string, mixed> $storm a site of storm_readiness; null without a generator
 * @property Carbon      $made_on
 * @property Site        $site
 */
final class SwitchStatus extends Model
{
    use BelongsToCompany;

    public $timestamps = false;
    protected $guarded = [];

    public function hasEngine(): bool
    {
        return is_string($this->getRawOriginal('storm'));
    }

    /** A site of storm_readiness without its name, as JSON has it: read past the cast, which takes its time with thousands. */
    public function stormFacts(): \stdClass
    {
        $raw = $this->getRawOriginal('storm');
        $facts = json_decode(is_string($raw) ? $raw : '{}', false, 16, JSON_THROW_ON_ERROR);

        return $facts instanceof \stdClass ? $facts : new \stdClass();
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    protected function casts(): array
    {
        return [
            'rank' => 'integer', 'stages' => 'array', 'is_proven' => 'boolean', 'proven_on' => 'date', 'last_test_on' => 'date',
            'next_test_on' => 'date',
            'asks_tests' => 'boolean', 'ruler' => 'array', 'storm' => 'array', 'made_on' => 'date',
        ];
    }
}
