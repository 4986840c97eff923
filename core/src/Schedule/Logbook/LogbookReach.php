<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/**
 * How far back a logbook has to be read for what it says of a span: to the readings its meters begin with, to the last visit, and
 * whatever stays open. Leaving out the rest changes no figure. Rule: docs/rules.md#logbook-summary.
 */
final readonly class LogbookReach
{
    /** Kinds that tell how far. */
    public const REACHING = ['hours', 'fuel_level', 'visit'];
    /** Settings are compared with the last ones, whenever that was; outages must not overlap; an alarm may never have been cleared. */
    public const OF_ANY_TIME = ['settings', 'visit', 'outage', 'alarm'];

    /** Seconds since 1970: from here on every line is needed. */
    public int $backS;

    /** @param list<array{kind: string, at: int, end: ?int}> $lines those of the reaching kinds; seconds since 1970, end: of a visit */
    public function __construct(array $lines, int $fromS, private int $toS)
    {
        $last = [];
        foreach ($lines as $line) {
            if ($line['kind'] === 'visit') {
                if ($line['end'] !== null && $line['end'] < $toS) {
                    $last['visit'] = max($last['visit'] ?? PHP_INT_MIN, $line['end']);
                }
            } elseif (in_array($line['kind'], self::REACHING, true) && $line['at'] <= $fromS) {
                $last[$line['kind']] = max($last[$line['kind']] ?? PHP_INT_MIN, $line['at']);
            }
        }
        $this->backS = min([$fromS, ...array_values($last)]);
    }

    /** @param ?int $endS of a visit, or when an alarm was cleared */
    public function needs(string $kind, int $atS, ?int $endS): bool
    {
        return $atS >= $this->backS || in_array($kind, self::OF_ANY_TIME, true)
            && ($kind !== 'alarm' || $endS === null || $endS >= $this->toS);
    }
}
