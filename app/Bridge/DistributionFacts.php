<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Distribution;
use App\Models\TransferSwitch;
use App\Models\Way;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Panel\FeederSchedule\FeederInput;
use Escapement\Core\Panel\NeutralEarth\NeutralEarthInput;
use Escapement\Core\Panel\PhaseBalance\BalanceInput;
use Escapement\Core\Wire\Panel\FeederScheduleReader;
use Escapement\Core\Wire\Panel\NeutralEarthReader;
use Escapement\Core\Wire\Panel\PhaseBalanceReader;

/** A three-phase board and its ways as the core's calculations take them. What is not known is asked for, never assumed. */
final readonly class DistributionFacts
{
    private const NEEDED = [
        'v_ll_v' => 'Line voltage', 'transformer_kva' => 'Transformer', 'z_pct' => 'Impedance of the transformer',
        'changeover_a' => 'Rating of the changeover', 'utility_breaker_a' => 'Breaker on the utility',
        'withstand_ka' => 'Withstand of the changeover', 'busbar_a' => 'Rating of the bus bars',
        'busbar_icw_ka' => 'Withstand of the bus bars',
    ];
    private const NEUTRAL = [
        'poles' => 'Poles of the changeover', 'wording' => 'Earthing system', 'first_earthed' => 'Earth of the first source',
        'second_earthed' => 'Earth of the second source', 'panel_bond' => 'Neutral joined to earth in the panel',
        'neutral_a' => 'Current in the neutral',
    ];

    /** @param list<Way> $ways in their order on the board */
    public function __construct(private TransferSwitch $switch, private ?Distribution $board, private array $ways) {}

    public function isIec(): bool
    {
        return $this->switch->site->units === 'metric';
    }

    public function hasGenerator(): bool
    {
        return $this->switch->site->installation->hasGenerator();
    }

    /** @return list<string> what the schedule of ways still needs, in words */
    public function missing(): array
    {
        $needed = self::NEEDED + ($this->hasGenerator() ? [
            'generator_kva' => 'Generator', 'generator_breaker_a' => 'Breaker on the generator',
        ] : []);

        return [...$this->unknown($needed), ...($this->ways === [] ? ['The outgoing ways'] : [])];
    }

    /** @return list<string> what the judgement of neutral and earth still needs, in words */
    public function missingOfNeutral(): array
    {
        return $this->unknown(self::NEUTRAL);
    }

    /** @throws BadInput */
    public function schedule(): FeederInput
    {
        $board = $this->board ?? throw new \LogicException('The board is not known.');
        $generator = $this->hasGenerator();

        return (new FeederScheduleReader())->input(Node::fromArray([
            'style' => $this->isIec() ? 'iec' : 'nec',
            'v_ll_v' => $board->v_ll_v,
            'utility' => [
                'transformer_kva' => $board->transformer_kva, 'z_pct' => $board->z_pct, 'fault_ka' => $board->fault_ka,
            ],
            'generator' => $generator ? ['kva' => $board->generator_kva] : null,
            'changeover' => [
                'rating_a' => $board->changeover_a, 'utility_breaker_a' => $board->utility_breaker_a,
                'withstand_ka' => $board->withstand_ka,
            ] + ($generator ? ['generator_breaker_a' => $board->generator_breaker_a] : []),
            'busbar' => ['rating_a' => $board->busbar_a, 'icw_ka' => $board->busbar_icw_ka],
            'diversity' => ['method' => $board->diversity],
            'ways' => array_map($this->way(...), $this->ways),
        ]));
    }

    /** @throws BadInput */
    public function balance(): BalanceInput
    {
        $kva = $this->board?->generator_kva;
        $volts = $this->board?->v_ll_v;
        $hasGenerator = $this->hasGenerator() && $kva !== null && $volts !== null;

        return (new PhaseBalanceReader())->input(Node::fromArray([
            'circuits' => array_map(static fn(Way $way): array => [
                'id' => $way->name, 'connect' => $way->connects, 'a' => $way->load_a, 'pf' => $way->pf,
                'locked' => $way->locked, 'shed' => $way->shed,
            ], $this->ways),
            'main_a' => $this->board?->utility_breaker_a,
            'neutral_rated_a' => $this->board?->neutral_rated_a,
            'generator' => $hasGenerator ? ['rated_a' => round(1000 * $kva / sqrt(3) / $volts, 1)] : null,
        ]));
    }

    /** @throws BadInput */
    public function neutral(): NeutralEarthInput
    {
        $board = $this->board ?? throw new \LogicException('The board is not known.');
        $volts = $board->v_ll_v === null ? 230.0 : $board->v_ll_v / sqrt(3);
        $source = static fn(string $id, bool $isGenerator, ?bool $isEarthed): array => [
            'id' => $id, 'kind' => $isGenerator ? 'generator' : 'transformer', 'earthed' => $isEarthed === true, 'v_ln_v' => $volts,
        ];

        return (new NeutralEarthReader())->input(Node::fromArray([
            'poles' => $board->poles, 'wording' => $board->wording,
            'sources' => [
                $source('first', false, $board->first_earthed),
                $source('second', $this->hasGenerator(), $board->second_earthed),
            ],
            'panel_bond' => $board->panel_bond === true, 'load_neutral_a' => $board->neutral_a,
            'neutrals_swapped' => $board->neutrals_swapped === true,
        ] + ($board->poles === 4 ? ['neutral_sequence' => $board->neutral_sequence] : [])));
    }

    /** @return array<string, mixed> */
    private function way(Way $way): array
    {
        $poles = match (strlen($way->connects)) {
            4 => 2,
            default => $way->connects === '3P' ? 3 : 1,
        };

        return [
            'id' => $way->name, 'poles' => $poles, 'load_a' => $way->load_a, 'pf' => $way->pf, 'breaker_a' => $way->breaker_a,
            'breaking_ka' => $way->breaking_ka, 'length_m' => $way->length_m, 'material' => $way->material, 'size' => $way->size,
            'rcd_ma' => $way->rcd_ma, 'shed' => $way->shed,
        ] + ($poles === 3 ? [] : ['phase' => $way->connects]) + ($this->isIec() ? ['final' => $way->final] : []);
    }

    /**
     * @param array<string, string> $needed
     *
     * @return list<string>
     */
    private function unknown(array $needed): array
    {
        return array_values(array_filter(
            $needed,
            fn(string $column): bool => $this->board?->getAttribute($column) === null,
            ARRAY_FILTER_USE_KEY,
        ));
    }
}
