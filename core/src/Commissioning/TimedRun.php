<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

final readonly class TimedRun
{
    /** Before the event of an interval: the same one in a test by the button. */
    public const BY_BUTTON = 'test_';

    /**
     * @param list<Interval> $intervals
     * @param list<Bait>     $baits
     * @param bool           $isByButton begun by the test button, with the utility there all the time
     */
    public function __construct(public array $intervals, public array $baits, public bool $isByButton = false) {}

    public function interval(string $event): ?Interval
    {
        foreach ($this->intervals as $interval) {
            if ($interval->event === $event) {
                return $interval;
            }
        }

        return null;
    }

    /** Tells the interval of a test from that of an outage. */
    public function nameOf(Interval $interval): string
    {
        return ($this->isByButton ? self::BY_BUTTON : '') . $interval->event;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ($this->isByButton ? ['by' => 'button'] : []) + [
            'intervals' => array_map(static fn(Interval $interval): array => $interval->toArray(), $this->intervals),
            'baits' => array_map(static fn(Bait $bait): array => $bait->toArray(), $this->baits),
        ];
    }
}
