<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/** Work at one place. Rule: docs/rules.md#visit-plan. */
final readonly class Visit
{
    /**
     * @param list<string> $skills   all of them needed
     * @param int          $priority 5 most urgent
     * @param ?int         $earliest day, hard
     * @param ?int         $latest   day, hard
     * @param ?int         $due      day, soft
     * @param int          $fromMin  work begins not before
     * @param int          $toMin    and ends not after
     * @param ?int         $lockTechnician the technician and day that a person chose
     */
    public function __construct(
        public string $id,
        public float $lat,
        public float $lon,
        public int $durationMin,
        public array $skills,
        public int $priority,
        public ?int $earliest,
        public ?int $latest,
        public ?int $due,
        public int $fromMin,
        public int $toMin,
        public ?int $lockTechnician,
        public ?int $lockDay,
    ) {}

    public function isLocked(): bool
    {
        return $this->lockTechnician !== null;
    }
}
