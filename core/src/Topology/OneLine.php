<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** A one-line as read: elements, links, what is interlocked, what is to be isolated. Rule: docs/rules.md#topology. */
final readonly class OneLine
{
    /** @var array<string, Element> */
    public array $byId;
    /** @var list<Device> in element order, main first */
    public array $devices;
    /** @var list<Element> */
    public array $sources;
    /** @var list<Element> */
    public array $switches;

    /**
     * @param list<Element>      $elements
     * @param list<Link>         $links
     * @param list<list<string>> $interlocks device refs
     * @param list<list<string>> $isolations device refs and source ids
     * @param null|array<string, ?bool> $facts declared of the site, by the names of SiteFactRules::FACTS
     */
    public function __construct(
        public string $system,
        public array $elements,
        public array $links,
        public array $interlocks = [],
        public array $isolations = [],
        public ?string $plannedTestPoint = null,
        public int|float|null $voltsLl = null,
        public ?array $facts = null,
    ) {
        $this->byId = array_column($elements, null, 'id');
        $this->devices = array_merge(...array_map(Device::of(...), $elements));
        $this->sources = $this->ofType('source');
        $this->switches = $this->ofType('switch');
    }

    public function phases(): int
    {
        return match ($this->system) {
            'single' => 1,
            'split' => 2,
            default => 3,
        };
    }

    /** @return list<Element> */
    public function ofType(string $type): array
    {
        return array_values(array_filter($this->elements, static fn(Element $element): bool => $element->type === $type));
    }

    /** @return list<array<string, string>> every position of every switch, the first changing slowest */
    public function combinations(): array
    {
        $combinations = [[]];
        foreach ($this->switches as $switch) {
            $longer = [];
            foreach ($combinations as $combination) {
                foreach ($switch->hasOff ? ['normal', 'off', 'emergency'] : ['normal', 'emergency'] as $position) {
                    $longer[] = $combination + [$switch->id => $position];
                }
            }
            $combinations = $longer;
        }

        return $combinations;
    }
}
