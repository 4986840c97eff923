<?php

declare(strict_types=1);

namespace Escapement\Core\Landing;

use Escapement\Core\Wiring\Sizes;

/** Where a run goes into an enclosure, and what has to be in the bag for it. Rule: field notes P5, P6, I5. Knock-outs to be confirmed on the box. */
final readonly class Entry
{
    private const KNOCK_OUT_IN = ['1/2' => 0.875, '3/4' => 1.125, '1' => 1.375, '1-1/4' => 1.75, '1-1/2' => 2.0, '2' => 2.5, '2-1/2' => 3.0, '3' => 3.625, '3-1/2' => 4.125, '4' => 4.625];
    private const BUSHED_FROM = '4';
    private const NAMES = ['emt' => 'EMT connector', 'rmc' => 'Rigid hub, two locknuts', 'pvc40' => 'PVC terminal adapter, locknut', 'pvc80' => 'PVC terminal adapter, locknut', 'lfmc' => 'Liquid-tight connector'];

    private function __construct(
        public string $enclosure,
        public string $feeder,
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
                $entries[] = new self(
                    $enclosure,
                    $feeder->name,
                    self::NAMES[$feeder->raceway] ?? 'Connector',
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
}
