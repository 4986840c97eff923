<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Feed;

/**
 * Whether what a device reported last may be shown as what is. It may while no more than three of its intervals have passed since it was
 * heard; after that it is what was, with the time, and never more. Rule: docs/rules.md#fleet-feed.
 */
final readonly class FeedStanding
{
    private const INTERVALS = 3;
    private const CLOCK_MS = 120_000;

    private function __construct(public FeedState $state, public ?int $silentMs, public ?int $clockOffMs) {}

    /**
     * @param ?int $heardMs  when the last line came, by our clock; null: never
     * @param ?int $saidMs   when it was written, by the device's
     * @param bool $isFresh  it came alone and not out of a store: only then do the two clocks compare
     */
    public static function of(int $intervalS, ?int $heardMs, ?int $saidMs, bool $isFresh, int $nowMs): self
    {
        if ($heardMs === null) {
            return new self(FeedState::Never, null, null);
        }
        $silent = max(0, $nowMs - $heardMs);
        $off = $isFresh && $saidMs !== null ? $saidMs - $heardMs : 0;

        return new self(
            $silent <= self::INTERVALS * $intervalS * 1000 ? FeedState::Live : FeedState::Silent,
            $silent,
            abs($off) > self::CLOCK_MS ? $off : null,
        );
    }

    /**
     * Times in which nothing was written, by the device's clock: longer than three intervals between one line and the next.
     *
     * @param list<int> $atMs of the lines, in any order
     *
     * @return list<array{int, int}> from and to, in ms since 1970
     */
    public static function gaps(array $atMs, int $intervalS): array
    {
        sort($atMs);
        $gaps = [];
        foreach (array_slice($atMs, 1) as $i => $at) {
            if ($at - $atMs[$i] > self::INTERVALS * $intervalS * 1000) {
                $gaps[] = [$atMs[$i], $at];
            }
        }

        return $gaps;
    }
}
