<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** One contact in a rung: normally open, normally closed, or closed in some positions. Rule: docs/rules.md#relay-check. */
final readonly class Contact
{
    /**
     * @param string          $id        of its rung or start, and its place in it
     * @param 'nc'|'no'|'of'  $kind
     * @param list<string>    $positions of `of`
     * @param ?string         $label     as on the device, 13-14
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $device,
        public array $positions = [],
        public ?string $label = null,
    ) {}

    /** As it stands on the device, or by its kind. */
    public function words(): string
    {
        return $this->device . match (true) {
            $this->label !== null => " $this->label",
            $this->kind === 'of' => ' at ' . implode(', ', $this->positions),
            default => $this->kind === 'no' ? ' NO' : ' NC',
        };
    }
}
