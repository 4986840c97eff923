<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Bench\BenchInput;
use Escapement\Core\Bench\ReadyHands;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Load;
use Escapement\Core\Wire\Device\BenchReader;

/** A switch as a bench plays it: its own plant, sheet and loads, with a made-up set. Needs of the switch: site, loads, plan, sheet. */
final readonly class BenchFacts
{
    public SwitchFacts $facts;

    public function __construct(public TransferSwitch $switch)
    {
        $this->facts = new SwitchFacts($switch);
    }

    /** Why nothing can be played yet; null when it can. */
    public function lacks(): ?string
    {
        $hasEngine = $this->facts->plant->kind->hasEngine();

        return match (true) {
            $this->switch->sheet === null => 'There is no settings sheet yet. Begin with the template.',
            $hasEngine && $this->switch->fuel?->value === 'battery' => 'An inverter has no engine to be played.',
            $hasEngine && (new LoadTestFacts($this->switch))->nameplateKw() === null => 'Fuel and rating of the source are not known.',
            default => null,
        };
    }

    /** @return array<string, array{name: string, teaches: string, inputs: list<array<string, mixed>>, until_ms: int}> */
    public function stories(): array
    {
        return (new ReadyHands($this->facts->plant->kind, $this->facts->plant->normal->phases))->all();
    }

    /**
     * @param array{name: string, teaches: string, inputs: list<array<string, mixed>>, until_ms: int} $story
     * @param list<int>                                                                               $sampleAtMs rising
     *
     * @throws BadInput where survey and sheet do not make a bench
     */
    public function input(array $story, array $sampleAtMs): BenchInput
    {
        return (new BenchReader())->input(Node::fromArray($this->spec() + [
            'inputs' => $story['inputs'], 'sample_at_ms' => $sampleAtMs, 'until_ms' => $story['until_ms'],
        ]));
    }

    /**
     * @return array{system: array<string, mixed>, settings: mixed, loads: list<array<string, mixed>>, bench: array<string, mixed>} as
     *     `bench_play` has them
     */
    public function spec(bool $hasBank = false): array
    {
        $plan = new PlanFacts($this->switch, $this->switch->plan);
        $electrical = [];
        foreach ($plan->transferred() as $load) {
            $electrical[] = ['load' => $load->name, 'connect' => $plan->connect($load), 'start_kva' => (float) $load->start_kva];
        }
        $ratedKw = $this->facts->plant->kind->hasEngine() ? (new LoadTestFacts($this->switch))->nameplateKw() : null;
        $set = $ratedKw === null ? null : ['rated_kw' => $ratedKw, 'fuel' => $this->switch->fuel?->value];

        return [
            'system' => $this->facts->plant->toArray(), 'settings' => $this->switch->sheet->settings ?? [],
            'loads' => array_map(static fn(Load $load): array => $load->toArray(), $this->facts->loads()),
            'bench' => ($set === null ? [] : ['generator' => $set]) + ['electrical' => $electrical]
                + ($hasBank && $ratedKw !== null ? ['bank' => ['elements_kw' => self::elements($ratedKw)]] : []),
        ];
    }

    /** @return list<float> steps of a bank that loads a set of that rating in full */
    private static function elements(float $ratedKw): array
    {
        return array_map(static fn(float $part): float => max(0.1, round($part * $ratedKw, 1)), [0.1, 0.1, 0.2, 0.2, 0.4]);
    }
}
