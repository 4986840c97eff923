<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

/** Something that is serviced by hours run, by months, or by both. */
final readonly class ServiceItem
{
    public const USUAL_MINUTES = 30.0;

    /**
     * @param ?float $hours      between two services
     * @param ?float $firstHours of the first one
     * @param float  $minutes    on site
     * @param bool   $isGeneric  intervals of ours, until the maker's are typed
     */
    public function __construct(
        public string $id,
        public bool $isGeneric,
        public ?float $hours,
        public ?int $months,
        public ?float $firstHours,
        public ?int $firstMonths,
        public float $minutes,
        public ?string $skill,
    ) {}

    /** @return list<string> every item of the table, of whatever engine */
    public static function ids(): array
    {
        /** @var array<string, array<string, mixed>> $table */
        $table = require __DIR__ . '/../../../data/service_items.php';

        return array_keys($table);
    }

    /**
     * The generic items that this engine has, in the order of the table.
     *
     * @return array<string, self>
     */
    public static function generic(bool $isLiquid, string $fuel): array
    {
        /** @var array<string, array<string, mixed>> $table */
        $table = require __DIR__ . '/../../../data/service_items.php';
        $column = match (true) {
            $fuel === 'diesel' => 'diesel',
            $isLiquid => 'liquid',
            default => 'air',
        };
        $items = [];
        foreach ($table as $id => $row) {
            $isLeftOut = $fuel === 'diesel'
                ? isset($row['if_liquid']) && ! $isLiquid
                : isset($row['spark_fuels']) && ! in_array($fuel, (array) $row['spark_fuels'], true);
            /** @var ?array{?int, ?int, ?int, ?int} $intervals */
            $intervals = $row['all'] ?? $row[$column] ?? null;
            if ($intervals === null || $isLeftOut) {
                continue;
            }
            $items[$id] = new self(
                $id,
                true,
                $intervals[0],
                $intervals[1],
                $intervals[2],
                $intervals[3],
                is_int($row['minutes']) ? (float) $row['minutes'] : self::USUAL_MINUTES,
                is_string($row['skill']) ? $row['skill'] : null,
            );
        }

        return $items;
    }
}
