<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Feed;

/** One line that a device reports of itself. Rule: docs/rules.md#fleet-feed. */
final readonly class FeedLine
{
    /**
     * @param int                  $seq   counts up with each line of the device; the same one is the same line
     * @param int                  $atMs  since 1970, by the device's clock
     * @param array<string, mixed> $state what it says: position, engine, figures in our units; only what it knows
     * @param bool                 $isSimulated made up, by its own word
     */
    public function __construct(public int $seq, public int $atMs, public array $state, public bool $isSimulated) {}
}
