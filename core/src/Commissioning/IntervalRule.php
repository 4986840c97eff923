<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

/** One line of the table of intervals: between which marks, and what it is called when it does not fit. Rule: commissioning §3. */
final readonly class IntervalRule
{
    /** @param list<MarkEvent> $shownBy marks that prove it happened although its own mark is missing */
    public function __construct(
        public string $event,
        public MarkEvent $from,
        public MarkEvent $to,
        public string $early,
        public string $late,
        public ?string $notCome,
        public array $shownBy,
    ) {}
}
