<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** What is known of the device that an outage is simulated with. */
final readonly class OutageTestPointInput
{
    /**
     * @param ?OneLine              $drawing null where the installation has none
     * @param array<string, string> $names   of elements; an element without one goes by its id
     * @param ?string               $device  reference of the surveyed device on the one-line; null: not identified
     * @param ?string               $label   what the technician calls it and where it is
     */
    public function __construct(
        public ?OneLine $drawing,
        public array $names = [],
        public ?string $device = null,
        public ?string $label = null,
    ) {}
}
