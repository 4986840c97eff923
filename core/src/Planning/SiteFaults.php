<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Wiring\FaultCurrent\FaultAtPoint;
use Escapement\Core\Wiring\FaultCurrent\FaultCircuit;
use Escapement\Core\Wiring\FaultCurrent\FaultCurrent;
use Escapement\Core\Wiring\FaultCurrent\FaultCurrentInput;
use Escapement\Core\Wiring\FaultCurrent\FaultCurrentResult;
use Escapement\Core\Wiring\FaultCurrent\FaultPoint;
use Escapement\Core\Wiring\FaultCurrent\FaultRun;
use Escapement\Core\Wiring\FaultCurrent\FaultSource;

/**
 * The fault current at every enclosure of a site, from each of its sources, against what the devices there are rated for.
 * A feeder that is not in the schedule counts as no length: the figure is then too great, never too small.
 * Rule: docs/rules.md#fault-current.
 */
final readonly class SiteFaults
{
    private const ENCLOSURES = ['disconnect', 'switch', 'panel', 'inlet'];

    /** @var array<string, FaultAtElement> by element, in the order of the drawing */
    public array $elements;
    /** @var list<WorkingLine> */
    public array $working;

    public function __construct(private SitePlan $plan, private FaultFigures $figures)
    {
        $bySource = $working = [];
        $parts = [];
        foreach ($plan->chain() as $part) {
            $parts[$part->id] = $part;
        }
        foreach ($parts as $part) {
            $source = $part->type === 'source' ? $this->source($part) : null;
            $result = $source === null ? null : $this->from($part->id, $source, $parts);
            foreach ($result->points ?? [] as $point) {
                $bySource[$point->id][$part->id] = $point;
            }
            foreach ($result->working ?? [] as $line) {
                $working[] = new WorkingLine(
                    $this->named($line->label) . ', from ' . lcfirst($plan->names()[$part->id] ?? $part->id),
                    $line->expression,
                    $line->value,
                    $line->unit,
                );
            }
        }
        $this->working = $working;
        $elements = [];
        foreach ($parts as $part) {
            if (in_array($part->type, self::ENCLOSURES, true)) {
                $elements[$part->id] = $this->element($part, $bySource[$part->id] ?? [], $parts);
            }
        }
        $this->elements = $elements;
    }

    /** @return array<string, float> `fault_ka` by element, where every source that reaches it is known */
    public function known(): array
    {
        $known = [];
        foreach ($this->elements as $id => $element) {
            if ($element->isWhole && $element->maxKa() !== null) {
                $known[$id] = round($element->maxKa(), 6);
            }
        }

        return $known;
    }

    private function source(PlanPart $part): ?FaultSource
    {
        return match ($part->element->kind) {
            'utility', 'transformer' => $this->figures->utility,
            'generator' => $this->figures->generator,
            default => null,
        };
    }

    /** @param array<string, PlanPart> $parts */
    private function from(string $source, FaultSource $fault, array $parts): ?FaultCurrentResult
    {
        $points = [];
        $reached = [$source => 'source'];
        foreach ($parts as $part) {
            foreach ($part->from as $feeder) {
                $from = explode('.', $feeder)[0];
                if (isset($reached[$from]) && ! isset($reached[$part->id])) {
                    $reached[$part->id] = $part->id;
                    $points[] = $this->point($part, $reached[$from], $this->run($from, $part->id));
                }
            }
        }
        $system = LegSystem::of($this->plan->system, $this->plan->in->vLn);
        $circuit = new FaultCircuit(
            ['single' => 'single_phase', 'split' => 'split_phase'][$this->plan->system] ?? 'three_phase',
            $system->vLl(),
        );

        return $points === [] ? null : (new FaultCurrent())->judge(
            new FaultCurrentInput(true, $circuit, $fault, $points, motorFlaA: $this->figures->motorA),
        );
    }

    private function point(PlanPart $part, string $from, ?FaultRun $run): FaultPoint
    {
        [$ratedKa, $seriesKa] = $this->ratings($part);

        return new FaultPoint($part->id, $from, $run, $ratedKa, $seriesKa);
    }

    private function run(string $from, string $to): ?FaultRun
    {
        foreach ($this->figures->feeders as $feeder) {
            if ($feeder->from === $from && $feeder->to === $to) {
                return $feeder->run;
            }
        }

        return null;
    }

    /**
     * @param array<string, FaultAtPoint> $bySource
     * @param array<string, PlanPart>     $parts
     */
    private function element(PlanPart $part, array $bySource, array $parts): FaultAtElement
    {
        $reaching = array_filter($this->sourcesOf($part->id, $parts), fn(string $id): bool => $this->counts($parts[$id]));
        [$ratedKa, $seriesKa] = $this->ratings($part);

        return new FaultAtElement($part->id, $bySource, array_diff($reaching, array_keys($bySource)) === [], $ratedKa, $seriesKa);
    }

    /** The electronics of an inverter hold its fault current near its rated one: beside a utility it does not decide. */
    private function counts(PlanPart $source): bool
    {
        return $source->element->kind !== 'inverter' || $this->figures->utility === null;
    }

    /**
     * @param array<string, PlanPart> $parts
     *
     * @return list<string>
     */
    private function sourcesOf(string $id, array $parts): array
    {
        $part = $parts[$id] ?? null;
        if ($part === null || $part->type === 'source') {
            return $part === null ? [] : [$id];
        }
        $sources = [];
        foreach ($part->from as $feeder) {
            array_push($sources, ...$this->sourcesOf(explode('.', $feeder)[0], $parts));
        }

        return array_values(array_unique($sources));
    }

    /** @return array{?float, ?float} the lowest rating here, and a marked series combination */
    private function ratings(PlanPart $part): array
    {
        $e = $part->element;
        $here = $e->type === 'switch' ? [$e->withstandKa, $e->ratings->mainAicKa] : [$e->ratings->aicKa, $e->ratings->mainAicKa];
        $rated = array_filter($here, static fn(int|float|null $ka): bool => $ka !== null);
        $seriesKa = $e->ratings->seriesKa;

        return [$rated === [] ? null : (float) min($rated), $seriesKa === null ? null : (float) $seriesKa];
    }

    private function named(string $label): string
    {
        return (string) preg_replace_callback(
            '/^Fault at (\S+)$/',
            fn(array $found): string => 'Fault at ' . lcfirst($this->plan->names()[$found[1]] ?? $found[1]),
            $label,
        );
    }
}
