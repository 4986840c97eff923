<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** One line of the logbook; which fields mean anything depends on its kind. Rule: docs/rules.md#logbook-summary. */
final readonly class LogEntry
{
    /**
     * @param int          $at       seconds since 1970
     * @param string       $kind     hours, exercise, test, outage, alarm, fuel_fill, fuel_level, service, settings, witness, battery, visit
     * @param ?int         $end      of an outage or a visit; when an alarm was cleared
     * @param float        $amount   hours on the meter, litres or cubic metres, volts
     * @param ?float       $newMeterH what a new meter began with
     * @param bool         $isDone   exercise done, engine started, mark moved
     * @param ?float       $transferS dark seconds until the load was on the generator; null: it never was
     * @param string       $name     code, hash, terminal, who
     * @param string       $state    of settings found or left, of a battery rest, crank or charging
     * @param list<string> $items    of a service
     */
    public function __construct(
        public int $at,
        public string $kind,
        public ?int $end = null,
        public float $amount = 0.0,
        public ?float $newMeterH = null,
        public bool $isDone = true,
        public float $runMin = 0.0,
        public float $kw = 0.0,
        public ?float $transferS = null,
        public float $returnDarkS = 0.0,
        public string $name = '',
        public string $state = '',
        public array $items = [],
    ) {}

    /** An exercise that took place, a test, an outage with the engine started. */
    public function isRun(): bool
    {
        return $this->kind === 'test' || ($this->kind === 'exercise' || $this->kind === 'outage') && $this->isDone;
    }
}
