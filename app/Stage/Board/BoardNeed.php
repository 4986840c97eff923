<?php

declare(strict_types=1);

namespace App\Stage\Board;

/** Something that waits for a person. */
final readonly class BoardNeed
{
    private const RANKS = ['stop' => 0, 'warn' => 1, 'note' => 2, 'proven' => 3];

    public int $rank;

    /** @param 'stop'|'warn'|'note'|'proven' $severity */
    public function __construct(public string $severity, public string $claim, public string $detail, public string $url)
    {
        $this->rank = self::RANKS[$severity];
    }
}
