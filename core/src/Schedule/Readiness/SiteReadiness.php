<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

/** How ready one site is, and the least work against what is missing. Rule: docs/rules.md#storm-readiness. */
final class SiteReadiness
{
    private const EQUAL = 1e-9;
    private const READY = 85.0;
    private const WATCH = 60.0;

    public readonly float $raw;
    public readonly float $score;
    public readonly float $need;
    public readonly ?float $cap;
    public readonly string $grade;
    public readonly ReadinessFacts $facts;

    /** @var array<string, float> by criterion */
    private array $fractions = [];

    /** @var array<string, float> by criterion */
    private array $lost = [];

    /** @var array<string, float> by criterion */
    private array $caps = [];

    /** @var array<string, true> criteria that nobody knows */
    public array $unknown = [];

    public function __construct(public readonly ReadinessSite $site, private readonly ReadinessInput $in)
    {
        $this->facts = new ReadinessFacts($site, $in);
        $total = array_sum($in->weights);
        foreach (Criterion::cases() as $criterion) {
            $fraction = $this->facts->fraction($criterion);
            if ($fraction === null) {
                $this->unknown[$criterion->value] = true;
            }
            $this->fractions[$criterion->value] = $fraction ?? $criterion->unknown();
            $this->lost[$criterion->value] = 100 * $in->weights[$criterion->value] * $this->fractions[$criterion->value] / $total;
            $cap = $this->facts->cap($criterion);
            if ($cap !== null) {
                $this->caps[$criterion->value] = $cap;
            }
        }
        [$this->score, $this->raw] = $this->after([]);
        $this->cap = $this->caps === [] ? null : min($this->caps);
        $this->need = (100 - $this->score) * $site->priority;
        $this->grade = $this->grade();
    }

    public function fraction(Criterion $criterion): float
    {
        return $this->fractions[$criterion->value];
    }

    /** @return list<array{id: string, state: string, fraction: float, lost: float}> */
    public function criteria(): array
    {
        return array_map(fn(Criterion $criterion): array => [
            'id' => $criterion->value,
            'state' => isset($this->unknown[$criterion->value]) ? 'unknown' : ($this->fraction($criterion) > 0 ? 'lost' : 'ok'),
            'fraction' => $this->fraction($criterion),
            'lost' => $this->lost[$criterion->value],
        ], Criterion::cases());
    }

    /** @return list<string> criteria that lose, most first */
    public function reasons(): array
    {
        $ids = array_keys(array_filter($this->lost, static fn(float $lost): bool => $lost > 0));
        $places = array_flip(array_keys($this->lost));
        usort($ids, fn(string $a, string $b): int => abs($this->lost[$a] - $this->lost[$b]) <= self::EQUAL
            ? $places[$a] <=> $places[$b]
            : $this->lost[$b] <=> $this->lost[$a]);

        return $ids;
    }

    /** @return ?array{action: string, minutes: float, score_after: float} the greatest gain a minute */
    public function best(): ?array
    {
        $best = null;
        $bestRate = $bestGain = 0.0;
        foreach ($this->open() as $action) {
            [$score, $raw] = $this->after($this->settled([$action]));
            $gain = $score + $raw - $this->score - $this->raw;
            $rate = $gain / $this->minutes($action);
            $isBetter = $best === null || $rate > $bestRate + self::EQUAL
                || abs($rate - $bestRate) <= self::EQUAL && $gain > $bestGain + self::EQUAL;
            if ($isBetter) {
                $best = ['action' => $action->value, 'minutes' => $this->minutes($action), 'score_after' => $score];
                [$bestRate, $bestGain] = [$rate, $gain];
            }
        }

        return $best;
    }

    /** @return array{actions: list<string>, minutes: float, score_after: float} the fewest minutes to the target */
    public function toTarget(): array
    {
        $open = $this->open();
        $best = null;
        for ($set = 0; $set < 1 << count($open); $set++) {
            $places = array_values(array_filter(array_keys($open), static fn(int $i): bool => ($set >> $i & 1) === 1));
            $actions = array_map(static fn(int $i): ReadinessAction => $open[$i], $places);
            $minutes = array_sum(array_map($this->minutes(...), $actions));
            if ($best !== null && $minutes > $best['minutes'] + self::EQUAL) {
                continue;
            }
            [$score] = $this->after($this->settled($actions));
            if ($score < $this->in->target - self::EQUAL) {
                continue;
            }
            $plan = ['minutes' => (float) $minutes, 'score' => $score, 'places' => $places, 'actions' => $actions];
            if ($best === null || self::isBetter($plan, $best)) {
                $best = $plan;
            }
        }

        return [
            'actions' => array_map(static fn(ReadinessAction $one): string => $one->value, $best['actions'] ?? []),
            'minutes' => $best['minutes'] ?? 0.0,
            'score_after' => $best['score'] ?? $this->score,
        ];
    }

    /**
     * @param array{minutes: float, score: float, places: list<int>, actions: list<ReadinessAction>} $a
     * @param array{minutes: float, score: float, places: list<int>, actions: list<ReadinessAction>} $b
     */
    private static function isBetter(array $a, array $b): bool
    {
        if (abs($a['minutes'] - $b['minutes']) > self::EQUAL) {
            return $a['minutes'] < $b['minutes'];
        }
        if (count($a['places']) !== count($b['places'])) {
            return count($a['places']) < count($b['places']);
        }

        return abs($a['score'] - $b['score']) > self::EQUAL ? $a['score'] > $b['score'] : $a['places'] < $b['places'];
    }

    /** @return list<ReadinessAction> that would lower what some criterion loses */
    private function open(): array
    {
        return array_values(array_filter(ReadinessAction::cases(), function (ReadinessAction $action): bool {
            foreach ($action->settles() as $criterion) {
                if ($this->fraction($criterion) > 0) {
                    return true;
                }
            }

            return false;
        }));
    }

    private function minutes(ReadinessAction $action): float
    {
        $times = $action === ReadinessAction::ClearStops ? max(1, $this->site->openStops ?? 1) : 1;

        return $this->in->minutes[$action->value] * $times;
    }

    /**
     * @param list<ReadinessAction> $actions
     *
     * @return array<string, true> criteria
     */
    private function settled(array $actions): array
    {
        $settled = [];
        foreach ($actions as $action) {
            foreach ($action->settles() as $criterion) {
                $settled[$criterion->value] = true;
            }
        }

        return $settled;
    }

    /**
     * @param array<string, true> $settled
     *
     * @return array{float, float} score and raw
     */
    private function after(array $settled): array
    {
        $raw = 100 - array_sum(array_diff_key($this->lost, $settled));
        $caps = array_diff_key($this->caps, $settled);

        return [$caps === [] ? $raw : min($raw, ...array_values($caps)), $raw];
    }

    private function grade(): string
    {
        if ($this->cap !== null) {
            return 'not_ready';
        }
        $blind = array_filter(Criterion::cases(), fn(Criterion $one): bool => $one->decides() && isset($this->unknown[$one->value]));
        $isTested = $this->lost['outage_test'] <= 0.0 && $this->lost['load_test'] <= 0.0;

        return match (true) {
            $this->score >= self::READY - self::EQUAL && $blind === [] && $isTested => 'ready',
            $this->score >= self::WATCH - self::EQUAL => 'watch',
            default => 'act',
        };
    }
}
