<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** Something that a hand can open: a disconnect, a main, a breaker. Rule: docs/rules.md#topology. */
final readonly class Device
{
    /**
     * @param string $kind disconnect, switch-main, panel-main or breaker
     * @param string $line the node towards the source as it is usually drawn
     */
    public function __construct(
        public string $ref,
        public Element $element,
        public string $kind,
        public int|float|null $ratingA,
        public bool $isClosed,
        public bool $isService,
        public string $line,
        public string $load,
    ) {}

    /** @return list<self> of an element, main first */
    public static function of(Element $e): array
    {
        return match ($e->type) {
            'disconnect' => [new self($e->id, $e, 'disconnect', $e->ratingA, $e->isClosed, $e->isService, "$e->id.in", "$e->id.out")],
            'switch' => $e->mainA === null ? [] : [new self(
                "$e->id.main",
                $e,
                'switch-main',
                $e->mainA,
                $e->isMainClosed,
                $e->isServiceRated,
                "$e->id.normal",
                "$e->id.main_out",
            )],
            'panel' => [
                ...($e->mainA === null ? [] : [new self(
                    "$e->id.main",
                    $e,
                    'panel-main',
                    $e->mainA,
                    $e->isMainClosed,
                    $e->isService,
                    "$e->id.in",
                    "$e->id.bus",
                )]),
                ...array_map(
                    static fn(Breaker $b): self => new self(
                        "$e->id.$b->id",
                        $e,
                        'breaker',
                        $b->ratingA,
                        $b->isClosed,
                        false,
                        "$e->id.bus",
                        "$e->id.$b->id",
                    ),
                    $e->breakers,
                ),
            ],
            default => [],
        };
    }
}
