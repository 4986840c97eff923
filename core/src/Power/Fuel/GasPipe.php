<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** A low-pressure pipe to the machine. Rule: docs/rules.md#fuel. */
final readonly class GasPipe
{
    /** Schedule 40 inside diameters, inches. */
    public const INSIDE_IN = [
        '1/2' => 0.622,
        '3/4' => 0.824,
        '1' => 1.049,
        '1-1/4' => 1.380,
        '1-1/2' => 1.610,
        '2' => 2.067,
        '2-1/2' => 2.469,
        '3' => 3.068,
        '4' => 4.026,
    ];
    private const GRAVITY = ['natural_gas' => 0.6094, 'lp' => 1.2462];

    /** With its fittings. */
    public float $lengthFt;

    /**
     * @param float   $fittingsPct of the length that fittings add
     * @param float   $dropInwc    that is allowed
     * @param ?string $size        that is there or meant, a key of INSIDE_IN
     * @param ?float  $demandBtuh  null: of the machine at its rating
     */
    public function __construct(
        float $lengthFt,
        float $fittingsPct = 50.0,
        public float $dropInwc = 0.5,
        public ?string $size = null,
        public ?float $demandBtuh = null,
    ) {
        $this->lengthFt = $lengthFt * (1 + $fittingsPct / 100);
    }

    /**
     * @return array{flow_ft3_h: float, diameter_in: float, min_size: ?string, capacity_ft3_h: ?float,
     *     drop_at_demand_inwc: ?float, ok: ?bool}
     */
    public function answer(FuelInput $in, float $btuhFull, Findings $findings, Working $working): array
    {
        $gravity = self::GRAVITY[$in->fuel] ?? 1.0;
        $flow = ($this->demandBtuh ?? $btuhFull) / $in->use->btuPerFt3;
        $k = 19.17 * ($this->dropInwc / ($gravity * $this->lengthFt)) ** 0.206;
        $diameterIn = $flow ** 0.381 / $k;
        $working->add(
            'Inside diameter',
            sprintf('%.4g ft³/h ^0.381 / (19.17 × (%g / (%g × %g ft))^0.206)', $flow, $this->dropInwc, $gravity, $this->lengthFt),
            $diameterIn,
            'in',
        );
        $minSize = self::smallest($diameterIn);
        if ($minSize === null) {
            $findings->raise('pipe-none');
        }
        $insideIn = $this->size === null ? null : self::INSIDE_IN[$this->size];
        $isOk = $insideIn === null ? null : ! Tolerance::isBelow($insideIn, $diameterIn);
        if ($isOk === false) {
            $findings->raise('pipe-small', ['size' => $this->size, 'min_size' => $minSize]);
        }

        return [
            'flow_ft3_h' => $flow,
            'diameter_in' => $diameterIn,
            'min_size' => $minSize,
            'capacity_ft3_h' => $insideIn === null ? null : ($k * $insideIn) ** (1 / 0.381),
            'drop_at_demand_inwc' => $insideIn === null ? null
                : $gravity * $this->lengthFt * ($flow ** 0.381 / (19.17 * $insideIn)) ** (1 / 0.206),
            'ok' => $isOk,
        ];
    }

    private static function smallest(float $diameterIn): ?string
    {
        foreach (self::INSIDE_IN as $size => $insideIn) {
            if (! Tolerance::isBelow($insideIn, $diameterIn)) {
                return (string) $size;
            }
        }

        return null;
    }
}
