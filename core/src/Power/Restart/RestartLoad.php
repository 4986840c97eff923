<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Restart;

/** A load that was shed and is to come back. */
final readonly class RestartLoad
{
    /** A compressor starts against pressure before this. To be confirmed with its maker. */
    public const COMPRESSOR_S = 180.0;

    public float $lockoutS;

    /**
     * @param int    $priority 1 comes back first, 99 last
     * @param ?float $lockoutS seconds without power before it may start; null: what is usual
     */
    public function __construct(
        public string $id,
        public float $kw,
        public float $startKva = 0.0,
        public int $priority = 50,
        public bool $isCompressor = false,
        ?float $lockoutS = null,
        public bool $mustRun = false,
    ) {
        $this->lockoutS = $lockoutS ?? ($isCompressor ? self::COMPRESSOR_S : 0.0);
    }
}
