<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** One control terminal. Rule: docs/rules.md#wiring-view. */
final readonly class Control
{
    public const FUNCTIONS = [
        'start',
        'start_return',
        'sense_normal',
        'sense_emergency',
        'battery_positive',
        'battery_negative',
        'charger',
        'shed',
        'alarm',
        'remote_test',
        'spare',
    ];

    /** @param ?string $fedBy a source, `other`, or null: what makes it live when the lugs are dead */
    public function __construct(
        public string $id,
        public string $function,
        public int|float|null $volts = null,
        public ?string $fedBy = null,
    ) {}

    public function isOfStart(): bool
    {
        return $this->function === 'start' || $this->function === 'start_return';
    }
}
