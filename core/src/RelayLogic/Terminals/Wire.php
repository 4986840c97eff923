<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

/** One wire from point to point. */
final readonly class Wire
{
    /**
     * @param 'control'|'power'|'start'|'tap'      $kind
     * @param ?string                              $size    null: none was found
     * @param ?array{mm2: float, colour: string}   $ferrule null: a lug
     */
    public function __construct(
        public string $number,
        public string $from,
        public string $to,
        public string $kind,
        public ?string $size,
        public string $colour,
        public ?array $ferrule,
    ) {}
}
