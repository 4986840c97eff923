<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

/** A box judged by its volume. Rule: docs/rules.md#pull-box. */
final readonly class BoxVolumeInput
{
    /**
     * @param non-empty-list<BoxConductors> $conductors
     * @param list<BoxConductors>           $egc        equipment grounding conductors
     * @param list<BoxDevice>               $devices
     * @param bool                          $isSingle   all grounding conductors count as one; else four, and a quarter for each more
     */
    public function __construct(
        public float $availableIn3,
        public array $conductors,
        public array $egc = [],
        public bool $hasClamps = false,
        public int $supportFittings = 0,
        public array $devices = [],
        public bool $isSingle = false,
    ) {}
}
