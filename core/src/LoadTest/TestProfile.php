<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** Which load test: its steps, how often to read, what it proves. Rule: docs/rules.md#load-test-plan. */
enum TestProfile: string
{
    case MonthlyBuilding = 'monthly_building';
    case BuildingAcceptance = 'building_acceptance';
    case Acceptance = 'acceptance';
    case Triennial = 'triennial';
    case TriennialAnnual = 'triennial_annual';
    case AnnualSupplemental = 'annual_supplemental';
    case QuarterlyHouse = 'quarterly_house';
    case SemiAnnual = 'semi_annual';
    case Custom = 'custom';

    /** Minutes of the long test, where the class of the system asks for no less. */
    public const LONG_MIN = 240.0;
    private const LAST_HOUR_MIN = 60.0;

    /** Its time depends on the class of the system. */
    public function hasClass(): bool
    {
        return $this === self::Triennial || $this === self::TriennialAnnual;
    }

    /** Commonly required by a code: confirm the edition. */
    public function isOfCode(): bool
    {
        return ! in_array($this, [self::QuarterlyHouse, self::SemiAnnual, self::Custom], true);
    }

    /** @return 'nameplate'|'site' */
    public function basis(): string
    {
        return ($this->data()['basis'] ?? '') === 'site' ? 'site' : 'nameplate';
    }

    /**
     * @param list<LoadStep> $own      of a custom profile
     * @param ?float         $classMin how long the class of the system must run
     *
     * @return list<LoadStep>
     */
    public function steps(string $fuel, array $own = [], ?float $classMin = null): array
    {
        if ($this === self::Custom) {
            return $own;
        }
        $longMin = min(self::LONG_MIN, $classMin ?? self::LONG_MIN);
        $data = $this->data();
        $rows = $data['steps'] ?? $data[$fuel === 'diesel' ? 'diesel' : 'other'] ?? [];

        return array_map(static fn(array $row): LoadStep => new LoadStep((float) $row[0], match ($row[1]) {
            'M' => $longMin,
            'M-60' => $longMin - self::LAST_HOUR_MIN,
            default => (float) $row[1],
        }), $rows);
    }

    /**
     * A level counts as long as it or a higher one follows; equal levels are one row.
     *
     * @param list<LoadStep> $steps
     *
     * @return list<ProofRow>
     */
    public function proof(array $steps): array
    {
        $minutes = [];
        $levels = [];
        foreach ($steps as $i => $step) {
            $sum = 0.0;
            foreach (array_slice($steps, $i) as $next) {
                if ($next->levelPct < $step->levelPct) {
                    break;
                }
                $sum += $next->minutes;
            }
            $key = serialize($step->levelPct);
            $levels[$key] = $step->levelPct;
            $minutes[$key] = max($minutes[$key] ?? 0.0, $sum);
        }

        return array_values(array_map(
            fn(float $level, float $sum): ProofRow => new ProofRow($level, $sum, $level === 0.0 && $this !== self::Custom),
            $levels,
            $minutes,
        ));
    }

    /** Minutes between readings, after the first quarter of an hour where that has its own. */
    public function readEveryMin(): float
    {
        return (float) $this->data()['every_min'];
    }

    public function readEarlyMin(): ?float
    {
        $minutes = $this->data()['early_min'];

        return $minutes === null ? null : (float) $minutes;
    }

    /**
     * @return array{every_min: int, early_min: ?int, basis?: string, steps?: list<array{int, int|string}>,
     *     diesel?: list<array{int, int|string}>, other?: list<array{int, int|string}>}
     */
    private function data(): array
    {
        /** @var array<string, array{every_min: int, early_min: ?int, basis?: string, steps?: list<array{int, int|string}>,
         *     diesel?: list<array{int, int|string}>, other?: list<array{int, int|string}>}> $profiles */
        $profiles = require __DIR__ . '/../../data/load_tests.php';

        return $profiles[$this->value];
    }
}
