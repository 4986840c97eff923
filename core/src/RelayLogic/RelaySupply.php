<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** What feeds coils and contacts. Rule: docs/rules.md#relay-check. */
final readonly class RelaySupply
{
    /**
     * @param ?string $rotation abc, acb, or not verified
     * @param bool    $isAlways a control supply that never fails
     */
    public function __construct(public string $id, public ?string $rotation, public bool $isAlways) {}
}
