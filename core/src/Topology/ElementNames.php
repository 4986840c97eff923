<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** References of a one-line in the words that people use: elements, mains, breakers and terminals. */
final readonly class ElementNames
{
    private const TERMINALS = ['in', 'out', 'bus', 'normal', 'emergency', 'load', 'main_out'];

    /** @param array<string, string> $names by element; one without a name goes by its id */
    public function __construct(private array $names) {}

    public function of(string $ref): string
    {
        [$id, $port] = explode('.', $ref) + [1 => ''];
        $name = $this->names[$id] ?? $id;

        return match (true) {
            $port === '' => $name,
            $port === 'main' => "$name main",
            in_array($port, self::TERMINALS, true) => "$name, $port side",
            default => "breaker $port in $name", // not the panel: what is opened has to be named
        };
    }
}
