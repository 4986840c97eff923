<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Power\Fuel\FuelUse;
use Escapement\Core\Simulation\Engine\EngineState;

/** What changes over minutes and hours: temperatures, battery and tank, exact between two changes. Rule: docs/rules.md#bench-play. */
final class SlowThings
{
    /** Degrees that it goes to, degrees more at full load, time constant while it runs and while it stands, s. */
    private const HEAT = ['coolant_c' => [82, 10, 240, 3600], 'oil_c' => [85, 15, 420, 3600], 'exhaust_c' => [130, 370, 45, 600]];
    private const CHARGE_S = 7200;
    private const CRANKING_BY_S = 0.0005;
    private const RESTING_BY_S = 2e-7;

    /** @var array<string, float> degrees Celsius */
    public array $heat;
    public float $soc;
    public ?float $gal;
    /** @var array{gal_h: ?float, btuh: ?float} what it burns at present */
    public array $rate;

    private int $atMs = 0;
    private EngineState $engine = EngineState::Stopped;
    private bool $isCharging = false;
    private float $part = 0.0;

    public function __construct(private readonly BenchGenerator $set)
    {
        $this->heat = array_fill_keys(array_keys(self::HEAT), $set->ambientC);
        $this->soc = $set->soc;
        $this->gal = $set->tankGal === null ? null : $set->tankGal * $set->fuelPct / 100;
        $this->rate = $this->burns();
    }

    /** Lets time pass as things stand. */
    public function until(int $t): void
    {
        $s = ($t - $this->atMs) / 1000;
        $isTurning = $this->engine->turnsByItself();
        foreach (self::HEAT as $key => [$base, $more, $runS, $restS]) {
            $target = $isTurning ? $base + $more * $this->part : $this->set->ambientC;
            $this->heat[$key] = $target + ($this->heat[$key] - $target) * exp(-$s / ($isTurning ? $runS : $restS));
        }
        $this->soc = match (true) {
            $this->engine === EngineState::Cranking => max(0.0, $this->soc - self::CRANKING_BY_S * $s), // a charger cannot keep up
            $isTurning || $this->isCharging => 1 - (1 - $this->soc) * exp(-$s / self::CHARGE_S),
            default => max(0.0, $this->soc - self::RESTING_BY_S * $s),
        };
        if ($this->gal !== null) {
            $this->gal = max(0.0, $this->gal - (float) $this->rate['gal_h'] * $s / 3600);
        }
        $this->atMs = $t;
    }

    /** @param float $part of the rated load that it carries from now on */
    public function stand(EngineState $engine, bool $isCharging, float $part): void
    {
        [$this->engine, $this->isCharging, $this->part] = [$engine, $isCharging, $part];
        $this->rate = $this->burns();
    }

    public function batteryV(): float
    {
        return $this->set->nominalV / 12 * match (true) {
            $this->engine === EngineState::Cranking => 9.6 + 1.4 * $this->soc,
            $this->engine->turnsByItself() => 13.4 + 0.6 * $this->soc,
            $this->isCharging => 13.0 + 0.5 * $this->soc,
            default => 11.8 + 0.9 * $this->soc,
        };
    }

    /** @param float $speed as a part of nominal */
    public function oilKpa(float $speed): float
    {
        return match (true) {
            $this->engine->turnsByItself() => max(0.0, $speed * (480 - 2 * max(0.0, $this->heat['oil_c'] - 20))),
            $this->engine === EngineState::Cranking => 60.0,
            default => 0.0,
        };
    }

    public function fuelPct(): ?float
    {
        return $this->gal === null ? null : 100 * $this->gal / (float) $this->set->tankGal;
    }

    /** @return array{gal_h: ?float, btuh: ?float} */
    private function burns(): array
    {
        $rate = FuelUse::generic($this->set->fuel, $this->set->ratedKw, FuelUse::usualBtuPerFt3($this->set->fuel))->rate(100 * $this->part);
        $share = $this->engine->turnsByItself() ? 1.0 : 0.0;

        return [
            'gal_h' => $rate['gal_h'] === null ? null : $share * $rate['gal_h'],
            'btuh' => $rate['btuh'] === null ? null : $share * $rate['btuh'],
        ];
    }
}
