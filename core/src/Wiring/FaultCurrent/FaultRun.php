<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

use Escapement\Core\Wiring\Resistance;

/** The conductors between two points. Rule: docs/rules.md#fault-current. */
final readonly class FaultRun
{
    /** Ohm·mm² per km at 20 °C, and its growth per kelvin. */
    private const METRIC = ['cu' => [18.51, .00393], 'al' => [29.41, .00403]];

    private const METRIC_X_PER_KM = 0.08;
    private const FEET_PER_KM = 3280.839895013123;

    /** @param ?string $neutralSize of a split phase; null: like the size */
    public function __construct(
        public string $material,
        public string $size,
        public float $lengthFt,
        public int $sets = 1,
        public ?string $neutralSize = null,
        public string $conduit = 'pvc',
    ) {}

    /** One conductor, all sets in parallel, cold or warm as asked. */
    public function ohms(bool $isNec, float $conductorC): Impedance
    {
        return $this->of($this->size, $isNec, $conductorC);
    }

    public function neutralOhms(bool $isNec, float $conductorC): Impedance
    {
        return $this->of($this->neutralSize ?? $this->size, $isNec, $conductorC);
    }

    private function of(string $size, bool $isNec, float $conductorC): Impedance
    {
        if ($isNec) {
            $resistance = new Resistance('nec', $this->material, 'impedance', $conductorC, $this->conduit);
            $perKft = new Impedance($resistance->perKft($size), $resistance->reactancePerKft($size));

            return $perKft->times($this->lengthFt / 1000 / $this->sets);
        }
        [$at20, $perKelvin] = self::METRIC[$this->material];
        $perKm = new Impedance($at20 / (float) $size * (1 + $perKelvin * ($conductorC - 20)), self::METRIC_X_PER_KM);

        return $perKm->times($this->lengthFt / self::FEET_PER_KM / $this->sets);
    }
}
