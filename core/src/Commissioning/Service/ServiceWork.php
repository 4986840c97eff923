<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Service;

/** What a service visit takes in. Rule: docs/rules.md#service-visit. */
final readonly class ServiceWork
{
    /**
     * @param bool         $hasEngine    an engine stands here; an inverter and a second supply have none
     * @param bool         $hasEnclosure the enclosure of the switch is opened: then everything is isolated and proved dead first
     * @param list<string> $items        items of service that are done at this visit, as `service_due` names them
     */
    public function __construct(public bool $hasEngine = true, public bool $hasEnclosure = false, public array $items = []) {}

    public function has(string $item): bool
    {
        return in_array($item, $this->items, true);
    }
}
