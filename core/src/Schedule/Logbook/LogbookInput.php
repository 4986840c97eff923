<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

use Escapement\Core\Power\Fuel\FuelUse;

/** A logbook between two moments. Rule: docs/rules.md#logbook-summary. */
final readonly class LogbookInput
{
    /**
     * @param int            $from      seconds since 1970
     * @param list<LogEntry> $entries   in the order of time
     * @param ?FuelUse       $fuelUse   null: the source is not known
     * @param bool           $isNaturalGas whose level is the reading of a meter, which counts up
     * @param bool           $isGenericFuel no table of the maker
     */
    public function __construct(
        public int $from,
        public int $to,
        public array $entries,
        public ?FuelUse $fuelUse,
        public float $ratedKw,
        public bool $isNaturalGas,
        public bool $isGenericFuel,
        public float $fuelTolerancePct,
        public float $gapDays,
        public int $batteryNominalV,
    ) {}

    /** @return list<LogEntry> before the end; what comes later is left out of everything */
    public function before(): array
    {
        return array_values(array_filter($this->entries, fn(LogEntry $one): bool => $one->at < $this->to));
    }

    /** @return list<LogEntry> */
    public function inPeriod(string ...$kinds): array
    {
        return array_values(array_filter(
            $this->before(),
            fn(LogEntry $one): bool => $one->at >= $this->from && ($kinds === [] || in_array($one->kind, $kinds, true)),
        ));
    }
}
