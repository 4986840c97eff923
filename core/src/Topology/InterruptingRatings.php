<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** Whether every device can break what the sources push into a fault at its place. Rule: docs/rules.md#topology. */
final readonly class InterruptingRatings
{
    public function __construct(private ReachMap $reach, private PlacedFindings $findings) {}

    public function judge(): void
    {
        foreach ($this->reach->drawing->elements as $e) {
            if (in_array($e->type, ['disconnect', 'switch', 'panel'], true)) {
                $this->element($e);
            }
        }
    }

    private function element(Element $e): void
    {
        $reaching = $this->reach->closedSources($e);
        $rated = $this->rated($e);
        $known = array_filter(
            array_map(static fn(Element $source): int|float|null => $source->faultKa, $reaching),
            static fn(int|float|null $ka): bool => $ka !== null,
        );
        if ($e->ratings->faultKa !== null || $known !== []) {
            $this->stand($e, $rated, $e->ratings->faultKa ?? max($known));
        }
        $unknown = array_filter($reaching, static fn(Element $source): bool => $source->isUtilityLike() && $source->faultKa === null);
        if ($e->ratings->faultKa === null && $unknown !== [] && $rated !== []) {
            $this->findings->raise('fault-current-unknown', $e->id);
        }
    }

    /** @param array<string, array{int|float, bool}> $rated by reference: rating, and whether a series combination may cover it */
    private function stand(Element $e, array $rated, int|float $faultKa): void
    {
        foreach ($rated as $ref => [$ratingKa, $mayBeSeries]) {
            if ($faultKa <= $ratingKa) {
                continue;
            }
            $mayBeSeries && $e->ratings->seriesKa !== null && $e->ratings->seriesKa >= $faultKa
                ? $this->findings->raise('topology/series-rating-used', $e->id)
                : $this->findings->raise('topology/interrupting-rating-exceeded', (string) $ref);
        }
        if ($this->lacksRating($e)) {
            $this->findings->raise('topology/interrupting-rating-unknown', $e->id);
        }
    }

    /** @return array<string, array{int|float, bool}> by reference: rating, and whether a series combination may cover it */
    private function rated(Element $e): array
    {
        $rated = [];
        if ($e->ratings->aicKa !== null) {
            $rated[$e->id] = [$e->ratings->aicKa, $e->type === 'panel'];
        }
        if ($e->mainA !== null && $e->ratings->mainAicKa !== null) {
            $rated["$e->id.main"] = [$e->ratings->mainAicKa, false];
        }
        foreach ($e->breakers as $breaker) {
            if ($breaker->aicKa !== null) {
                $rated["$e->id.$breaker->id"] = [$breaker->aicKa, true];
            }
        }

        return $rated;
    }

    private function lacksRating(Element $e): bool
    {
        $isMainUnrated = $e->mainA !== null && $e->ratings->mainAicKa === null;
        $unrated = array_filter($e->breakers, static fn(Breaker $breaker): bool => $breaker->aicKa === null);

        return match ($e->type) {
            'disconnect' => $e->ratingA !== null && $e->ratings->aicKa === null,
            'switch' => $isMainUnrated,
            default => $e->ratings->aicKa === null && ($isMainUnrated || $unrated !== []),
        };
    }
}
