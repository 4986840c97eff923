<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Finding;

/** What a calculation on a drawing hands back. Rule: docs/rules.md#topology. */
final readonly class PlacedAnswer
{
    /**
     * @param array<string, mixed> $values
     * @param list<Finding>        $findings
     * @param list<string>         $working
     */
    public function __construct(public array $values, public array $findings, public array $working) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values + [
            'findings' => array_map(static fn(Finding $finding): array => $finding->toArray(), $this->findings),
            'working' => $this->working,
        ];
    }
}
