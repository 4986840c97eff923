<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

/** A board on two sources. Rule: docs/rules.md#feeder-schedule3. */
final readonly class FeederInput
{
    private const FACTORS = [
        'board' => [1 => 1.0, 3 => 0.8, 5 => 0.7, 9 => 0.6, PHP_INT_MAX => 0.5],
        'switchgear' => [1 => 1.0, 3 => 0.9, 5 => 0.8, 9 => 0.7, PHP_INT_MAX => 0.6],
    ];

    /**
     * @param 'board'|'factor'|'none'|'switchgear' $diversity
     * @param ?float                               $ownFactor
     * @param list<FeederWay>                      $ways
     */
    public function __construct(
        public bool $isIec,
        public FeederSupply $supply,
        public FeederChangeover $changeover,
        private string $diversity,
        private ?float $ownFactor,
        public float $dropLimitPct,
        public array $ways,
    ) {}

    public function factor(): float
    {
        if ($this->diversity === 'factor') {
            return $this->ownFactor ?? 1.0;
        }
        foreach (self::FACTORS[$this->diversity] ?? [] as $most => $factor) {
            if (count($this->ways) <= $most) {
                return $factor;
            }
        }

        return 1.0;
    }
}
