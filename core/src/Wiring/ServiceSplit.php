<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/**
 * Two sets from the meter, one service-rated switch, two panels. The two conductors on a line lug must be the same leg:
 * crossed, they bolt the legs together. Rule: wiring §9.
 */
final readonly class ServiceSplit
{
    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $serviceA = $in->number('service_ocpd_a', 100, 1200);
        $asked83 = $in->bool('dwelling_83pct', true);
        $loadA = $in->number('load_a', 0.001, 2000, $serviceA);
        $switchIn = $in->object('switch');
        $switch = ['rating' => $switchIn->number('rating_a', 30, 4000), 'isServiceRated' => $switchIn->bool('service_rated'), 'perLug' => $switchIn->maybeInt('wires_per_lug', 1, 8)];
        $switchIn->close();
        $conductor = $this->conductor($in->object('conductor'));
        /** @var list<array{id: string, leg: string, lug: string, length: float}> $line */
        $line = $in->each('line', 3, 24, static fn(Fields $one): array => [
            'id' => $one->text('id', 40), 'leg' => $one->oneOf('leg', ['A', 'B', 'N']), 'lug' => $one->oneOf('lug', ['L1', 'L2', 'N']), 'length' => $one->number('length_ft', 0.1, 10_000),
        ], isOptional: false);
        $tolerancePct = $in->number('length_tolerance_pct', 0, 20, 1.0);
        $panels = $in->each('panels', 1, 4, $this->panel(...), isOptional: false);
        $in->close();

        $findings = new Findings();
        $working = new Working();
        $is83 = $asked83 && Relative::isAtLeast(400, $serviceA);
        $amp = Ampacity::amps($conductor['material'], $conductor['size'], $conductor['terminal']);
        $onLug = ['L1' => [], 'L2' => [], 'N' => []];
        foreach ($line as $one) {
            $onLug[$one['lug']][] = $one;
        }
        $hots1 = count($onLug['L1']);
        $hots2 = count($onLug['L2']);
        $neutrals = count($onLug['N']);
        $sets = min($hots1, $hots2);
        $serviceAmpacityA = $amp * $sets;
        $requiredA = $is83 ? 0.83 * $serviceA : $serviceA;
        $isEnough = $is83 ? Relative::isAtLeast($serviceAmpacityA, $requiredA) : Relative::isAtLeast(Ampacity::roundUp($serviceAmpacityA), $serviceA);
        $working->add('Service conductors', sprintf('%d sets × %d A', $sets, $amp), $serviceAmpacityA, 'A');
        $lugs = [];
        foreach ($onLug as $lug => $ones) {
            $lugs[] = $this->lug((string) $lug, $ones, $loadA);
        }
        $this->judgeLine($lugs, $hots1, $hots2, $neutrals, $sets, $conductor, $amp, $is83, $tolerancePct, $findings);
        if (! $isEnough) {
            $findings->stop('service-ampacity-low', sprintf('The service conductors carry %d A, %g A are needed', $serviceAmpacityA, $requiredA), 'They burn before the service device opens.');
        }
        $this->judgeSwitch($switch, $serviceA, $onLug, $panels, $findings);
        $rows = array_map(fn(array $panel): array => $this->judgePanel($panel, $serviceA, $findings), $panels);
        $this->judgePanels($panels, $serviceA, $findings);
        WiringFields::confirm($findings);

        return new Answer([
            'sets' => $sets, 'conductor_a' => $amp, 'service_ampacity_a' => $serviceAmpacityA, 'required_service_a' => $requiredA, 'lugs' => $lugs, 'panels' => $rows, 'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @return array{material: string, size: string, neutral: string, terminal: int} */
    private function conductor(Fields $in): array
    {
        $material = $in->oneOf('material', ['cu', 'al']);
        $size = WiringFields::size($in, 'size', $material);
        $read = ['material' => $material, 'size' => $size, 'neutral' => WiringFields::size($in, 'neutral_size', $material, $size), 'terminal' => WiringFields::oneInt($in, 'terminal_c', [60, 75], 75)];
        $in->close();

        return $read;
    }

    /** @return array{id: string, rating: float, main: ?float, ocpd: ?float, feederA: int, length: float, outside: bool, legA: string, legB: string} */
    private function panel(Fields $in): array
    {
        $id = $in->text('id', 40);
        $rating = $in->number('rating_a', 30, 1200);
        $maybe = static fn(string $key): ?float => $in->has($key) && ! $in->at($key)->isNull() ? $in->number($key, 15, 1200) : null;
        $main = $maybe('main_a');
        $ocpd = $maybe('feeder_ocpd_a');
        $feeder = $in->object('feeder');
        $material = $feeder->oneOf('material', ['cu', 'al']);
        $size = WiringFields::size($feeder, 'size', $material);
        $length = $feeder->number('length_ft', 0.1, 10_000);
        $terminal = WiringFields::oneInt($feeder, 'terminal_c', [60, 75], 75);
        $feeder->close();

        return [
            'id' => $id, 'rating' => $rating, 'main' => $main, 'ocpd' => $ocpd, 'feederA' => Ampacity::amps($material, $size, $terminal), 'length' => $length,
            'outside' => $in->bool('outside', false), 'legA' => $in->oneOf('leg_a_lug', ['L1', 'L2']), 'legB' => $in->oneOf('leg_b_lug', ['L1', 'L2']),
        ];
    }

    /**
     * @param list<array{leg: string, length: float, ...}> $ones
     *
     * @return array{lug: string, legs: list<string>, count: int, spread_pct: int|float|null, max_share: int|float|null, worst_a: ?float}
     */
    private function lug(string $lug, array $ones, float $loadA): array
    {
        $legs = array_values(array_unique(array_column($ones, 'leg')));
        sort($legs);
        $lengths = array_column($ones, 'length');
        if ($lengths === []) {
            return ['lug' => $lug, 'legs' => $legs, 'count' => 0, 'spread_pct' => null, 'max_share' => null, 'worst_a' => null];
        }
        if (count($lengths) === 1) {
            return ['lug' => $lug, 'legs' => $legs, 'count' => 1, 'spread_pct' => 0, 'max_share' => 1, 'worst_a' => $lug === 'N' ? null : $loadA];
        }
        $shortest = min($lengths);
        $share = (1 / $shortest) / array_sum(array_map(static fn(float $length): float => 1 / $length, $lengths));

        return ['lug' => $lug, 'legs' => $legs, 'count' => count($lengths), 'spread_pct' => 100 * (max($lengths) - $shortest) / $shortest, 'max_share' => $share, 'worst_a' => $lug === 'N' ? null : $loadA * $share];
    }

    /**
     * @param list<array{lug: string, legs: list<string>, count: int, spread_pct: int|float|null, max_share: int|float|null, worst_a: ?float}> $lugs
     * @param array{size: string, neutral: string, ...} $conductor
     */
    private function judgeLine(array $lugs, int $hots1, int $hots2, int $neutrals, int $sets, array $conductor, int $amp, bool $is83, float $tolerancePct, Findings $findings): void
    {
        [$l1, $l2, $n] = $lugs;
        foreach ($lugs as $lug) {
            if (count($lug['legs']) > 1) {
                $findings->stop('legs-crossed', 'Two legs meet at one lug', 'A dead short between them, ahead of every breaker you could open. Test for identity, dead, before landing.', [$lug['lug']]);
            }
            if ($lug['count'] === 0) {
                $findings->stop('lug-empty', 'A lug has no conductor', 'Half of the voltage is missing, or the neutral.', [$lug['lug']]);
            }
            if ($lug['spread_pct'] !== null && Relative::isOver($lug['spread_pct'], $tolerancePct)) {
                $findings->warn('parallel-unequal-length', 'Parallel conductors differ in length', 'The shorter one carries more. The code asks for the same length; the tolerance is a workshop figure.', [$lug['lug']]);
            }
            if ($lug['lug'] !== 'N' && $lug['count'] >= 2 && $lug['worst_a'] !== null && Relative::isOver($lug['worst_a'], $is83 ? $amp / 0.83 : $amp)) {
                $findings->stop('parallel-overload', sprintf('One of the parallel conductors carries %.0f A', $lug['worst_a']), 'It is shorter than the other and takes more than it stands.', [$lug['lug']]);
            }
        }
        $isHot = static fn(array $legs): bool => count($legs) === 1 && $legs[0] !== 'N';
        if ($isHot($l1['legs']) && $l1['legs'] === $l2['legs']) {
            $findings->stop('both-lugs-same-leg', 'Both hot lugs have the same leg', 'No 240 V, and the neutral carries the sum of both.');
        }
        if ($isHot($n['legs']) || $l1['legs'] === ['N'] || $l2['legs'] === ['N']) {
            $findings->stop('neutral-lug-wrong', 'Neutral and hot have changed places', 'Loads get 240 V for 120.');
        }
        if ($hots1 !== $hots2 && $hots1 > 0 && $hots2 > 0) {
            $findings->stop('sets-unequal', "$hots1 conductors on one lug, $hots2 on the other", 'A conductor is missing or landed on the wrong lug.');
        }
        if ($neutrals > 0 && $neutrals !== $sets) {
            $findings->warn('neutral-sets-unequal', "$neutrals neutrals for $sets sets", 'Count them again.');
        }
        if (max($hots1, $hots2) > 1 && ! Sizes::isAtLeast($conductor['size'], '1/0') || $neutrals > 1 && ! Sizes::isAtLeast($conductor['neutral'], '1/0')) {
            $findings->stop('parallel-too-small', 'Conductors below 1/0 may not run in parallel', 'One loose joint puts all of it on the other.');
        }
    }

    /**
     * @param array{rating: float, isServiceRated: bool, perLug: ?int}               $switch
     * @param array<string, list<array{leg: string, ...}>>                           $onLug
     * @param list<array{legA: string, legB: string, ...}>                           $panels
     */
    private function judgeSwitch(array $switch, float $serviceA, array $onLug, array $panels, Findings $findings): void
    {
        if (Relative::isOver($serviceA, $switch['rating'])) {
            $findings->stop('switch-rating-low', sprintf('The switch is rated %g A, the service %g A', $switch['rating'], $serviceA), 'Take a larger switch.');
        }
        if (! $switch['isServiceRated']) {
            $findings->stop('switch-not-service-rated', 'The switch is not service rated', 'Ahead of the panel it is the service disconnect, and must be listed as one.');
        }
        if ($switch['perLug'] === null) {
            $findings->warn('lug-count-unstated', 'How many conductors a lug takes is not known', 'Read its marking: two in a lug for one come loose.');

            return;
        }
        $counts = [...array_map(count(...), array_values($onLug)), count($panels)];
        foreach (['L1', 'L2'] as $lug) {
            $counts[] = array_sum(array_map(static fn(array $panel): int => ($panel['legA'] === $lug ? 1 : 0) + ($panel['legB'] === $lug ? 1 : 0), $panels));
        }
        if (max([0, ...$counts]) > $switch['perLug']) {
            $findings->stop('lug-overfilled', sprintf('A lug takes %d conductors, %d are landed', $switch['perLug'], max($counts)), 'They come loose and heat. Use a listed multi-tap, or another switch.');
        }
    }

    /**
     * @param array{id: string, rating: float, main: ?float, ocpd: ?float, feederA: int, length: float, outside: bool, legA: string, legB: string} $p
     *
     * @return array{id: string, feeder_ampacity_a: int, upstream_a: float, protection: string, bus_protection_a: float, flags: list<string>}
     */
    private function judgePanel(array $p, float $serviceA, Findings $findings): array
    {
        $upstreamA = $p['ocpd'] ?? $serviceA;
        $isTap = $p['ocpd'] === null;
        $carriesMain = $p['main'] !== null && Relative::isAtLeast($p['feederA'], $p['main']);
        $protection = match (true) {
            Relative::isAtLeast(Ampacity::roundUp($p['feederA']), $upstreamA) => 'ocpd',
            $isTap && Relative::isAtLeast(10, $p['length']) && Relative::isAtLeast($p['feederA'], 0.1 * $serviceA) && Relative::isAtLeast($p['feederA'], $p['main'] ?? $p['rating']) => 'tap_10',
            $isTap && Relative::isAtLeast(25, $p['length']) && Relative::isAtLeast($p['feederA'], $serviceA / 3) && $carriesMain => 'tap_25',
            $isTap && $p['outside'] && $carriesMain => 'outside_tap',
            default => 'none',
        };
        $busA = min(array_filter([$p['main'], $p['ocpd'], $serviceA], static fn(?float $a): bool => $a !== null));
        $flags = [];
        if ($protection === 'none') {
            $flags[] = 'feeder-unprotected';
            $findings->stop('feeder-unprotected', sprintf('A feeder of %d A behind %g A has no protection', $p['feederA'], $upstreamA), 'Rounding up is not allowed for taps: 4/0 aluminium behind 400 A does not qualify for a 200 A main. Take a larger one, or a device ahead of it.', [$p['id']]);
        } elseif ($protection !== 'ocpd') {
            $flags[] = 'tap-rule-used';
            $findings->warn('tap-rule-used', 'A tap rule protects a feeder', 'Its length, its way and its end must be as the rule says. The adopted text decides.', [$p['id']]);
        }
        if (Relative::isOver($busA, $p['rating'])) {
            $flags[] = 'panel-bus-unprotected';
            $findings->stop('panel-bus-unprotected', sprintf('Bars for %g A behind %g A', $p['rating'], $busA), 'Fit a main, or a device ahead of the feeder.', [$p['id']]);
        }
        if ($p['legA'] === $p['legB']) {
            $flags[] = 'panel-legs-same-lug';
            $findings->stop('panel-legs-same-lug', 'Both legs of a panel come from one lug', 'No 240 V, and the neutral of every multiwire circuit is overloaded.', [$p['id']]);
        }
        sort($flags);

        return ['id' => $p['id'], 'feeder_ampacity_a' => $p['feederA'], 'upstream_a' => $upstreamA, 'protection' => $protection, 'bus_protection_a' => $busA, 'flags' => $flags];
    }

    /** @param list<array{id: string, rating: float, main: ?float, legA: string, legB: string, ...}> $panels */
    private function judgePanels(array $panels, float $serviceA, Findings $findings): void
    {
        $valid = array_filter($panels, static fn(array $panel): bool => $panel['legA'] !== $panel['legB']);
        if (count(array_unique(array_column($valid, 'legA'))) > 1) {
            $findings->note('panels-legs-swapped', 'The panels disagree which lug is leg A', 'Nothing burns; measurements and drawings mislead. Name it in the panel.');
        }
        $sum = array_sum(array_map(static fn(array $panel): float => $panel['main'] ?? $panel['rating'], $panels));
        if (Relative::isOver($sum, $serviceA)) {
            $findings->note('panels-exceed-service', sprintf('The mains add up to %g A behind %g A', $sum, $serviceA), 'Fine as fed, but size transfer and generator by the load.');
        }
    }
}
