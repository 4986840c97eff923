<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

use Escapement\Core\Input\BadInput;

/** A motor and what it starts from. Rule: docs/rules.md#motor-start. */
final readonly class MotorStartInput
{
    /** Dip in percent that is aimed at, and the one that what is connected no longer stands. To be confirmed against what is connected. */
    public const LIMITS = ['sensitive' => [10.0, 10.0], 'lighting' => [15.0, 15.0], 'general' => [20.0, 30.0], 'motors' => [30.0, 30.0]];

    public float $limitPct;
    public float $stopPct;

    /**
     * @param 'general'|'lighting'|'motors'|'sensitive' $application what else is connected
     * @param ?float                                    $ownPct      the dip that it stands, where somebody knows
     * @param bool                                      $isStrict    what is aimed at is the limit
     * @param 'lower'|'mid'|'upper'                     $bound       of the range that a code letter stands for
     *
     * @throws BadInput where motor or source cannot be judged by what is given
     */
    public function __construct(
        public Motor $motor,
        public StartSource $source,
        string $application = 'general',
        ?float $ownPct = null,
        bool $isStrict = false,
        public string $bound = 'upper',
    ) {
        $this->limitPct = $ownPct ?? self::LIMITS[$application][0];
        $this->stopPct = $isStrict ? $this->limitPct : $ownPct ?? self::LIMITS[$application][1];
        if ($motor->lockedRotorA === null && ($motor->code === null || $motor->hp === null) && $motor->fullLoadA === null) {
            throw new BadInput('/motor', 'Locked-rotor amps, or code letter and horsepower, or full-load amps are needed.');
        }
        if (! in_array($motor->method, StartMethod::of($motor->phases), true)) {
            throw new BadInput('/motor/method', 'A single-phase motor starts direct on line or by a soft starter.');
        }
        if (! in_array($motor->method, $motor->methods(), true)) {
            throw new BadInput('/motor/fla_a', 'What a drive draws is calculated from the full-load amps.');
        }
        if (($source->makerKva === null) !== ($source->makerDipPct === null)) {
            throw new BadInput(
                $source->makerKva === null ? '/source/maker_kva' : '/source/maker_dip_pct',
                'A point of the maker\'s curve has both its kVA and its dip.',
            );
        }
    }
}
