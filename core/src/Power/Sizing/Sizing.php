<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Power\LegCurrents;
use Escapement\Core\Power\LegLoad;

/**
 * Whole house, essential circuits, or whole house with managed shedding: which of them the source carries. Rule: docs/rules.md#sizing.
 *
 * An automatic switch must not connect more than the source can carry unless something limits the load.
 */
final readonly class Sizing
{
    private const IMBALANCE_LIMIT_PCT = 20;

    public function judge(SizingInput $in): SizingResult
    {
        $scale = $in->scale();
        $managedScale = $in->managedScale();
        $base = new LegCurrents($in->system, self::pick($in, static fn(SizingLoad $one): bool => ! $one->isManaged, $managedScale));
        $essential = self::pick($in, static fn(SizingLoad $one): bool => $one->isEssential || $one->mustRun);
        $hasManaged = self::pick($in, static fn(SizingLoad $one): bool => $one->isManaged) !== [];
        $options = [
            'whole' => $in->limits->judge(new LegCurrents($in->system, self::pick($in, static fn(): bool => true, $scale))),
            'managed' => $in->limits->judge($base, $hasManaged && $in->hasManagement),
            'essential' => $in->limits->judge(new LegCurrents($in->system, $essential), $essential !== []),
        ];
        $returns = array_map(
            static fn(LegLoad $one): ManagedReturn => new ManagedReturn(
                $one->id,
                $in->limits->carries($base, new LegCurrents($in->system, [$one])),
            ),
            self::pick($in, static fn(SizingLoad $one): bool => $one->isManaged),
        );
        $recommendation = $this->recommend($options, $in);
        $chosen = $in->choice ?? $recommendation;
        $findings = new Findings();
        $this->judgeChoice($in, $options, $findings);
        if ($recommendation === 'none') {
            $findings->raise('nothing-fits');
        }
        if ($chosen !== 'none') {
            $this->judgeOption($options[$chosen], $in->headroomPct, $findings);
        }
        $this->judgeLoads($in, $returns, $findings);
        if (Tolerance::isBelow(min($scale, $managedScale), 1)) {
            $findings->raise('demand-used', ['scale' => 100 * min($scale, $managedScale)]);
        }

        return new SizingResult(
            $scale,
            $managedScale,
            $options,
            $returns,
            $recommendation,
            $chosen,
            $findings->worstFirst(),
            self::working($options, ['whole' => $scale, 'managed' => $managedScale, 'essential' => 1.0])->lines,
        );
    }

    /**
     * @param array<string, SizingOption> $options
     * @param array<string, float>        $factors of demand, by the name of the option
     */
    private static function working(array $options, array $factors): Working
    {
        $working = new Working();
        foreach ($options as $name => $option) {
            $how = $factors[$name] < 1 ? sprintf('its loads × %.3f', $factors[$name]) : 'its loads';
            $working->add("Load of the option $name", $how, $option->kw, 'kW');
        }

        return $working;
    }

    /**
     * @param \Closure(SizingLoad): bool $wanted
     *
     * @return list<LegLoad>
     */
    private static function pick(SizingInput $in, \Closure $wanted, float $factor = 1.0): array
    {
        return array_values(array_map(
            static fn(SizingLoad $one): LegLoad => $one->load->scaled($factor),
            array_filter($in->loads, $wanted),
        ));
    }

    /**
     * @param array{whole: SizingOption, managed: SizingOption, essential: SizingOption} $options
     *
     * @return 'essential'|'managed'|'none'|'whole'
     */
    private function recommend(array $options, SizingInput $in): string
    {
        $first = 'none';
        foreach ($in->isEssentialFirst ? ['essential', 'whole', 'managed'] : ['whole', 'managed', 'essential'] as $name) {
            if (! $options[$name]->available || ! $options[$name]->fits) {
                continue;
            }
            if (! Tolerance::isBelow($options[$name]->headroomPct, $in->headroomPct)) {
                return $name;
            }
            $first = $first === 'none' ? $name : $first;
        }

        return $first;
    }

    /** @param array{whole: SizingOption, managed: SizingOption, essential: SizingOption} $options */
    private function judgeChoice(SizingInput $in, array $options, Findings $findings): void
    {
        if ($in->choice === null) {
            return;
        }
        if (! $options[$in->choice]->fits) {
            $figures = ['choice' => $in->choice, 'kw' => $options[$in->choice]->kw, 'usable_kw' => $in->limits->kw];
            $findings->raise($in->isAutomatic ? 'auto-overload' : 'manual-overload', $figures);
        }
        if ($in->choice === 'managed' && ! $in->hasManagement && $in->isAutomatic && ! $options['whole']->fits) {
            $findings->raise('no-load-management');
        }
    }

    private function judgeOption(SizingOption $option, float $wantedPct, Findings $findings): void
    {
        if ($option->fits && Tolerance::isBelow($option->headroomPct, $wantedPct)) {
            $findings->raise('headroom-low', ['headroom_pct' => $option->headroomPct, 'wanted_pct' => $wantedPct]);
        }
        if (Tolerance::exceeds($option->imbalancePct, self::IMBALANCE_LIMIT_PCT)) {
            $findings->raise('leg-imbalance', ['imbalance_pct' => $option->imbalancePct]);
        }
    }

    /** @param list<ManagedReturn> $returns */
    private function judgeLoads(SizingInput $in, array $returns, Findings $findings): void
    {
        $mustRun = self::pick($in, static fn(SizingLoad $one): bool => $one->mustRun);
        if (! $in->limits->judge(new LegCurrents($in->system, $mustRun))->fits) {
            $findings->raise('must-run-overload');
        }
        $forgotten = self::pick($in, static fn(SizingLoad $one): bool => $one->mustRun && ! $one->isEssential);
        if ($forgotten !== []) {
            $findings->raise('must-run-not-essential', [], array_map(static fn(LegLoad $load): string => $load->id, $forgotten));
        }
        $stayOff = array_filter($returns, static fn(ManagedReturn $one): bool => ! $one->canReturn);
        if ($stayOff !== []) {
            $findings->raise(
                'managed-cannot-return',
                [],
                array_values(array_map(static fn(ManagedReturn $one): string => $one->id, $stayOff)),
            );
        }
    }
}
