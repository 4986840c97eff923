<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\BuiltTimes;
use Escapement\Core\RelayLogic\Play\PhaseRelayDial;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\Transition;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\SettingsCheck\Window;

/**
 * The settings sheet against the panel that has to keep it: limits against the dials of its phase relays, times against what its
 * circuit does. Where they differ, stopwatch and panel cannot both be right. Rule: docs/rules.md#panel-as-built.
 */
final readonly class PanelSheet
{
    private const SLACK_PCT = 0.05;
    private const SLACK_MS = 100;
    private const OFF = 'off';
    /** A pick-up is never at its drop-out: a relay without hysteresis would chatter. */
    private const LEAST_HYSTERESIS_PCT = 0.1;
    private const INTERVALS = [
        'start_signal' => 'Start signal',
        'engine_running' => 'Start signal to a good generator',
        'transfer' => 'Loss to transfer',
        'return' => 'Back to return',
        'engine_stop' => 'Return to engine stop',
    ];

    private BuiltTimes $built;

    public function __construct(private Plant $plant, private Settings $settings, private BuiltPanel $panel)
    {
        $this->built = $panel->outage();
    }

    /** @return list<PanelSheetRow> */
    public function rows(): array
    {
        return [
            ...$this->limits('First source', $this->settings->normal, $this->dial($this->panel->first())),
            ...$this->limits('Second source', $this->settings->emergency, $this->dial((string) $this->panel->second())),
            ...$this->times(),
        ];
    }

    /** @return list<string> what differs, in sentences */
    public function differences(): array
    {
        return array_map(
            static fn(PanelSheetRow $row): string => $row->sentence(),
            array_values(array_filter($this->rows(), static fn(PanelSheetRow $row): bool => ! $row->agrees)),
        );
    }

    /** The sheet that says what the panel does: limits of its dials, and the delays with which the windows are those of its circuit. */
    public function proposed(): Settings
    {
        $bare = $this->with(0, 0, 0, 0);
        $expected = new ExpectedTimes($this->plant, $bare);
        $hasEngine = $this->plant->kind === PlantKind::Standby;
        $more = fn(string $interval): int => max(0, (int) $this->built->of($interval) - (int) $expected->window($interval)?->nominalMs);
        $start = $hasEngine ? $more('start_signal') : 0;
        $running = $hasEngine ? $start : 0;

        return $this->with($start, max(0, $more('transfer') - $running), $more('return'), $hasEngine ? $more('engine_stop') : 0);
    }

    private function with(int $startMs, int $transferMs, int $returnMs, int $cooldownMs): Settings
    {
        $has = fn(?int $old, int $ms): ?int => $old === null ? null : $ms;

        return new Settings(
            $this->sensing($this->settings->normal, $this->dial($this->panel->first())),
            $this->sensing($this->settings->emergency, $this->dial((string) $this->panel->second())),
            $has($this->settings->startDelayMs, $startMs),
            $transferMs,
            $has($this->settings->returnDelayMs, $returnMs),
            $has($this->settings->cooldownMs, $cooldownMs),
            0,
            Transition::Open,
            max(1, (int) $this->built->gapMs),
            0,
            false,
            $this->settings->exercise,
            $this->settings->loadShed,
        );
    }

    /** What watches a source; null: nothing of the circuit does. */
    private function dial(string $source): ?PhaseRelayDial
    {
        foreach ($this->panel->circuit->ofType(RelayType::PhaseRelay) as $relay) {
            if ($relay->supply === $source) {
                return $this->panel->times[$relay->id]->dial ?? new PhaseRelayDial();
            }
        }

        return null;
    }

    private function sensing(Sensing $now, ?PhaseRelayDial $dial): Sensing
    {
        if ($dial === null) {
            return $now;
        }
        $hysteresis = max(self::LEAST_HYSTERESIS_PCT, $dial->hysteresisPct);

        return new Sensing(
            $dial->underPct === null ? $now->underVoltage : new Limit($dial->underPct, $dial->underPct + $hysteresis),
            $dial->overPct === null ? null : new Limit($dial->overPct, $dial->overPct - $hysteresis),
            null,
            null,
            $dial->unbalancePct === null || ! $this->panel->circuit->isThreePhase ? null : new Limit(
                $dial->unbalancePct,
                max(0.0, $dial->unbalancePct - max(self::LEAST_HYSTERESIS_PCT, $dial->unbalanceHysteresisPct)),
            ),
            $dial->watchesSequence && $this->panel->circuit->isThreePhase,
            $dial->tripMs,
        );
    }

    /** @return list<PanelSheetRow> */
    private function limits(string $source, Sensing $sheet, ?PhaseRelayDial $dial): array
    {
        if ($dial === null) {
            return [new PanelSheetRow("$source, sensing", 'limits are set', 'no phase relay watches it', false)];
        }
        $panel = $this->sensing($sheet, $dial);
        $order = static fn(bool $isWatched): string => $isWatched ? 'watched' : 'not watched';

        return [
            ...self::pair("$source, under-voltage", $sheet->underVoltage, $dial->underPct === null ? null : $panel->underVoltage),
            ...self::pair("$source, over-voltage", $sheet->overVoltage, $panel->overVoltage),
            ...self::pair("$source, under-frequency", $sheet->underFrequency, null),
            ...self::pair("$source, over-frequency", $sheet->overFrequency, null),
            ...self::pair("$source, unbalance", $sheet->unbalance, $panel->unbalance),
            new PanelSheetRow(
                "$source, phase order",
                $order($sheet->rotationCheck),
                $order($panel->rotationCheck),
                $sheet->rotationCheck === $panel->rotationCheck,
            ),
            new PanelSheetRow(
                "$source, drop-out delay",
                SheetWords::seconds($sheet->dropoutDelayMs),
                SheetWords::seconds($dial->tripMs),
                abs($sheet->dropoutDelayMs - $dial->tripMs) <= self::SLACK_MS,
            ),
        ];
    }

    /** @return list<PanelSheetRow> none where neither watches it */
    private static function pair(string $what, ?Limit $sheet, ?Limit $panel): array
    {
        if ($sheet === null && $panel === null) {
            return [];
        }
        $words = static fn(?Limit $limit): string => $limit === null ? self::OFF
            : self::number($limit->dropoutPct) . ' %, back at ' . self::number($limit->pickupPct) . ' %';
        $agrees = $sheet !== null && $panel !== null && abs($sheet->dropoutPct - $panel->dropoutPct) <= self::SLACK_PCT
            && abs($sheet->pickupPct - $panel->pickupPct) <= self::SLACK_PCT;

        return [new PanelSheetRow($what, $words($sheet), $words($panel), $agrees)];
    }

    /** @return list<PanelSheetRow> */
    private function times(): array
    {
        $rows = [];
        foreach ((new ExpectedTimes($this->plant, $this->settings))->windows as $window) {
            $name = self::INTERVALS[$window->event] ?? null;
            if ($name !== null) {
                $rows[] = self::time($name, $window, $this->built->of($window->event));
            }
        }

        return $rows;
    }

    private static function time(string $name, Window $window, ?int $builtMs): PanelSheetRow
    {
        $never = 'does not come';
        $tolerance = $window->nominalMs === null ? 0 : $window->nominalMs - (int) $window->minMs;

        return new PanelSheetRow(
            $name,
            $window->nominalMs === null ? $never : SheetWords::seconds($window->nominalMs),
            $builtMs === null ? $never : SheetWords::seconds($builtMs),
            $window->nominalMs === null || $builtMs === null ? $window->nominalMs === $builtMs
                : $builtMs >= $window->minMs && $builtMs <= $window->nominalMs + max($tolerance, 1000),
        );
    }

    private static function number(int|float $value): string
    {
        return rtrim(rtrim(number_format((float) $value, 2, '.', ''), '0'), '.');
    }
}
