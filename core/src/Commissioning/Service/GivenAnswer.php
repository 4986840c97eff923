<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Service;

use Escapement\Core\Commissioning\Procedure\Verdict;

/** The answer of a step that counts, as far as a logbook takes it over. */
final readonly class GivenAnswer
{
    /** @param ?float $value in the unit of the step's band */
    public function __construct(
        public Verdict $verdict,
        public ?float $value = null,
        public ?string $choice = null,
        public ?string $note = null,
    ) {}
}
