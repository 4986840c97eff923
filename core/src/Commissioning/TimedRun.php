<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

final readonly class TimedRun
{
    /**
     * @param list<Interval> $intervals
     * @param list<Bait>     $baits
     */
    public function __construct(public array $intervals, public array $baits) {}

    public function interval(string $event): ?Interval
    {
        foreach ($this->intervals as $interval) {
            if ($interval->event === $event) {
                return $interval;
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'intervals' => array_map(static fn(Interval $interval): array => $interval->toArray(), $this->intervals),
            'baits' => array_map(static fn(Bait $bait): array => $bait->toArray(), $this->baits),
        ];
    }
}
