<?php

declare(strict_types=1);

namespace App\Stage;

/** A tooth of the train: how far a stage is, always said in words too. */
final readonly class StageRow
{
    /**
     * @param 'open'|'part'|'proven'|'stop' $state
     * @param float                         $fraction 0 to 1, how much of the tooth is filled
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $words,
        public string $state,
        public float $fraction,
        public ?string $url,
    ) {}
}
