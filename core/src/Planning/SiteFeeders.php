<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;

/**
 * The feeders that the work of such an installation pulls, to begin the schedule of wires with: lengths, materials and
 * loadings are planning figures. What is there already and stays is no work. Rule: docs/rules.md#site-plan.
 */
final readonly class SiteFeeders
{
    private const LEAST_DWELLING_A = 100;
    private const PARALLEL_FROM_A = 320;
    private const PLANNED_LOAD = 0.8;

    public function __construct(private SitePlan $plan) {}

    /**
     * What waits for a figure that nobody surveyed: no size is proposed for it.
     *
     * @return list<string> sentences
     */
    public function waiting(): array
    {
        $in = $this->plan->in;

        return $in->kind->hasGenerator() && $this->generatorOcpdA() === null
            ? ['The feeder of the ' . lcfirst($this->plan->names()['gen'])
                . ' waits for its rating or its output breaker: no size is proposed before.']
            : [];
    }

    /**
     * @return list<array{name: string, from: string, to: string, amps: float, ocpd_a: float, length_m: float,
     *     material: string, raceway: string, trade_size: string, sets: int, dwelling: string, service: string}>
     */
    public function feeders(): array
    {
        $names = $this->plan->names();
        $chain = $this->plan->chain();
        $feeders = [];
        foreach ($chain as $part) {
            foreach ($this->isWork($part) ? $part->from : [] as $from) {
                [$from] = explode('.', $from);
                if (in_array($from, ['utility', 'shore', 't1', 't2', 'plug'], true)) {
                    continue;
                }
                $isGenerator = $from === 'gen' || $from === 'inlet';
                $ocpdA = $isGenerator ? $this->generatorOcpdA() : $this->ocpdA($part->id, $from);
                if ($ocpdA !== null) {
                    $feeders[] = ['name' => $names[$from] . ' to ' . self::within($names[$part->id]), 'from' => $from, 'to' => $part->id]
                        + $this->figures($part->id, $ocpdA, $isGenerator) + ['service' => $this->isAheadOfMain($from) ? '1' : '0'];
                }
            }
        }

        return $feeders;
    }

    /** Neither cords, nor what is there already: the service to a panel that stays, an outlet, the leads of a plug-in box. */
    private function isWork(PlanPart $part): bool
    {
        return $part->type !== 'inlet' && ! in_array($part->id, ['md', 'main', 'plug'], true)
            && ! ($this->plan->kind === InstallationKind::PlugInBox && $part->id === 'box');
    }

    /** The breaker of the source where it is known, else the standard size for its rated current; null: not known. */
    private function generatorOcpdA(): ?float
    {
        $in = $this->plan->in;

        return $in->generatorBreakerA ?? ($in->sourceOcpdA === null ? null : (float) $in->sourceOcpdA);
    }

    private function ocpdA(string $to, string $from): float
    {
        $in = $this->plan->in;
        foreach ($in->subPanels as $panel) {
            if ($panel->id === $to) {
                return (float) $panel->breakerA;
            }
        }

        return match (true) {
            $to === 'crit', $from === 'main' => (float) ($in->switchA ?? 60),
            $to === 'panel-a', $to === 'panel-b' => (float) SitePlan::USUAL_SERVICE_A,
            default => (float) ($in->serviceA ?? ($this->isHouse() ? SitePlan::USUAL_SERVICE_A : 50)),
        };
    }

    /**
     * @return array{amps: float, ocpd_a: float, length_m: float, material: string, raceway: string, trade_size: string,
     *     sets: int, dwelling: string}
     */
    private function figures(string $to, float $ocpdA, bool $isGenerator): array
    {
        $in = $this->plan->in;
        $isSub = in_array($to, array_map(static fn(SubPanel $panel): string => $panel->id, $in->subPanels), true);
        $isWhole = $this->isHouse() && ! $in->kind->isThreePhase() && ! $isGenerator && ! $isSub && $ocpdA >= self::LEAST_DWELLING_A;
        $amps = $isGenerator && $in->sourceLegA !== null ? min($in->sourceLegA, $ocpdA) : self::PLANNED_LOAD * $ocpdA;

        return [
            'amps' => round($amps, 1), 'ocpd_a' => $ocpdA, 'length_m' => $isGenerator && $this->isHouse() ? 15.0 : 3.0,
            'material' => $isWhole ? 'al' : 'cu', 'raceway' => $this->isHouse() ? 'pvc40' : 'lfmc',
            'trade_size' => match (true) {
                $ocpdA > 100 => '2',
                $ocpdA > 60 => '1-1/4',
                default => '1',
            },
            'sets' => $ocpdA >= self::PARALLEL_FROM_A ? 2 : 1, 'dwelling' => $isWhole ? '1' : '0',
        ];
    }

    private function isHouse(): bool
    {
        return ! $this->plan->kind->isPortable();
    }

    private function isAheadOfMain(string $from): bool
    {
        return $from === 'meter' || $from === 'md' && $this->plan->in->upstream !== Upstream::Combined;
    }

    private static function within(string $name): string
    {
        return preg_match('/^[A-Z][a-z]/', $name) === 1 ? lcfirst($name) : $name;
    }
}
