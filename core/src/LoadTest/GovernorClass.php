<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/**
 * What a set may do at a load step, by class: ISO 8528-5, to be confirmed in the edition in force. Spark engines are by agreement with the
 * maker. Rule: docs/rules.md#load-test-evaluate.
 */
enum GovernorClass: string
{
    case G1 = 'G1';
    case G2 = 'G2';
    case G3 = 'G3';

    /** Percent: dip and rise of volts, dip of hertz for diesel and for spark engines, rise of hertz; seconds of recovery. */
    private const LIMITS = [
        'G1' => ['v_dip' => 25, 'v_rise' => 35, 'v_s' => 10, 'diesel' => 15, 'spark' => 25, 'hz_rise' => 18, 'hz_s' => 10],
        'G2' => ['v_dip' => 20, 'v_rise' => 25, 'v_s' => 6, 'diesel' => 10, 'spark' => 20, 'hz_rise' => 12, 'hz_s' => 5],
        'G3' => ['v_dip' => 15, 'v_rise' => 20, 'v_s' => 4, 'diesel' => 7, 'spark' => 15, 'hz_rise' => 10, 'hz_s' => 3],
    ];
    /** Percent of nominal that a recovered value stays inside: volts, hertz. */
    private const BANDS = ['G1' => [5.0, 2.5], 'G2' => [2.5, 1.5], 'G3' => [1.0, 0.5]];

    public function vBandPct(): float
    {
        return self::BANDS[$this->value][0];
    }

    public function hzBandPct(): float
    {
        return self::BANDS[$this->value][1];
    }

    public function vSeconds(): float
    {
        return self::LIMITS[$this->value]['v_s'];
    }

    public function hzSeconds(): float
    {
        return self::LIMITS[$this->value]['hz_s'];
    }

    /** The least, or on a step down the greatest, deviation of the volts, in percent. */
    public function vLimitPct(bool $isIncrease): float
    {
        $limits = self::LIMITS[$this->value];

        return $isIncrease ? -$limits['v_dip'] : $limits['v_rise'];
    }

    public function hzLimitPct(bool $isIncrease, bool $isDiesel): float
    {
        $limits = self::LIMITS[$this->value];

        return $isIncrease ? -$limits[$isDiesel ? 'diesel' : 'spark'] : $limits['hz_rise'];
    }

    /** 0 for none, 3 for the best. */
    public static function rank(?self $class): int
    {
        return $class === null ? 0 : (int) substr($class->value, 1);
    }

    /** @return list<self> the best first */
    public static function bestFirst(): array
    {
        return [self::G3, self::G2, self::G1];
    }
}
