<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** What is agreed with the people on site. */
final readonly class SiteHabits
{
    /** @param list<QuietHours> $quietHours */
    public function __construct(
        public ?string $timezone = null,
        public array $quietHours = [],
        public ?SiteExercise $exercise = null,
        public int $loadTestsPerYear = 0,
        public ?Fuel $fuel = null,
    ) {}
}
