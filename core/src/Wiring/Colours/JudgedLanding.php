<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

/** One landing with the ids of the findings it raised. Rule: docs/rules.md#colours. */
final readonly class JudgedLanding
{
    /**
     * @param non-empty-list<string> $expectedColours
     * @param list<string>           $flags           in alphabetical order
     */
    public function __construct(
        public string $conductor,
        public string $terminal,
        public string $effectiveColour,
        public array $expectedColours,
        public array $flags,
    ) {}
}
