<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Wiring\StandardSizes;

/**
 * What a source gives at its site, whether an engine or an inverter is behind it: what plan, shedding, settings and procedure count with.
 */
final readonly class SourceFigures
{
    /**
     * @param float   $usableKw  at this elevation and temperature, through its breaker or outlet
     * @param float   $legA      A, each leg
     * @param float   $ratedKva  of the alternator, or what the inverter gives; what a motor start is set against
     * @param ?int    $ocpdA     the standard size for its rated current
     * @param string  $limitedBy engine, alternator, breaker, inverter or outlet
     * @param list<string> $legs that have voltage from it
     * @param bool    $hasLineVoltage between two legs too: false from one leg, and through a jumper that feeds both in phase
     */
    private function __construct(
        public float $usableKw,
        public float $usableKva,
        public float $legA,
        public float $ratedKva,
        public ?int $ocpdA,
        public string $limitedBy,
        public bool $isInverter,
        public array $legs,
        public bool $hasLineVoltage,
        public CalculationResult $answer,
    ) {}

    /** @param CalculationResult $answer of `source_rating` on a generator */
    public static function ofGenerator(CalculationResult $answer, LegSystem $system): self
    {
        $legs = array_map(static fn(int $n): string => "L$n", range(1, $system->legs()));
        $figure = self::reader($answer);
        $limitedBy = $answer->values['limited_by'];
        $next = $answer->values['breaker_next_a'];

        return new self(
            $figure('usable_kw'),
            $figure('usable_kva'),
            $figure('leg_a'),
            $figure('alternator_kva'),
            is_int($next) ? $next : null,
            is_string($limitedBy) ? $limitedBy : '',
            false,
            $legs,
            $system->legs() > 1,
            $answer,
        );
    }

    /**
     * @param CalculationResult $answer   of `source_rating` on an inverter
     * @param bool   $isJumped one leg feeds both through a jumper
     */
    public static function ofInverter(CalculationResult $answer, LegSystem $system, bool $isJumped): self
    {
        $figure = self::reader($answer);
        $isSplit = $answer->values['legs'] === 2;
        $hasLimit = in_array('outlet-limits', array_column($answer->findings, 'id'), true);

        return new self(
            $figure('usable_kw'),
            $figure('usable_kw'),
            $figure('leg_a'),
            $figure('surge_kw'),
            StandardSizes::next($figure('leg_a')),
            $hasLimit ? 'outlet' : 'inverter',
            true,
            ($isSplit || $isJumped) && $system->legs() > 1 ? ['L1', 'L2'] : ['L1'],
            $isSplit && $system->legs() > 1,
            $answer,
        );
    }

    /** @return \Closure(string): float */
    private static function reader(CalculationResult $answer): \Closure
    {
        return static function (string $key) use ($answer): float {
            $value = $answer->values[$key] ?? 0;

            return is_int($value) || is_float($value) ? (float) $value : 0.0;
        };
    }
}
