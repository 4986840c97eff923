<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

/** Whether a managed load may come back beside those that are always on. Rule: docs/rules.md#sizing. */
final readonly class ManagedReturn
{
    public function __construct(public string $id, public bool $canReturn) {}
}
