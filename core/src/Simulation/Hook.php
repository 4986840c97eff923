<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Plant\Side;

/** What hands can do to a plant beyond a scenario; it acts among the events of its millisecond. Rule: docs/rules.md#bench-play. */
final readonly class Hook
{
    private function __construct(
        public int $atMs,
        public ?bool $isBreakerClosed = null,
        public ?string $rotation = null,
        public ?Side $lever = null,
    ) {}

    public static function breaker(int $atMs, bool $isClosed): self
    {
        return new self($atMs, isBreakerClosed: $isClosed);
    }

    /** @param string $rotation abc or acb: two leads of the set are swapped, or back */
    public static function rotation(int $atMs, string $rotation): self
    {
        return new self($atMs, rotation: $rotation);
    }

    public static function handle(int $atMs, Side $to): self
    {
        return new self($atMs, lever: $to);
    }
}
