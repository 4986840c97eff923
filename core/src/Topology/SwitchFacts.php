<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** What nobody sees in a drawing of a switch, and its marking declares. Rule: docs/rules.md#topology. */
final readonly class SwitchFacts
{
    /** In the order in which they are asked. */
    public const CLASS_FACTS = [
        'listed',
        'electrically_held',
        'start_circuit_supervised',
        'selective_coordination',
        'only_class_loads',
        'wiring_separate',
        'temporary_source_point',
    ];

    /**
     * @param null|'any_breaker'|'fuse'|'listed_device'              $withstandBasis
     * @param 'closed'|'delayed'|'in_phase'|'open'                   $transition
     * @param 'emergency'|'legally_required'|'none'|'optional'       $systemClass
     * @param array<string, ?bool>                                   $class            by the names of CLASS_FACTS
     */
    public function __construct(
        public ?string $withstandBasis,
        public ?bool $isWithstandDeviceOk,
        public ?bool $isRatingMarked,
        public string $transition,
        public ?bool $hasUtilityAgreement,
        public string $systemClass,
        public array $class,
    ) {}

    /** Nobody was asked. */
    public static function unsaid(): self
    {
        return new self(null, null, null, 'open', null, 'none', array_fill_keys(self::CLASS_FACTS, null));
    }
}
