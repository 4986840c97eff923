<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** What a person answered to a step, before it is judged. */
final readonly class SubmittedAnswer
{
    /**
     * @param ?bool   $isSo       confirm, photo and sign: as expected, or not; of a measurement that has a tick: ticked
     * @param ?float  $value      of a measurement, in the unit of its band
     * @param ?string $choice     one of the step's
     * @param ?string $skipReason why it is left out
     * @param ?string $name       of the person who signs
     * @param int     $photos     pictures that go with it
     */
    public function __construct(
        public ?bool $isSo = null,
        public ?float $value = null,
        public ?string $choice = null,
        public ?string $skipReason = null,
        public ?string $note = null,
        public ?string $name = null,
        public int $photos = 0,
    ) {}
}
