<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\DecideFacts;
use App\Bridge\PlanFacts;
use App\Bridge\SourceFacts;
use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Settings\Fuel;

/** One of the sources that take turns at a vehicle: what it gives, what stays off on it, how long it lasts. */
final readonly class AlternateSource
{
    /** @param list<string> $off loads that do not run on it, in words */
    private function __construct(
        public string $name,
        public float $usableKw,
        public float $legA,
        public float $loadKw,
        public array $off,
        public ?float $hours,
    ) {}

    /** @return list<self> the surveyed one first; empty while none is known */
    public static function of(TransferSwitch $switch, PlanFacts $plan, ?CalculationResult $runtime): array
    {
        $facts = new SourceFacts($switch, $plan->system);
        $sources = [];
        foreach (array_filter([$switch->fuel, ...$facts->alternatives()]) as $fuel) {
            $figures = $facts->on($fuel);
            $carried = $figures === null ? null : $plan->carried($figures);
            if ($figures === null || $carried === null) {
                continue;
            }
            $loadKw = (float) $switch->loads->filter(static fn(LoadItem $load): bool => in_array(
                $load->name,
                $carried->on,
                true,
            ))->sum(static fn(LoadItem $load): float => (float) $load->kw);
            $sources[] = new self(
                $fuel === Fuel::Battery ? 'Batteries and inverter' : 'Generator on ' . $fuel->label(),
                $figures->usableKw,
                $figures->legA,
                $loadKw,
                $carried->offWords(),
                self::hours($fuel, $loadKw, $runtime, new DecideFacts($plan)),
            );
        }

        return $sources;
    }

    private static function hours(Fuel $fuel, float $loadKw, ?CalculationResult $runtime, DecideFacts $decide): ?float
    {
        $tank = $fuel === Fuel::Battery ? null : ($decide->fuelOn($fuel, $loadKw)->values['tank'] ?? null);
        $hours = $fuel === Fuel::Battery ? $runtime?->values['runtime_h'] : (is_array($tank) ? $tank['runtime_h'] ?? null : null);

        return is_numeric($hours) ? (float) $hours : null;
    }
}
