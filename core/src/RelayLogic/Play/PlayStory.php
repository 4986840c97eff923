<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** A run with every state it went through: one account, from which strip, ladder and cursor read. Rule: docs/rules.md#relay-play. */
final readonly class PlayStory
{
    /** @param list<PlayMoment> $moments at least that of the beginning, in order of time; the last of one millisecond counts */
    public function __construct(public PlayInput $input, public PlayResult $result, public array $moments) {}

    public function at(int $tMs): PlayMoment
    {
        $found = $this->moments[0];
        foreach ($this->moments as $moment) {
            if ($moment->tMs > $tMs) {
                break;
            }
            $found = $moment;
        }

        return $found;
    }

    /**
     * Stretches over which something of the state stays the same.
     *
     * @param \Closure(PlayMoment): ?string $of null: nothing to show
     *
     * @return list<array{from_ms: int, to_ms: int, value: string}>
     */
    public function spans(\Closure $of): array
    {
        $spans = [];
        $from = 0;
        $value = $of($this->moments[0]);
        foreach ([...$this->moments, null] as $moment) {
            $now = $moment === null ? null : $of($moment);
            if ($moment !== null && $now === $value) {
                continue;
            }
            $at = $moment->tMs ?? $this->result->endedMs;
            if ($value !== null && $at > $from) {
                $spans[] = ['from_ms' => $from, 'to_ms' => $at, 'value' => $value];
            }
            $from = $at;
            $value = $now;
        }

        return $spans;
    }

    /** @return list<int> at which anything happened */
    public function moments(): array
    {
        $times = array_map(static fn(array $event): int => is_int($event['t_ms']) ? $event['t_ms'] : 0, $this->result->events);

        return array_values(array_unique([0, ...$times]));
    }
}
