<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * A site whose status is to be worked out again. Rows are only added by what changes something, inside their own transaction, and taken
 * away once the status that saw them is kept: nothing is lost by a crash between the two, and nobody waits for anybody.
 *
 * @property int $id
 * @property int $company_id
 * @property int $site_id
 */
final class StatusChange extends Model
{
    use BelongsToCompany;

    private const AT_ONCE = 500;

    public $timestamps = false;
    protected $guarded = [];

    public static function ofSite(int $siteId): void
    {
        self::add(DB::table('sites')->where('id', $siteId)->first(['company_id', 'id as site_id']));
    }

    public static function ofSwitch(int $switchId): void
    {
        self::add(DB::table('switches')->where('id', $switchId)->first(['company_id', 'site_id']));
    }

    public static function ofCompany(int $companyId): void
    {
        $rows = DB::table('sites')->where('company_id', $companyId)->pluck('id')
            ->map(static fn(mixed $id): array => ['company_id' => $companyId, 'site_id' => $id]);
        foreach ($rows->chunk(self::AT_ONCE) as $some) {
            DB::table('status_changes')->insert($some->all());
        }
    }

    /** Read first and then written: an insert that selects would lock what it reads. */
    private static function add(?\stdClass $row): void
    {
        if ($row !== null) {
            DB::table('status_changes')->insert(['company_id' => $row->company_id, 'site_id' => $row->site_id]);
        }
    }
}
