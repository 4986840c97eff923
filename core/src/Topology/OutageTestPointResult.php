<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Finding;

/** The one device to open for an outage test, or none and why. */
final readonly class OutageTestPointResult
{
    /**
     * @param ?string       $device   reference on the one-line
     * @param ?string       $name     as it is called on every page; null: nothing is to be opened
     * @param string        $because  why this one, in a sentence
     * @param list<string>  $loadsLostElsewhere loads outside of the switch that go dark with it, by reference
     * @param list<Finding> $findings
     */
    public function __construct(
        public TestPointStatus $status,
        public ?string $device,
        public ?string $name,
        public string $because,
        public array $loadsLostElsewhere = [],
        public array $findings = [],
    ) {}

    /** A device is named that opening it is an outage to the switch. */
    public function isUsable(): bool
    {
        return $this->name !== null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'status' => $this->status->value, 'device' => $this->device, 'name' => $this->name, 'because' => $this->because,
            'loads_lost_elsewhere' => $this->loadsLostElsewhere,
            'findings' => array_map(static fn(Finding $finding): array => $finding->toArray(), $this->findings),
            'working' => [],
        ];
    }
}
