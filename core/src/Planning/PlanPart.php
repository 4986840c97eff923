<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

/** One element of a generated one-line, with what feeds it. */
final readonly class PlanPart
{
    /**
     * @param array<string, string> $from   element or element.port by the port it feeds; '' for the usual one
     * @param array<string, mixed>  $fields of docs/schema/topology.schema.json
     */
    public function __construct(public string $id, public string $type, public array $from = [], public array $fields = []) {}
}
