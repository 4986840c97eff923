<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Topology\PlacedFindings;

/** What is wrong on the terminals of an enclosure. Rule: docs/rules.md#wiring-view. */
final readonly class WiringRules
{
    private PlacedFindings $findings;

    public function __construct(private WiringViewInput $in, private TerminalPlan $plan, private Landings $landings)
    {
        $this->findings = new PlacedFindings();
    }

    /**
     * @param array<string, list<string>> $staysLive
     *
     * @return list<Finding> worst first
     */
    public function judge(array $staysLive): array
    {
        foreach ($this->plan->terminals as $terminal) {
            $on = array_map(
                fn(int $i): LandedConductor => $this->landings->conductors[$i],
                $this->landings->onTerminal[$terminal->id] ?? [],
            );
            $this->legs($terminal, $on);
            $this->marking($terminal, $on);
        }
        $this->breakers();
        $this->sets();
        if ($this->in->bondWanted !== null && $this->in->bondWanted !== $this->in->bond) {
            $this->findings->raise($this->in->bond ? 'bond-extra' : 'wiring-view/bond-missing', $this->in->enclosure->id);
        }
        foreach ($staysLive as $port => $sources) {
            if (array_filter($sources, fn(string $source): bool => $this->in->drawing->byId[$source]->isGrid()) !== []) {
                $this->findings->raise('wiring-view/line-side-live', "{$this->in->enclosure->id}.$port");
            }
        }
        (new ControlRules($this->in, $this->findings))->judge();

        return $this->findings->all();
    }

    /** @param list<LandedConductor> $on */
    private function legs(Terminal $terminal, array $on): void
    {
        $legs = array_values(array_unique(array_map(static fn(LandedConductor $one): string => $one->leg, $on)));
        $phases = array_values(array_diff($legs, ['N', 'G']));
        $hasNeutral = in_array('N', $legs, true);
        $hasGround = in_array('G', $legs, true);
        $found = match (true) {
            $terminal->leg === 'N' => [
                'wiring-view/hot-on-neutral' => $phases !== [], 'wiring-view/ground-on-neutral-bar' => $hasGround && ! $this->in->bond,
            ],
            $terminal->leg === 'G' => ['wiring-view/hot-on-ground' => $phases !== []],
            default => [
                'legs-mixed' => count($phases) > 1, 'leg-on-other-lug' => count($phases) === 1 && $phases[0] !== $terminal->leg,
                'neutral-on-hot' => $hasNeutral, 'ground-on-hot' => $hasGround,
            ],
        };
        foreach (array_keys(array_filter($found)) as $id) {
            $this->findings->raise($id, $terminal->id);
        }
        if ($terminal->leg === 'G' && $hasNeutral) {
            $this->findings->raise('neutral-on-ground-bar', $terminal->id, severity: $this->in->bond ? Severity::Warn : Severity::Stop);
        }
    }

    /** @param list<LandedConductor> $on */
    private function marking(Terminal $terminal, array $on): void
    {
        $lug = $this->in->lugs[$terminal->id] ?? null;
        if ($lug?->wiresMax !== null && count($on) > $lug->wiresMax) {
            $this->findings->raise('wiring-view/lug-overfilled', $terminal->id);
        }
        if ($terminal->kind === 'lug' && $lug?->wiresMax === null && count($on) > 1) {
            $this->findings->raise('wiring-view/lug-count-unstated', $terminal->id);
        }
        if ($lug !== null) {
            foreach ($on as $one) {
                $this->landed($one, $lug, $terminal->id);
            }
        }
        if ($terminal->kind === 'lug' && ! $terminal->isOfBreaker && $on === [] && $this->isLinked($terminal)) {
            $this->findings->raise('terminal-empty', $terminal->id);
        }
    }

    private function landed(LandedConductor $one, Lug $lug, string $terminal): void
    {
        if (in_array($lug->material, ['cu', 'al'], true) && $one->material !== null && $one->material !== $lug->material) {
            $this->findings->raise('lug-material', $terminal);
        }
        if ($one->size !== null && $this->isOutside($one->size, $lug)) {
            $this->findings->raise('lug-size', $terminal);
        }
    }

    private function isOutside(string $size, Lug $lug): bool
    {
        $place = fn(string $one): int => (int) array_search($one, $this->in->sizes, true);

        return $lug->minSize !== null
            && $place($size) < $place($lug->minSize)
            || $lug->maxSize !== null
            && $place($size) > $place($lug->maxSize);
    }

    private function isLinked(Terminal $terminal): bool
    {
        [$port] = explode('.', $terminal->id);
        foreach ($this->in->drawing->links as $link) {
            if (in_array("{$this->in->enclosure->id}.$port", [$link->from(), $link->to()], true)) {
                return true;
            }
        }

        return false;
    }

    private function breakers(): void
    {
        foreach ($this->in->enclosure->breakers as $breaker) {
            $used = array_filter($this->in->phases(), fn(string $leg): bool => isset($this->landings->onTerminal["$breaker->id.$leg"]));
            if (count($used) > $breaker->poles) {
                $this->findings->raise('breaker-poles-short', $breaker->id);
            }
        }
    }

    /** The conductors of each link: one leg in one place, and as many of one leg as of the others. */
    private function sets(): void
    {
        $terminals = $counts = [];
        foreach ($this->in->conductors as $i => $one) {
            if ($one->leg !== 'N' && $one->leg !== 'G') {
                $terminals[$one->link][$one->leg][$this->landings->conductors[$i]->terminal] = true;
                $counts[$one->link][$one->leg] = ($counts[$one->link][$one->leg] ?? 0) + 1;
            }
        }
        foreach ($terminals as $link => $legs) {
            if (max(array_map(count(...), $legs)) > 1) {
                $this->findings->raise('set-split', $this->in->farEnd($link));
            }
            if (count(array_unique($counts[$link])) > 1) {
                $this->findings->raise('wiring-view/sets-unequal', $this->in->farEnd($link));
            }
        }
    }
}
