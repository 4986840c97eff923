<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** Resistance and reactance of one conductor. Facts to be confirmed against the edition in force. Rule: docs/rules.md#voltage-drop. */
final readonly class Resistance
{
    public const KFT_PER_KM = 3.280839895013123;

    /** Direct current, ohm per 1000 ft at 75 °C: copper, aluminum; reactance in pvc or aluminum, in steel. */
    private const TABLE = [
        '18' => [7.95, 0, 0, 0], '16' => [4.99, 0, 0, 0],
        '14' => [3.14, 0, .058, .073], '12' => [1.98, 3.25, .054, .068], '10' => [1.24, 2.04, .050, .063], '8' => [.778, 1.28, .052, .065],
        '6' => [.491, .808, .051, .064], '4' => [.308, .508, .048, .060], '3' => [.245, .403, .047, .059], '2' => [.194, .319, .045, .057],
        '1' => [.154, .253, .046, .057],
        '1/0' => [.122, .201, .044, .055],
        '2/0' => [.0967, .159, .043, .054],
        '3/0' => [.0766, .126, .042, .052],
        '4/0' => [.0608, .100, .041, .051], '250' => [.0515, .0847, .041, .052], '300' => [.0429, .0707, .041, .051],
        '350' => [.0367, .0605, .040, .050], '400' => [.0321, .0529, .040, .049], '500' => [.0258, .0424, .039, .048],
        '600' => [.0214, .0353, .039, .048], '700' => [.0184, .0303, .038, .048], '750' => [.0171, .0282, .038, .048],
    ];

    /** Alternating current, ohm per 1000 ft at 75 °C, from 2 AWG: copper in pvc, aluminum, steel; aluminum in the same. */
    private const AC = [
        '2' => [.19, .20, .20, .32, .33, .32], '1' => [.15, .16, .16, .25, .26, .25], '1/0' => [.12, .13, .12, .20, .21, .20],
        '2/0' => [.10, .10, .10, .16, .16, .16], '3/0' => [.077, .082, .079, .13, .13, .13], '4/0' => [.062, .067, .063, .10, .11, .10],
        '250' => [.052, .057, .054, .085, .090, .086],
        '300' => [.044, .049, .045, .071, .076, .072],
        '350' => [.038, .043, .039, .061, .066, .063],
        '400' => [.033, .038, .035, .054, .059, .055],
        '500' => [.027, .032, .029, .043, .048, .045],
        '600' => [.023, .028, .025, .036, .041, .038],
        '700' => [.020, .025, .022, .031, .036, .033], '750' => [.019, .024, .021, .029, .034, .031],
    ];

    private const CONDUITS = ['pvc', 'aluminum', 'steel'];
    private const PER_KELVIN = ['cu' => .00323, 'al' => .00330];
    private const K = ['cu' => 12.9, 'al' => 21.2];
    private const METRIC_RHO = ['cu' => 22.5, 'al' => 36.0];
    private const METRIC_X = 0.08;

    public function __construct(
        private string $system,
        private string $material,
        private string $method,
        private float $conductorC = 75.0,
        private string $conduit = 'pvc',
    ) {}

    public function perKft(string $size): float
    {
        if ($this->system === 'iec') {
            return self::METRIC_RHO[$this->material] / (float) $size / self::KFT_PER_KM;
        }
        if ($this->method === 'k_factor') {
            return self::K[$this->material] * 1000 / (1000 * Sizes::kcmil($size));
        }

        return $this->at75($size) * (1 + self::PER_KELVIN[$this->material] * ($this->conductorC - 75));
    }

    public function perKm(string $size): float
    {
        return $this->system === 'iec' ? self::METRIC_RHO[$this->material] / (float) $size : $this->perKft($size) * self::KFT_PER_KM;
    }

    public function reactancePerKft(string $size): float
    {
        return match (true) {
            $this->method !== 'impedance' => 0.0,
            $this->system === 'iec' => self::METRIC_X / self::KFT_PER_KM,
            default => self::TABLE[$size][$this->conduit === 'steel' ? 3 : 2],
        };
    }

    public function reactancePerKm(string $size): float
    {
        return $this->method === 'impedance' && $this->system === 'iec' ? self::METRIC_X : $this->reactancePerKft($size) * self::KFT_PER_KM;
    }

    /** What counts of both at a power factor, ohm per 1000 ft. */
    public function along(string $size, float $pf): float
    {
        return $this->perKft($size) * $pf + $this->reactancePerKft($size) * sqrt(1 - $pf ** 2);
    }

    /** @return non-empty-list<string> the sizes there are of this system and metal, control pairs where asked for */
    public function sizes(bool $withControl = false): array
    {
        return match (true) {
            $this->system === 'iec' => Sizes::metric($this->material),
            $withControl => [...Sizes::CONTROL, ...Sizes::awg($this->material)],
            default => Sizes::awg($this->material),
        };
    }

    /** The alternating-current table is rounded to two figures: the greater of the two holds. */
    private function at75(string $size): float
    {
        $isCopper = $this->material === 'cu';
        $dc = self::TABLE[$size][$isCopper ? 0 : 1];
        if ($this->method !== 'impedance') {
            return $dc;
        }

        return max($dc, self::AC[$size][($isCopper ? 0 : 3) + (int) array_search($this->conduit, self::CONDUITS, true)] ?? 0);
    }
}
