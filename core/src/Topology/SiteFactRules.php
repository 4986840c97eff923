<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * What a service brings with it and a drawing does not show: declared, or open. Nothing is said about what was not asked.
 * Rule: docs/rules.md#topology.
 */
final readonly class SiteFactRules
{
    /** In the order in which they are asked. */
    public const FACTS = [
        'dwelling',
        'emergency_disconnect',
        'emergency_disconnect_marked',
        'surge_device',
        'intersystem_bond',
        'source_sign',
        'grounding_sign',
        'working_space',
        'inspection_release',
    ];

    public function __construct(private OneLine $drawing, private PlacedFindings $findings) {}

    public function judge(): void
    {
        foreach ($this->drawing->sources as $source) {
            if ($source->hasEmergencyStop === false) {
                $this->findings->raise('generator-emergency-stop-missing', $source->id);
            }
        }
        $facts = $this->drawing->facts;
        if ($facts === null) {
            return;
        }
        $isDwelling = $facts['dwelling'] === true;
        $missing = [
            'emergency-disconnect-missing' => $isDwelling && $facts['emergency_disconnect'] === false,
            'emergency-disconnect-unmarked' => $facts['emergency_disconnect'] !== false && $facts['emergency_disconnect_marked'] === false,
            'surge-device-missing' => $isDwelling && $facts['surge_device'] === false,
            'intersystem-bond-missing' => $facts['intersystem_bond'] === false,
            'source-sign-missing' => $facts['source_sign'] === false,
            'grounding-sign-missing' => $facts['grounding_sign'] === false,
            'working-space-short' => $facts['working_space'] === false,
            'inspection-release-open' => $facts['inspection_release'] === false,
            'service-facts-open' => $this->isOpen($facts),
        ];
        foreach (array_keys(array_filter($missing)) as $id) {
            $this->findings->raise($id);
        }
    }

    /** @param array<string, ?bool> $facts */
    private function isOpen(array $facts): bool
    {
        $asked = [
            'intersystem_bond',
            'source_sign',
            'working_space',
            'inspection_release',
            ...($facts['dwelling'] === false ? [] : ['emergency_disconnect', 'surge_device']),
        ];
        $serviceRated = array_filter($this->drawing->switches, static fn(Element $switch): bool => $switch->isServiceRated);

        return $serviceRated !== [] && in_array(null, array_map(static fn(string $fact): ?bool => $facts[$fact], $asked), true);
    }
}
