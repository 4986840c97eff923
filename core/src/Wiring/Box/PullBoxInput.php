<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

/** A box judged by its raceways. Rule: docs/rules.md#pull-box. */
final readonly class PullBoxInput
{
    /**
     * @param non-empty-list<BoxRaceway> $raceways
     * @param non-empty-list<BoxPull>    $pulls    between raceways of this box
     */
    public function __construct(public BoxSize $box, public array $raceways, public array $pulls) {}
}
