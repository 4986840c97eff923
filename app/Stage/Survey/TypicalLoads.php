<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TypicalLoad;
use Illuminate\Support\Collection;

/** The library of loads: the company's own, or the generic one while it has none. */
final readonly class TypicalLoads
{
    /** @return Collection<int, array<string, mixed>> lines as LoadLines takes them; `connect` is 1 or 2 for the number of legs */
    public static function ofCompany(): Collection
    {
        $query = TypicalLoad::query();
        $query->orderBy('place');
        $own = $query->get()->map(static fn(TypicalLoad $load): array => $load->line);

        return $own->isEmpty() ? self::generic() : $own->toBase();
    }

    /** @return Collection<int, array<string, mixed>> */
    public static function generic(): Collection
    {
        /** @var list<list<mixed>> $rows */
        $rows = require base_path('core/data/typical_loads.php');

        return collect($rows)->map(static fn(array $row): array => array_combine(
            ['name', 'kw', 'legs', 'start_kva', 'duty_pct', 'priority', 'must_run', 'essential', 'shed', 'compressor', 'sensitive'],
            $row,
        ));
    }
}
