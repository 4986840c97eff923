<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Sensing;

use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Simulation\Units;

/** The limits of one source in volts and hertz, in the fixed units of the simulation; each pair is drop-out, pick-up. */
final readonly class Thresholds
{
    public int $nominalV;
    public int $nominalHz;
    /** @var array{int, int} */
    public array $underVoltage;
    /** @var null|array{int, int} */
    public ?array $overVoltage;
    /** @var null|array{int, int} */
    public ?array $underFrequency;
    /** @var null|array{int, int} */
    public ?array $overFrequency;
    /** @var null|array{array{int, int}, array{int, int}} each [numerator, denominator] of the mean */
    public ?array $unbalance;
    /** @var list<int|float> every voltage below which something changes its state; half of nominal is the load bus */
    public array $voltsBelow;

    public function __construct(Source $source, Sensing $sensing)
    {
        $this->nominalV = Units::signal($source->nominalV);
        $this->nominalHz = Units::signal($source->nominalHz);
        $this->underVoltage = self::pair($source->nominalV, $sensing->underVoltage);
        $this->overVoltage = self::maybe($source->nominalV, $sensing->overVoltage);
        $this->underFrequency = self::maybe($source->nominalHz, $sensing->underFrequency);
        $this->overFrequency = self::maybe($source->nominalHz, $sensing->overFrequency);
        $this->unbalance = $sensing->unbalance === null ? null
            : [Units::share($sensing->unbalance->dropoutPct), Units::share($sensing->unbalance->pickupPct)];
        $this->voltsBelow = [...$this->underVoltage, $this->nominalV / 2];
    }

    /** @return null|array{int, int} */
    private static function maybe(int|float $nominal, ?Limit $limit): ?array
    {
        return $limit === null ? null : self::pair($nominal, $limit);
    }

    /** @return array{int, int} */
    private static function pair(int|float $nominal, Limit $limit): array
    {
        return [Units::part($nominal, $limit->dropoutPct), Units::part($nominal, $limit->pickupPct)];
    }
}
