<?php

declare(strict_types=1);

namespace Escapement\Core\Sensing;

use Escapement\Core\Internal\Decimal;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Site\Source;

/**
 * The limits of one source in volts and hertz, in whole numbers of a unit small enough for every figure involved.
 */
final readonly class Thresholds
{
    public int $voltsPlaces;
    public int $hertzPlaces;
    public int|float $nominalV;
    public int|float $nominalHz;
    /** @var array{int|float, int|float} drop-out, pick-up */
    public array $underVoltage;
    /** @var null|array{int|float, int|float} */
    public ?array $overVoltage;
    /** @var null|array{int|float, int|float} */
    public ?array $underFrequency;
    /** @var null|array{int|float, int|float} */
    public ?array $overFrequency;
    /** @var null|array{array{int|float, int|float}, array{int|float, int|float}} each [numerator, denominator] of the mean */
    public ?array $unbalance;
    /** @var list<int|float> every voltage below which somebody changes his mind; half of nominal is the load bus */
    public array $voltsBelow;

    /**
     * @param list<int|float> $voltsUsed
     * @param list<int|float> $hertzUsed
     */
    public function __construct(Source $source, Sensing $sensing, array $voltsUsed, array $hertzUsed)
    {
        $voltLimits = [$sensing->underVoltage, $sensing->overVoltage];
        $hertzLimits = [$sensing->underFrequency, $sensing->overFrequency];
        $this->voltsPlaces = self::places($source->nominalV, $voltLimits, $voltsUsed);
        $this->hertzPlaces = self::places($source->nominalHz, $hertzLimits, $hertzUsed);
        $this->nominalV = Decimal::scaled($source->nominalV, $this->voltsPlaces);
        $this->nominalHz = Decimal::scaled($source->nominalHz, $this->hertzPlaces);
        $volts = fn(?Limit $limit): ?array => $limit === null ? null : self::pair($source->nominalV, $limit, $this->voltsPlaces);
        $hertz = fn(?Limit $limit): ?array => $limit === null ? null : self::pair($source->nominalHz, $limit, $this->hertzPlaces);
        $this->underVoltage = self::pair($source->nominalV, $sensing->underVoltage, $this->voltsPlaces);
        $this->overVoltage = $volts($sensing->overVoltage);
        $this->underFrequency = $hertz($sensing->underFrequency);
        $this->overFrequency = $hertz($sensing->overFrequency);
        $this->unbalance = $sensing->unbalance === null ? null
            : [self::share($sensing->unbalance->dropoutPct), self::share($sensing->unbalance->pickupPct)];
        $this->voltsBelow = [...$this->underVoltage, $this->nominalV / 2];
    }

    /**
     * @param list<?Limit>    $limits
     * @param list<int|float> $used
     */
    private static function places(int|float $nominal, array $limits, array $used): int
    {
        $places = Decimal::placesOfAll([$nominal, ...$used]);
        foreach ($limits as $limit) {
            if ($limit !== null) { // nominal · percent / 100
                $percent = Decimal::placesOfAll([$limit->dropoutPct, $limit->pickupPct]);
                $places = max($places, Decimal::places($nominal) + $percent + 2);
            }
        }

        return $places;
    }

    /** @return array{int|float, int|float} */
    private static function pair(int|float $nominal, Limit $limit, int $places): array
    {
        return [self::part($nominal, $limit->dropoutPct, $places), self::part($nominal, $limit->pickupPct, $places)];
    }

    private static function part(int|float $nominal, int|float $percent, int $places): int|float
    {
        $nominalPlaces = Decimal::places($nominal);
        $percentPlaces = Decimal::places($percent);

        return Decimal::scaled($nominal, $nominalPlaces) * Decimal::scaled($percent, $percentPlaces)
            * 10 ** ($places - $nominalPlaces - $percentPlaces - 2);
    }

    /** @return array{int|float, int|float} */
    private static function share(int|float $percent): array
    {
        $places = Decimal::places($percent);

        return [Decimal::scaled($percent, $places), 100 * 10 ** $places];
    }
}
