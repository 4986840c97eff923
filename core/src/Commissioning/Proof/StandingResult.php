<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** The standing of a switch: one word, its parts, and what is missing. Rule: docs/rules.md#proof. */
final readonly class StandingResult
{
    /** @param list<PartStanding> $parts in the order of the table */
    public function __construct(public StandingState $state, public array $parts) {}

    public function part(ProofPart $part): ?PartStanding
    {
        foreach ($this->parts as $one) {
            if ($one->part === $part) {
                return $one;
            }
        }

        return null;
    }

    /** @return list<PartStanding> */
    public function in(PartState ...$states): array
    {
        return array_values(array_filter($this->parts, static fn(PartStanding $one): bool => in_array($one->state, $states, true)));
    }

    /** The last run that proved anything; null while nothing is proved. */
    public function latest(): ?PartRecord
    {
        $records = array_filter(array_map(
            static fn(PartStanding $one): ?PartRecord => $one->record,
            $this->in(PartState::Proved, PartState::Stale),
        ));
        usort($records, static fn(PartRecord $a, PartRecord $b): int => $b->at <=> $a->at);

        return $records[0] ?? null;
    }

    /** What is not proved, by name; empty when nothing is missing. */
    public function missing(): string
    {
        return self::names($this->in(PartState::Open, PartState::Stale, PartState::Failed));
    }

    /** @param list<PartStanding> $parts */
    private static function names(array $parts): string
    {
        return implode(', ', array_map(static fn(PartStanding $one): string => mb_strtolower($one->part->label()), $parts));
    }

    /** @return list<string> what changed since a part was proved, each once */
    public function changes(): array
    {
        return array_values(array_unique(array_merge(
            [],
            ...array_map(static fn(PartStanding $one): array => $one->because, $this->in(PartState::Stale)),
        )));
    }

    /** What is proved and to be looked at again, because a newer edition of the procedure proves more; empty where nothing is. */
    public function again(): string
    {
        return self::names(array_values(array_filter($this->parts, static fn(PartStanding $one): bool => $one->again !== [])));
    }

    /**
     * The standing in a sentence, always with what is missing.
     *
     * @param callable(string): string $date writes a moment (ISO 8601) as a day
     */
    public function sentence(callable $date): string
    {
        $latest = $this->latest();
        $when = $latest === null ? '' : " {$date($latest->at)} by $latest->by";
        $missing = $this->missing() === '' ? '' : ' Not proved: ' . $this->missing() . '.';

        return match ($this->state) {
            StandingState::Never => 'Nothing is proved yet.',
            StandingState::Failed => 'Failed: ' . self::names($this->in(PartState::Failed)) . '.'
                . ($this->in(
                    PartState::Open,
                    PartState::Stale,
                ) === [] ? '' : ' Not proved: ' . self::names($this->in(PartState::Open, PartState::Stale)) . '.'),
            StandingState::Stale => "Proven$when, and changed since: " . implode('; ', $this->changes()) . ".$missing",
            StandingState::Proven => "Proven$when.",
            StandingState::TimesOnly => "Times proven$when.$missing",
            StandingState::Partly => "Partly proven$when.$missing",
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'standing' => $this->state->value, 'parts' => array_map(static fn(PartStanding $one): array => $one->toArray(), $this->parts),
            'sentence' => $this->sentence(static fn(string $at): string => substr($at, 0, 10)), 'findings' => [], 'working' => [],
        ];
    }
}
