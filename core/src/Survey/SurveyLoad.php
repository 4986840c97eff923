<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

/** A load, as far as a survey judges it. */
final readonly class SurveyLoad
{
    /** @param bool $hasUps it rides through a blink by itself */
    public function __construct(public string $id, public bool $isSensitive = false, public bool $hasUps = false) {}

    public function blinks(): bool
    {
        return $this->isSensitive && ! $this->hasUps;
    }
}
