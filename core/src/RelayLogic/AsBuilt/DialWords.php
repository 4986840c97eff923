<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\AsBuilt;

use Escapement\Core\RelayLogic\Play\PhaseRelayDial;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** What the dials of a device stand at, as a person reads them off. */
final readonly class DialWords
{
    public static function of(RelayDevice $device, ?PhaseRelayDial $dial): string
    {
        if ($device->type === RelayType::Timer) {
            return self::number($device->seconds) . ' s, ' . ($device->isOnDelay ? 'on-delay' : 'off-delay');
        }
        $dial ??= new PhaseRelayDial();
        $limit = static fn(string $name, ?float $pct): string => $name . ' ' . ($pct === null ? 'off' : self::number($pct) . ' %');

        return implode(', ', [
            "on $device->supply" . ($dial->sensesLoad ? ', sensing the load side' : ''),
            $dial->measuresLines ? 'line to line' : 'line to neutral',
            $limit('under', $dial->underPct),
            $limit('over', $dial->overPct),
            'hysteresis ' . self::number($dial->hysteresisPct) . ' %',
            $limit('unbalance', $dial->unbalancePct),
            $limit('lost phase below', $dial->lossPct),
            $dial->watchesSequence ? 'phase order watched' : 'phase order not watched',
            'trips after ' . self::number($dial->tripMs / 1000) . ' s',
            'lost phase after ' . self::number($dial->lossTripMs / 1000) . ' s',
            'good after ' . self::number($dial->resetMs / 1000) . ' s',
        ]);
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }
}
