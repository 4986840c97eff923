<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\LegSystem;

/**
 * Which loads stay on a source: those it has a voltage for, less what the shed plan leaves off. Plan, shedding, batteries and
 * runtime all count with this one list. Rule: docs/rules.md#shed-plan, docs/rules.md#battery-runtime.
 */
final readonly class CarriedLoads
{
    public CalculationResult $shedPlan;
    /** @var list<string> that the source has no voltage for: across two legs on one leg, or on a leg that stays dead */
    public array $withoutVoltage;
    /** @var list<string> that are left off so that the rest fits, and a charger of the source's own battery */
    public array $shed;
    /** @var list<string> that run */
    public array $on;

    /**
     * @param list<array{id: string, kw: float, connect: string, priority: int, must_run: bool, charges?: bool}> $loads
     *     charges: charges the battery that feeds it
     */
    public function __construct(LegSystem $system, SourceFigures $source, array $loads)
    {
        $hasVoltage = static fn(array $load): bool => self::hasVoltage($source, is_string($load['connect']) ? $load['connect'] : '');
        $fed = array_values(array_filter($loads, $hasVoltage));
        $this->withoutVoltage = array_values(array_column(
            array_filter($loads, static fn(array $load): bool => ! $hasVoltage($load)),
            'id',
        ));
        $this->shedPlan = (new ShedPlan())->answer(new ShedPlanInput(
            $system,
            $source->usableKw,
            array_map(static fn(array $load): ShedLoad => new ShedLoad(
                new LegLoad($load['id'], $load['kw'], $load['connect']),
                $load['priority'],
                $load['must_run'],
                $load['charges'] ?? false,
            ), $fed),
            0.0,
            array_map(
                static fn(int $n): float => in_array("L$n", $source->legs, true) ? $source->legA : 0.0,
                range(1, $system->legs()),
            ),
            $source->isInverter,
        ));
        $shed = is_array($this->shedPlan->values['shed']) ? array_values(array_filter(
            $this->shedPlan->values['shed'],
            is_string(...),
        )) : [];
        $this->shed = $shed;
        $this->on = array_values(array_filter(array_column($fed, 'id'), static fn(string $id): bool => ! in_array($id, $shed, true)));
    }

    private static function hasVoltage(SourceFigures $source, string $connect): bool
    {
        $legs = LegAssignment::legsOf($connect);

        return ($source->hasLineVoltage || count($legs) === 1) && array_diff($legs, $source->legs) === [];
    }

    /** @return list<string> everything that does not run, in words for each */
    public function offWords(): array
    {
        return [
            ...array_map(static fn(string $id): string => "$id (this source has no voltage for it)", $this->withoutVoltage),
            ...$this->shed,
        ];
    }
}
