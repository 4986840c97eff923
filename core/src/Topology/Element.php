<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** One thing on the one-line. Which fields mean anything depends on its type; the reader has checked them. Rule: docs/rules.md#topology. */
final readonly class Element
{
    /**
     * @param list<Breaker> $breakers
     * @param list<string>  $phases
     * @param list<string>  $inhibitedBy
     */
    public function __construct(
        public string $id,
        public string $type,
        public string $kind = '',
        public int|float|null $breakerA = null,
        public int|float|null $faultKa = null,
        public bool $isGridInteractive = false,
        public int|float|null $ratingA = null,
        public bool $isClosed = true,
        public bool $isService = false,
        public bool $breaksLoad = true,
        public int $poles = 0,
        public string $neutral = '',
        public bool $isServiceRated = false,
        public bool $hasOff = false,
        public int|float|null $withstandKa = null,
        public int|float|null $mainA = null,
        public bool $isMainClosed = true,
        public string $senseAt = 'after_main',
        public bool $isInterlocked = true,
        public string $role = '',
        public array $breakers = [],
        public array $phases = [],
        public int $va = 0,
        public array $inhibitedBy = [],
        public FaultRatings $ratings = new FaultRatings(),
        public ?SwitchFacts $declared = null,
        public ?bool $hasGroundFaultProtection = null,
        public ?bool $hasEmergencyStop = null,
    ) {}

    /**
     * The same with what became known later.
     *
     * @param array{breakers?: list<Breaker>, ratings?: FaultRatings, declared?: SwitchFacts, hasGroundFaultProtection?: ?bool,
     *     hasEmergencyStop?: ?bool} $changed by the names of the properties
     */
    public function with(array $changed): self
    {
        /** @var array{id: string, type: string} $same its properties, which are named as the arguments are */
        $same = get_object_vars($this);

        return new self(...$changed + $same);
    }

    /** The neutral leaves with its source: broken, or handed over without a gap. */
    public function switchesNeutral(): bool
    {
        return $this->neutral === 'switched' || $this->neutral === 'overlapping';
    }

    public function isUtilityLike(): bool
    {
        return in_array($this->kind, ['utility', 'shore', 'transformer'], true);
    }

    /** Fed by the utility's grid, with nothing of the customer's ahead of it. */
    public function isGrid(): bool
    {
        return $this->type === 'source' && ($this->kind === 'utility' || $this->kind === 'transformer');
    }

    /** @return list<string> the ports of its nodes, in their order */
    public function ports(): array
    {
        return match ($this->type) {
            'source' => $this->kind === 'inverter' ? ['out', 'dc'] : ['out'],
            'meter', 'disconnect', 'inlet', 'shed', 'ups' => ['in', 'out'],
            'switch' => ['normal', ...($this->mainA === null ? [] : ['main_out']), 'emergency', 'load'],
            'panel' => ['in', 'bus', ...array_map(static fn(Breaker $breaker): string => $breaker->id, $this->breakers)],
            'charger' => ['in', 'dc'],
            'battery' => ['dc'],
            default => ['in'],
        };
    }

    /** @return array{list<string>, ?string} the ports a link can begin at, and the one that goes without saying */
    public function outlets(): array
    {
        return match ($this->type) {
            'source', 'meter', 'disconnect', 'inlet', 'shed', 'ups' => [['out'], 'out'],
            'switch' => [['load'], 'load'],
            'panel' => [['bus', ...array_column($this->breakers, 'id')], null],
            'charger', 'battery' => [['dc'], 'dc'],
            default => [[], null],
        };
    }

    /** @return array{list<string>, ?string} the ports a link can end at, and the one that goes without saying */
    public function inlets(): array
    {
        return match ($this->type) {
            'source' => $this->kind === 'inverter' ? [['dc'], 'dc'] : [[], null],
            'switch' => [['normal', 'emergency'], null],
            'panel' => [['in', 'bus', ...array_column($this->breakers, 'id')], 'in'],
            'battery' => [['dc'], 'dc'],
            default => [['in'], 'in'],
        };
    }
}
