<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Settings\Application;

/** Whether the emergency source is accepted only when it is good, and left when it is not. Rule: docs/rules.md#settings-sensing. */
final readonly class GeneratorRules implements Rules
{
    private const E = '/settings/sensing/emergency';

    /** Volts and hertz in percent from which a set is accepted; for life safety by NFPA 110, to be confirmed. */
    private const LEAST = [85, 90];
    private const LEAST_LIFE_SAFETY = [90, 95];
    private const ACCEPT = [90, 95];

    private const LEAST_DROPOUT_PCT = 70;
    private const LEAST_PICKUP_PCT = 73;

    /** A portable set without load stands above these: pick-up at least, and the pair that lets it in. */
    private const PORTABLE_V = [108, ['pickup_pct' => 110, 'dropout_pct' => 115]];
    private const PORTABLE_HZ = [104, ['pickup_pct' => 105, 'dropout_pct' => 110]];

    public function judge(CheckInput $in): array
    {
        return [
            $this->acceptsWeakGenerator($in),
            $this->noEmergencyFrequency($in),
            $this->emergencyDropoutLow($in),
            $this->rejectsPortable($in),
            $this->rejectsOwnGenerator($in),
            $this->emergencyNotWatched($in),
        ];
    }

    private function acceptsWeakGenerator(CheckInput $in): ?Finding
    {
        $isLifeSafety = $in->application === Application::LifeSafety;
        [$leastV, $leastHz] = $isLifeSafety ? self::LEAST_LIFE_SAFETY : self::LEAST;
        $e = $in->settings->emergency;
        $fix = [];
        if (Tolerance::isBelow($e->underVoltage->pickupPct, $leastV)) {
            $fix['under_voltage'] = ['pickup_pct' => self::ACCEPT[0]];
        }
        if ($e->underFrequency !== null && Tolerance::isBelow($e->underFrequency->pickupPct, $leastHz)) {
            $fix['under_frequency'] = ['pickup_pct' => self::ACCEPT[1]];
        }

        return ! $in->hasEngine() || $fix === [] ? null : Register::finding(
            'accepts-weak-generator',
            ['least_v_pct' => $leastV, 'least_hz_pct' => $leastHz],
            severity: $isLifeSafety ? Severity::Stop : Severity::Warn,
            path: self::E . '/' . array_key_first($fix) . '/pickup_pct',
            fix: self::emergency($fix),
        );
    }

    private function noEmergencyFrequency(CheckInput $in): ?Finding
    {
        return ! $in->hasEngine() || $in->settings->emergency->underFrequency !== null ? null : Register::finding(
            'no-emergency-frequency',
            path: self::E . '/under_frequency',
            fix: self::emergency(['under_frequency' => ['dropout_pct' => 85, 'pickup_pct' => 95]]),
        );
    }

    private function emergencyDropoutLow(CheckInput $in): ?Finding
    {
        $limit = $in->settings->emergency->underVoltage;
        if (! Tolerance::isBelow($limit->dropoutPct, self::LEAST_DROPOUT_PCT)) {
            return null;
        }
        $pickup = Tolerance::isBelow($limit->pickupPct, self::LEAST_PICKUP_PCT) ? ['pickup_pct' => self::ACCEPT[0]] : [];

        return Register::finding(
            'emergency-dropout-low',
            ['dropout_pct' => $limit->dropoutPct],
            path: self::E . '/under_voltage/dropout_pct',
            fix: self::emergency(['under_voltage' => ['dropout_pct' => self::LEAST_DROPOUT_PCT] + $pickup]),
        );
    }

    private function rejectsPortable(CheckInput $in): ?Finding
    {
        if (! $in->isOneOf(Application::PlugIn, Application::Mobile)) {
            return null;
        }
        $e = $in->settings->emergency;
        $fix = [];
        foreach ([
            'over_voltage' => [$e->overVoltage, self::PORTABLE_V],
            'over_frequency' => [$e->overFrequency, self::PORTABLE_HZ],
        ] as $key => [$limit, $portable]) {
            [$least, $wide] = $portable;
            if ($limit !== null && Tolerance::isBelow($limit->pickupPct, $least)) {
                $fix[$key] = ['pickup_pct' => $wide['pickup_pct'], 'dropout_pct' => max($limit->dropoutPct, $wide['dropout_pct'])];
            }
        }

        return $fix === [] ? null : Register::finding(
            'rejects-portable',
            path: self::E . '/' . array_key_first($fix) . '/pickup_pct',
            fix: self::emergency($fix),
        );
    }

    private function rejectsOwnGenerator(CheckInput $in): ?Finding
    {
        $e = $in->settings->emergency;
        $isNarrow = Tolerance::exceeds($e->underVoltage->dropoutPct, 88)
            || $e->underFrequency !== null && Tolerance::exceeds($e->underFrequency->dropoutPct, 92);

        return ! $in->hasEngine() || $e->dropoutDelayMs >= 2000 || ! $isNarrow ? null : Register::finding(
            'rejects-own-generator',
            path: self::E . '/dropout_delay_ms',
            fix: self::emergency(['dropout_delay_ms' => 2000]),
        );
    }

    private function emergencyNotWatched(CheckInput $in): ?Finding
    {
        return $in->settings->emergency->dropoutDelayMs <= 30_000 ? null : Register::finding(
            'emergency-not-watched',
            path: self::E . '/dropout_delay_ms',
            fix: self::emergency(['dropout_delay_ms' => 30_000]),
        );
    }

    /**
     * @param array<string, mixed> $patch
     *
     * @return array<string, mixed>
     */
    private static function emergency(array $patch): array
    {
        return ['sensing' => ['emergency' => $patch]];
    }
}
