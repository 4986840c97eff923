<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Topology\Breaker;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\FaultRatings;

/** One element of a generated one-line, with what feeds it. */
final readonly class PlanPart
{
    public string $id;
    public string $type;

    /** @param array<string, string> $from element or element.port by the port it feeds; '' for the usual one */
    public function __construct(public Element $element, public array $from = [])
    {
        $this->id = $element->id;
        $this->type = $element->type;
    }

    /** @param list<Breaker> $breakers added behind those it has */
    public function withBreakers(array $breakers): self
    {
        $all = [...$this->element->breakers, ...$breakers];

        return $breakers === [] ? $this : new self($this->element->with(['breakers' => $all]), $this->from);
    }

    /** @param ?float $faultKa available at its terminals */
    public function withFault(?float $faultKa): self
    {
        if ($faultKa === null || ! in_array($this->type, ['disconnect', 'switch', 'panel'], true)) {
            return $this;
        }
        $known = $this->element->ratings;

        return new self(
            $this->element->with(['ratings' => new FaultRatings($known->aicKa, $known->mainAicKa, $known->seriesKa, $faultKa)]),
            $this->from,
        );
    }
}
