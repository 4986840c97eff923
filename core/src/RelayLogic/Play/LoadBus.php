<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** What the load gets at one moment. */
final readonly class LoadBus
{
    /**
     * @param list<string>       $feeding  supplies whose main contacts are closed
     * @param list<?string>      $sources  per phase: a supply, both, or none
     * @param non-empty-list<float> $v     per phase
     * @param null|'abc'|'acb'   $rotation of the one that feeds
     */
    public function __construct(public array $feeding, public array $sources, public array $v, public ?string $rotation) {}

    /** @return array{rotation: ?string, phases: list<array{source: ?string, v: float}>} */
    public function told(bool $isThreePhase): array
    {
        return [
            'rotation' => $isThreePhase ? $this->rotation : null,
            'phases' => array_map(
                static fn(?string $source, float $v): array => ['source' => $source, 'v' => $v],
                $this->sources,
                $this->v,
            ),
        ];
    }
}
