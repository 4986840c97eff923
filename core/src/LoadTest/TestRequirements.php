<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** What a load test has to show beside its levels. Rule: docs/rules.md#load-test-evaluate. */
final readonly class TestRequirements
{
    private TestLimits $limits;

    public function __construct(private LoadTestInput $in, private TestRecord $record)
    {
        $this->limits = $in->limits;
    }

    /** @return list<Requirement> */
    public function all(): array
    {
        $oil = $this->record->worst->oilKpa;
        $coolant = $this->record->worst->coolantC;

        return [
            $this->within('voltage', $this->record->worst->vPct, $this->limits->vPct),
            $this->within('frequency', $this->record->worst->hzPct, $this->limits->hzPct),
            $this->droop(),
            $this->transient(),
            match (true) {
                $oil === [] => new Requirement('oil', 'not_proven', 'No oil pressure was read.'),
                Tolerance::isBelow(min($oil), $this->limits->minOilKpa) => new Requirement('oil', 'fail', self::read(min($oil), 'kPa')),
                default => new Requirement('oil', 'pass', self::read(min($oil), 'kPa')),
            },
            match (true) {
                $coolant === [] => new Requirement('coolant', 'not_proven', 'No coolant temperature was read.'),
                Tolerance::exceeds(max($coolant), $this->limits->maxCoolantC) => new Requirement(
                    'coolant',
                    'fail',
                    self::read(max($coolant), '°C'),
                ),
                default => new Requirement('coolant', 'pass', self::read(max($coolant), '°C')),
            },
        ];
    }

    private function within(string $id, float $worstPct, float $limitPct): Requirement
    {
        return new Requirement(
            $id,
            Tolerance::exceeds($worstPct, $limitPct) ? 'fail' : 'pass',
            sprintf('At most %.3g %% off nominal, %.3g %% allowed.', $worstPct, $limitPct),
        );
    }

    private function droop(): Requirement
    {
        $droop = $this->record->droopPct();
        if ($droop === null) {
            return new Requirement('droop', 'not_proven', 'All readings have the same load.');
        }

        return new Requirement(
            'droop',
            Tolerance::exceeds($droop, $this->limits->droopPct) ? 'fail' : 'pass',
            sprintf('%.3g %% between least and most load, %.3g %% allowed.', $droop, $this->limits->droopPct),
        );
    }

    private function transient(): Requirement
    {
        if ($this->in->steps === []) {
            return new Requirement('transient', 'not_proven', 'No load step was seen.');
        }
        $isDiesel = $this->in->base->isDiesel();
        foreach ($this->in->steps as $step) {
            $met = $step->classMet($this->limits->nominalV, $this->limits->nominalHz, $isDiesel);
            if (GovernorClass::rank($met) < GovernorClass::rank($this->limits->class)) {
                return $isDiesel
                    ? new Requirement('transient', 'fail', 'A step is worse than ' . $this->limits->class->value . '.')
                    : new Requirement('transient', 'not_proven', 'A spark engine is judged by agreement with its maker.');
            }
        }
        foreach ($this->in->steps as $step) {
            if (! $step->vRecovery->isKnown() || ! $step->hzRecovery->isKnown()) {
                return new Requirement('transient', 'not_proven', 'A recovery was not timed.');
            }
        }

        return new Requirement('transient', 'pass', 'Every step meets ' . $this->limits->class->value . '.');
    }

    private static function read(float $value, string $unit): string
    {
        return sprintf('%.4g %s at the worst reading.', $value, $unit);
    }
}
