<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

/** A panel that a site has beside those of its kind: fed from another panel by a breaker there. */
final readonly class SubPanel
{
    /**
     * @param string $id       sub-1, sub-2 …
     * @param string $from     element of the panel that feeds it
     * @param ?bool  $isBonded neutral and ground are joined in it today; null: not known
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $from,
        public int $breakerA,
        public ?bool $isBonded,
    ) {}
}
