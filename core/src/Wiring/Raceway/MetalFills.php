<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\Ampacity;
use Escapement\Core\Wiring\EgcTable;
use Escapement\Core\Wiring\Raceways;
use Escapement\Core\Wiring\Sizes;

/** Sizes one feeder in copper and in aluminum for the same raceway. Rule: docs/rules.md#raceway-fill. */
final readonly class MetalFills
{
    private const LARGEST_LISTED = '500';

    public function __construct(private RacewayFillInput $in, private MetalComparison $want) {}

    public function of(string $metal): MetalFill
    {
        $want = $this->want;
        $kind = $metal === 'cu' ? $want->copperKind : $want->aluminumKind;
        $hot = $this->hot($metal, $kind);
        if ($hot === null) {
            return new MetalFill();
        }
        $hotArea = (float) Raceways::conductor($kind, $hot);
        $egcSize = $want->hasEgc ? EgcTable::egc($want->ocpdA, $metal) : null;
        $egcKind = $egcSize !== null && $kind !== 'xhhw2_compact' && Raceways::conductor($kind, $egcSize) !== null ? $kind : 'xhhw2';
        $large = $want->hots + ($want->hasNeutral ? 1 : 0);
        $total = $large * $hotArea + ($egcSize === null ? 0.0 : (float) Raceways::conductor($egcKind, $egcSize));
        $limitPct = Raceways::limitPct($large + ($egcSize === null ? 0 : 1), $this->in->isNipple);
        $fillPct = 100 * $total / Raceways::area($this->in->type, $this->in->tradeSize);

        return new MetalFill(
            $hot,
            $egcSize,
            $total,
            $fillPct,
            RelativeTolerance::isAtLeast($limitPct, $fillPct),
            Raceways::smallest($this->in->type, $total, $limitPct),
            sqrt(4 * $hotArea / M_PI),
        );
    }

    private function hot(string $metal, string $kind): ?string
    {
        $is83 = Ampacity::is83($this->want->isDwelling, $this->want->ocpdA);
        $terminalC = Ampacity::terminal($this->want->terminalC, $this->want->ocpdA, $is83);
        foreach (Sizes::awg($metal) as $size) {
            $amps = Ampacity::amps($metal, $size, $terminalC);
            $most = min(Ampacity::roundUp($amps), Ampacity::smallCap($metal, $size) ?? INF);
            $isEnough = $is83
                ? RelativeTolerance::isAtLeast($amps, 0.83 * $this->want->ocpdA)
                : RelativeTolerance::isAtLeast($most, $this->want->ocpdA);
            if ($isEnough && Raceways::conductor($kind, $size) !== null) {
                return $size;
            }
            if ($size === self::LARGEST_LISTED) {
                return null;
            }
        }

        return null;
    }
}
