<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Profile;

/** What was read at one place. */
final readonly class PlaceReading
{
    /**
     * @param null|float|int $raw   what stands there
     * @param ?float         $value in our unit; 1 or 0 of a state; null: not known
     * @param ?string        $doubt why it is not known, or cannot be
     */
    public function __construct(public Place $place, public null|float|int $raw, public ?float $value, public ?string $doubt) {}

    public function isGood(): bool
    {
        return $this->value !== null && $this->doubt === null;
    }
}
