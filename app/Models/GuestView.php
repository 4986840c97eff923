<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;

/**
 * What a guest sees of a company: the sites that were named, and what belongs to them. Each table says by which column it belongs to a
 * site; a table that nobody has put into this list shows nothing.
 */
final readonly class GuestView
{
    private const BY_SITE = ['switches', 'switch_statuses', 'status_changes'];
    private const BY_SWITCH = [
        'benches', 'capacitor_banks', 'circuit_drafts', 'circuits', 'distributions', 'load_tests', 'loads', 'log_entries', 'logbooks',
        'meter_readings', 'notices', 'part_proofs', 'photos', 'plans', 'runs', 'seasons', 'sheets', 'upkeeps', 'visits', 'ways',
    ];
    private const BY_RUN = ['handover_links', 'marks', 'step_answers'];
    private const BY_LOAD_TEST = ['load_marks', 'load_readings'];
    /** The company's own, which work on a site needs to read. */
    private const OF_ALL = ['column_maps', 'equipment', 'typical_loads'];
    /** One's own. */
    private const OWN = ['absences', 'feeds', 'work_profiles'];

    /**
     * @param Builder<covariant \Illuminate\Database\Eloquent\Model> $query
     */
    public static function narrow(Builder $query, User $guest): void
    {
        $table = $query->getModel()->getTable();
        $sites = $guest->guestSites();
        match (true) {
            $table === 'sites' => $query->whereIn('sites.id', $sites),
            in_array($table, self::BY_SITE, true) => $query->whereIn("$table.site_id", $sites),
            in_array($table, self::BY_SWITCH, true) => $query->whereIn("$table.switch_id", self::switches($sites)),
            $table === 'service_intervals' => $query->where(static fn(Builder $one) => $one->whereNull("$table.switch_id")
                ->orWhereIn("$table.switch_id", self::switches($sites))),
            in_array($table, self::BY_RUN, true) => $query->whereIn("$table.run_id", self::of('runs', $sites)),
            in_array($table, self::BY_LOAD_TEST, true) => $query->whereIn("$table.load_test_id", self::of('load_tests', $sites)),
            $table === 'recordings' => $query->whereIn("$table.load_test_id", self::of('load_tests', $sites)),
            $table === 'record_entries' => $query->where(static fn(Builder $one) => $one->whereIn("$table.run_id", self::of('runs', $sites))
                ->orWhereIn("$table.load_test_id", self::of('load_tests', $sites))
                ->orWhereIn("$table.logbook_id", self::of('logbooks', $sites))),
            in_array($table, self::OF_ALL, true) => null,
            in_array($table, self::OWN, true) => $query->where("$table.user_id", $guest->id),
            default => $query->whereRaw('0 = 1'),
        };
    }

    /**
     * @param list<int> $sites
     *
     * @return \Closure(Query): mixed
     */
    private static function switches(array $sites): \Closure
    {
        return static fn(Query $inner) => $inner->select('id')->from('switches')->whereIn('site_id', $sites);
    }

    /**
     * @param list<int> $sites
     *
     * @return \Closure(Query): mixed
     */
    private static function of(string $table, array $sites): \Closure
    {
        return static fn(Query $inner) => $inner->select('id')->from($table)->whereIn('switch_id', self::switches($sites));
    }
}
