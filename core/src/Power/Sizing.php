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
 * Whole house, essential circuits, or whole house with managed shedding: which of them the source carries. Rule: loads §3.
 *
 * An automatic switch must not connect more than the source can carry unless something limits the load.
 */
final readonly class Sizing
{
    private const IMBALANCE_LIMIT_PCT = 20;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $system = System::read($in);
        $usableKw = $in->np('usable_kw');
        $usableKva = $in->np('usable_kva', $usableKw);
        $limits = new SizingLimits($usableKw, $usableKva, $in->np('leg_limit_a', $usableKva * 1000 / $system->vAllLegs()));
        $managedTogether = null;
        /** @var list<array{load: LegLoad, essential: bool, managed: bool, mustRun: bool}> $loads */
        $loads = $in->each('loads', 1, 500, static function (Fields $one) use ($system, &$managedTogether): array {
            $load = LegLoad::read($one, $system);
            $read = ['load' => $load, 'essential' => $one->bool('essential', false), 'managed' => $one->bool('managed', false), 'mustRun' => $one->bool('must_run', false)];
            if ($read['managed'] && $read['mustRun']) {
                $managedTogether ??= $one->at('managed');
            }

            return $read;
        }, isOptional: false);
        $demandKw = $in->maybeN0('demand_kw');
        $headroomPct = $in->number('headroom_pct', 0, 90, 20.0);
        $hasManagement = $in->bool('load_management', false);
        $isAutomatic = $in->oneOf('transfer', ['automatic', 'manual'], 'automatic') === 'automatic';
        $choice = $in->maybeOneOf('choice', ['whole', 'managed', 'essential']);
        $isWholeFirst = $in->oneOf('prefer', ['whole_first', 'essential_first'], 'whole_first') === 'whole_first';
        $in->close();
        if ($managedTogether !== null) {
            throw $managedTogether->bad('A load that must run cannot be one that is left off.');
        }

        $sumKw = array_sum(array_map(static fn(array $one): float => $one['load']->kw, $loads));
        $scale = $demandKw !== null && $sumKw > 0 ? min(1.0, $demandKw / $sumKw) : 1.0;
        $pick = static fn(callable $wanted, float $factor): array => array_values(array_map(
            static fn(array $one): LegLoad => $one['load']->scaled($factor),
            array_filter($loads, $wanted),
        ));
        /** @param array{essential: bool, mustRun: bool, ...} $one */
        $isEssential = static fn(array $one): bool => $one['essential'] === true || $one['mustRun'] === true;
        $sets = [
            'whole' => $pick(static fn(): bool => true, $scale),
            'managed' => $pick(static fn(array $one): bool => ! $one['managed'], $scale),
            'essential' => $pick($isEssential, 1.0),
        ];
        $hasManaged = array_filter($loads, static fn(array $one): bool => $one['managed']) !== [];
        $available = ['whole' => true, 'managed' => $hasManaged && $hasManagement, 'essential' => $sets['essential'] !== []];
        $working = new Working();
        $options = [];
        foreach ($sets as $name => $set) {
            $options[$name] = ['available' => $available[$name]] + $limits->judge(new LegCurrents($system, $set));
            $working->add("Load of the option $name", sprintf('%d loads%s', count($set), $name !== 'essential' && $scale < 1 ? sprintf(' × %.3f', $scale) : ''), $options[$name]['kw'], 'kW');
        }
        $base = new LegCurrents($system, $sets['managed']);
        $returns = [];
        foreach ($loads as $one) {
            if ($one['managed']) {
                $returns[] = ['id' => $one['load']->id, 'can_return' => $limits->carries($base, new LegCurrents($system, [$one['load']]))];
            }
        }
        $recommendation = $this->recommend($options, $isWholeFirst ? ['whole', 'managed', 'essential'] : ['essential', 'whole', 'managed'], $headroomPct);
        $chosen = $choice ?? $recommendation;
        $findings = new Findings();
        if ($choice !== null && ! $options[$choice]['fits']) {
            $isAutomatic
                ? $findings->stop('auto-overload', sprintf('The option %s asks for %.1f kW of %.1f kW', $choice, $options[$choice]['kw'], $usableKw), 'An automatic switch connects all of it at once: the set stalls or trips. Take another option, a larger source, or load management.')
                : $findings->warn('manual-overload', sprintf('The option %s asks for %.1f kW of %.1f kW', $choice, $options[$choice]['kw'], $usableKw), 'Somebody must switch loads off first, by a posted list.');
        }
        if ($choice === 'managed' && ! $hasManagement && $isAutomatic && ! $options['whole']['fits']) {
            $findings->stop('no-load-management', 'Managed shedding is chosen, and nothing does the shedding', 'Without a load-management system the switch connects everything. Add the modules, or choose the essential circuits.');
        }
        if ($recommendation === 'none') {
            $findings->stop('nothing-fits', 'No option fits the source', 'The source is too small even for what must run. Mark fewer loads as essential, or take a larger one.');
        }
        if ($chosen !== 'none' && $options[$chosen]['fits'] && Slack::isBelow($options[$chosen]['headroom_pct'], $headroomPct)) {
            $findings->warn('headroom-low', sprintf('%.0f %% is left, %g %% were asked for', $options[$chosen]['headroom_pct'], $headroomPct), 'The next appliance uses it up, and a motor start needs some of it.');
        }
        $mustRun = $pick(static fn(array $one): bool => $one['mustRun'] === true, 1.0);
        if (! $limits->judge(new LegCurrents($system, $mustRun))['fits']) {
            $findings->stop('must-run-overload', 'The loads that must run do not fit by themselves', 'Whatever else is left off, these alone are too much for the source.');
        }
        $forgotten = array_values(array_map(static fn(array $one): string => $one['load']->id, array_filter($loads, static fn(array $one): bool => $one['mustRun'] && ! $one['essential'])));
        if ($forgotten !== []) {
            $findings->note('must-run-not-essential', 'A load that must run is not marked essential', 'It is counted as essential.', $forgotten);
        }
        $stayOff = array_values(array_map(static fn(array $one): string => $one['id'], array_filter($returns, static fn(array $one): bool => ! $one['can_return'])));
        if ($stayOff !== []) {
            $findings->warn('managed-cannot-return', 'A managed load can never come back', 'The source cannot carry it beside what is never shed. Tell the owner that it stays off through every outage.', $stayOff);
        }
        if ($chosen !== 'none' && Slack::exceeds($options[$chosen]['imbalance_pct'], self::IMBALANCE_LIMIT_PCT)) {
            $findings->warn('leg-imbalance', sprintf('One leg is %.0f %% off the mean', $options[$chosen]['imbalance_pct']), 'The fuller leg trips first. Move circuits between the legs.');
        }
        if (Slack::isBelow($scale, 1)) {
            $findings->note('demand-used', sprintf('The loads are counted at %.0f %%, by the demand of the building', 100 * $scale), 'Not everything runs at once: you must be able to defend this figure.');
        }

        return new Answer(['scale' => $scale, 'options' => $options, 'returns' => $returns, 'recommendation' => $recommendation, 'chosen' => $chosen], $findings->all(), $working->lines);
    }

    /**
     * @param array<string, array{available: bool, fits: bool, headroom_pct: float, ...}> $options
     * @param list<string>                                                                $order
     */
    private function recommend(array $options, array $order, float $headroomPct): string
    {
        $fitting = array_values(array_filter($order, static fn(string $name): bool => $options[$name]['available'] && $options[$name]['fits']));
        foreach ($fitting as $name) {
            if (! Slack::isBelow($options[$name]['headroom_pct'], $headroomPct)) {
                return $name;
            }
        }

        return $fitting[0] ?? 'none';
    }
}
