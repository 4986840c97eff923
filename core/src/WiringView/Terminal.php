<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** A place in an enclosure where conductors land. Rule: docs/rules.md#wiring-view. */
final readonly class Terminal
{
    /**
     * @param 'bar'|'control'|'lug' $kind
     * @param ?string               $leg     null of a control
     * @param ?string               $port    the enclosure's port it belongs to; null for neutral, ground and controls
     * @param bool                  $isOfBreaker listed only where a conductor sits
     */
    public function __construct(
        public string $id,
        public string $kind,
        public ?string $leg,
        public ?string $port,
        public int $row,
        public int $column,
        public bool $isOfBreaker = false,
    ) {}

    public function isPhaseLug(): bool
    {
        return $this->kind === 'lug' && $this->leg !== 'N';
    }
}
