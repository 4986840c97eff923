<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/**
 * One 120 V inverter on both legs of a mobile panel through a jumper: the legs are then in phase, and the neutrals add
 * instead of cancelling. Rule: loads §8.
 */
final readonly class SingleLegJumper
{
    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $maker = $in->oneOf('maker_allows', ['yes', 'no', 'unknown'], 'unknown');
        $isEver240 = $in->bool('alternate_ever_240');
        $inverterKw = $in->np('inverter_kw');
        $inverterA = $in->np('inverter_a');
        $v = $in->np('v_ln_v', 120.0);
        $feederNeutralA = $in->np('feeder_neutral_a');
        $mainA = $in->np('main_a', 50.0);
        $isWorst = $in->oneOf('check', ['worst', 'actual'], 'worst') === 'worst';
        /** @var list<array{id: string, kw: float, connect: string}> $loads */
        $loads = $in->each('loads', 0, 200, static fn(Fields $one): array => ['id' => $one->text('id'), 'kw' => $one->n0('kw'), 'connect' => $one->oneOf('connect', ['L1', 'L2', 'L1L2'])]);
        /** @var list<array{id: string, b1: float, b2: float, a1: float, a2: float, neutral: float}> $multiwire */
        $multiwire = $in->each('multiwire', 0, 40, static fn(Fields $one): array => [
            'id' => $one->text('id'), 'b1' => $one->np('l1_breaker_a'), 'b2' => $one->np('l2_breaker_a'), 'a1' => $one->n0('l1_a', 0.0), 'a2' => $one->n0('l2_a', 0.0), 'neutral' => $one->np('neutral_a'),
        ]);
        $in->close();

        $isOneLeg = static fn(array $load): bool => $load['connect'] !== 'L1L2';
        $totalKw = array_sum(array_column(array_filter($loads, $isOneLeg), 'kw'));
        $totalA = 1000 * $totalKw / $v;
        $cannotRun = array_values(array_map(static fn(array $load): string => $load['id'], array_filter($loads, static fn(array $load): bool => ! $isOneLeg($load) && $load['kw'] > 0)));
        $neutralA = $isWorst ? min(2 * $mainA, $inverterA) : $totalA;
        $maxKw = min($inverterKw, $inverterA * $v / 1000);
        $findings = new Findings();
        match ($maker) {
            'no' => $findings->stop('jumper-not-allowed', 'The switch\'s maker does not allow the jumper', 'Leave it out. A station that gives 240 V is the way.'),
            'unknown' => $findings->stop('jumper-unconfirmed', 'Whether the switch\'s maker allows the jumper is not known', 'Ask before fitting it; the instructions come first.'),
            default => null,
        };
        if ($isEver240) {
            $findings->stop('alternate-240', 'A 240 V source may be plugged into this input one day', 'The jumper would short its two legs.');
        }
        $isOverloaded = false;
        if (Slack::exceeds($neutralA, $feederNeutralA)) {
            $isOverloaded = true;
            $findings->stop('feeder-neutral-overload', sprintf('%.0f A on the feeder\'s neutral of %g A', $neutralA, $feederNeutralA), 'The legs are in phase: their currents add on the neutral.');
        }
        $rows = [];
        $reliedOn = $isWorst && ! Slack::exceeds($neutralA, $feederNeutralA) && Slack::exceeds(2 * $mainA, $feederNeutralA) ? ['feeder'] : [];
        foreach ($multiwire as $one) {
            $amps = $isWorst ? min($one['b1'] + $one['b2'], $inverterA) : $one['a1'] + $one['a2'];
            $isOk = ! Slack::exceeds($amps, $one['neutral']);
            $rows[] = ['id' => $one['id'], 'neutral_a' => $amps, 'neutral_split_a' => abs($one['a1'] - $one['a2']), 'ok' => $isOk];
            if (! $isOk) {
                $isOverloaded = true;
                $findings->stop('multiwire-neutral-overload', 'The neutral of a multiwire circuit is overloaded', 'It overheats and no breaker sees it. Part the circuit, or leave one of its legs off.', [$one['id']]);
            } elseif ($isWorst && Slack::exceeds($one['b1'] + $one['b2'], $one['neutral'])) {
                $reliedOn[] = $one['id'];
            }
        }
        if (Slack::exceeds($totalKw, $maxKw)) {
            $findings->stop('inverter-overload', sprintf('%.2f kW together, %.2f kW is what it gives', $totalKw, $maxKw), 'Leave something off.');
        }
        if ($cannotRun !== []) {
            $findings->warn('no-240-loads', 'Loads across the two legs see no voltage', 'Both legs are the same leg: zero volts between them. Switch them off so that nobody wonders.', $cannotRun);
        }
        if ($isWorst && ! $isOverloaded && $reliedOn !== []) {
            $findings->warn('breaker-relied-on', 'A neutral is safe only because the inverter is small', 'A larger inverter later makes it dangerous. Write its limit beside the inlet.', $reliedOn);
        }
        $findings->note('label-input', 'Mark the input: 120 V only, jumper fitted', 'The next person sees an inlet for 240 V.');
        $working = new Working();
        $working->add('Feeder neutral', $isWorst ? sprintf('least of 2 × %g A and %g A', $mainA, $inverterA) : sprintf('1000 × %g kW / %g V', $totalKw, $v), $neutralA, 'A');

        return new Answer([
            'allowed' => ! $findings->hasStop(), 'total_kw' => $totalKw, 'total_a' => $totalA, 'feeder_neutral_a' => $neutralA, 'multiwire' => $rows, 'cannot_run' => $cannotRun, 'max_kw' => $maxKw,
        ], $findings->all(), $working->lines);
    }
}
