<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** Resistance and reactance of one conductor. Facts to be confirmed against the edition in force. Rule: wiring §3. */
final readonly class Resistance
{
    public const KFT_PER_KM = 3.280839895013123;
    /** Ohm per 1000 ft at 75 °C: copper, aluminium; reactance in pvc or aluminium, in steel. */
    private const TABLE = [
        '14' => [3.14, 0, .058, .073], '12' => [1.98, 3.25, .054, .068], '10' => [1.24, 2.04, .050, .063], '8' => [.778, 1.28, .052, .065], '6' => [.491, .808, .051, .064],
        '4' => [.308, .508, .048, .060], '3' => [.245, .403, .047, .059], '2' => [.194, .319, .045, .057], '1' => [.154, .253, .046, .057], '1/0' => [.122, .201, .044, .055],
        '2/0' => [.0967, .159, .043, .054], '3/0' => [.0766, .126, .042, .052], '4/0' => [.0608, .100, .041, .051], '250' => [.0515, .0847, .041, .052], '300' => [.0429, .0707, .041, .051],
        '350' => [.0367, .0605, .040, .050], '400' => [.0321, .0529, .040, .049], '500' => [.0258, .0424, .039, .048], '600' => [.0214, .0353, .039, .048], '700' => [.0184, .0303, .038, .048],
        '750' => [.0171, .0282, .038, .048],
    ];
    private const PER_KELVIN = ['cu' => .00323, 'al' => .00330];
    private const K = ['cu' => 12.9, 'al' => 21.2];
    private const METRIC_RHO = ['cu' => 22.5, 'al' => 36.0];
    private const METRIC_X = 0.08;

    public function __construct(private string $system, private string $material, private string $method, private float $conductorC = 75.0, private string $conduit = 'pvc') {}

    public function perKft(string $size): float
    {
        if ($this->system === 'iec') {
            return self::METRIC_RHO[$this->material] / (float) $size / self::KFT_PER_KM;
        }
        if ($this->method === 'k_factor') {
            return self::K[$this->material] * 1000 / (1000 * Sizes::kcmil($size));
        }

        return self::TABLE[$size][$this->material === 'cu' ? 0 : 1] * (1 + self::PER_KELVIN[$this->material] * ($this->conductorC - 75));
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

    /** @return non-empty-list<string> the sizes there are of this system and metal */
    public function sizes(): array
    {
        return match (true) {
            $this->system === 'iec' => Sizes::metric($this->material),
            $this->material === 'cu' => Sizes::AWG,
            default => ['12', '10', '8', '6', '4', '3', '2', '1', '1/0', '2/0', '3/0', '4/0', '250', '300', '350', '400', '500', '600', '700', '750'],
        };
    }
}
