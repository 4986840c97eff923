<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

use Escapement\Core\Wiring\Sizes;

/**
 * Where a run goes into an enclosure, and what has to be in the bag for it. Rule: docs/rules.md#terminations. Knock-outs
 * to be confirmed on the box.
 */
final readonly class Entry
{
    private const KNOCK_OUT_IN = [
        '1/2' => 0.875,
        '3/4' => 1.125,
        '1' => 1.375,
        '1-1/4' => 1.75,
        '1-1/2' => 2.0,
        '2' => 2.5,
        '2-1/2' => 3.0,
        '3' => 3.625,
        '3-1/2' => 4.125,
        '4' => 4.625,
    ];
    private const BUSHED_FROM = '4';
    /** Which connector goes with a raceway: an id that stays, and what a person reads. */
    private const CONNECTORS = [
        'emt' => ['emt', 'EMT connector'],
        'rmc' => ['rigid-hub', 'Rigid hub, two locknuts'],
        'pvc40' => ['pvc-adapter', 'PVC terminal adapter, locknut'],
        'pvc80' => ['pvc-adapter', 'PVC terminal adapter, locknut'],
        'lfmc' => ['liquid-tight', 'Liquid-tight connector'],
    ];

    private function __construct(
        public string $enclosure,
        public string $feeder,
        public string $connectorId,
        public string $connector,
        public string $tradeSize,
        public float $knockOutIn,
        public bool $isBushed,
        public bool $isSealed,
        public int $pieces,
    ) {}

    /**
     * @param list<Feeder> $feeders
     *
     * @return list<self> both ends of each run
     */
    public static function of(array $feeders): array
    {
        $entries = [];
        foreach ($feeders as $feeder) {
            foreach ([$feeder->from, $feeder->to] as $enclosure) {
                [$connectorId, $connector] = self::CONNECTORS[$feeder->raceway] ?? ['connector', 'Connector'];
                $entries[] = new self(
                    $enclosure,
                    $feeder->name,
                    $connectorId,
                    $connector,
                    $feeder->tradeSize,
                    self::KNOCK_OUT_IN[$feeder->tradeSize] ?? 0.0,
                    Sizes::isAtLeast($feeder->size, self::BUSHED_FROM),
                    in_array($enclosure, ['gen', 'meter', 'inlet', 'cord'], true),
                    $feeder->sets,
                );
            }
        }

        return $entries;
    }

    public static function connectorName(string $connectorId): string
    {
        return array_column(self::CONNECTORS, 1, 0)[$connectorId] ?? 'Connector';
    }
}
