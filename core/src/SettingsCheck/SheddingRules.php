<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Tolerance;

/** Whether the source carries what is left on it. Rule: docs/rules.md#settings-delays. */
final readonly class SheddingRules implements Rules
{
    /** Above it every block load trips the modules; and how far below them the controller may give the generator up. */
    private const HIGH_TRIP_PCT = 98;
    private const BELOW_TRIP_PCT = 3;

    public function judge(CheckInput $in): array
    {
        return [
            $this->shedLimitOverSource($in),
            $this->noSheddingOverload($in),
            $this->shedNothing($in),
            $this->unshedOverload($in),
            $this->frequencyShedRace($in),
            $this->frequencyShedHigh($in),
            $this->compressorLockoutShort($in),
        ];
    }

    private function shedLimitOverSource(CheckInput $in): ?Finding
    {
        $shed = $in->settings->loadShed;

        return $shed === null || $in->sourceKw === null || ! Tolerance::exceeds($shed->limitKw, $in->sourceKw) ? null : Register::finding(
            'shed-limit-over-source',
            ['limit_kw' => $shed->limitKw, 'source_kw' => $in->sourceKw],
            path: '/settings/load_shed/limit_kw',
            fix: ['load_shed' => ['limit_kw' => $in->sourceKw]],
        );
    }

    private function noSheddingOverload(CheckInput $in): ?Finding
    {
        $kw = $in->allKw();

        return $in->settings->loadShed !== null
            || $in->sourceKw === null
            || ! Tolerance::exceeds($kw, $in->sourceKw) ? null : Register::finding(
                'no-shedding-overload',
                ['loads_kw' => $kw, 'source_kw' => $in->sourceKw],
                severity: self::bySum($in),
                path: '/settings/load_shed',
            );
    }

    private function shedNothing(CheckInput $in): ?Finding
    {
        foreach ($in->loads as $load) {
            if ($load->shed) {
                return null;
            }
        }

        return $in->settings->loadShed === null ? null : Register::finding(
            'shed-nothing',
            path: '/settings/load_shed',
        );
    }

    private function unshedOverload(CheckInput $in): ?Finding
    {
        $shed = $in->settings->loadShed;
        $kw = $in->restKw();

        return $shed === null || ! Tolerance::exceeds($kw, $shed->limitKw) ? null : Register::finding(
            'unshed-overload',
            ['loads_kw' => $kw, 'limit_kw' => $shed->limitKw],
            severity: self::bySum($in),
            path: '/settings/load_shed/limit_kw',
        );
    }

    /** The sum of nameplates is not what is drawn: against it an overload is only likely. */
    private static function bySum(CheckInput $in): Severity
    {
        return $in->demandKw === null ? Severity::Warn : Severity::Stop;
    }

    private function frequencyShedRace(CheckInput $in): ?Finding
    {
        $modules = $in->frequencyShedding;
        $limit = $in->settings->emergency->underFrequency;
        if ($modules === null || $limit === null || Tolerance::isBelow($limit->dropoutPct, $modules->tripPct)) {
            return null;
        }

        return $in->settings->emergency->dropoutDelayMs > $modules->tripMs ? null : Register::finding(
            'frequency-shed-race',
            ['dropout_pct' => $limit->dropoutPct, 'trip_pct' => $modules->tripPct],
            path: '/settings/sensing/emergency/under_frequency/dropout_pct',
            fix: ['sensing' => ['emergency' => ['under_frequency' => ['dropout_pct' => $modules->tripPct - self::BELOW_TRIP_PCT]]]],
        );
    }

    private function frequencyShedHigh(CheckInput $in): ?Finding
    {
        $tripPct = $in->frequencyShedding->tripPct ?? 0;

        return ! Tolerance::exceeds($tripPct, self::HIGH_TRIP_PCT) ? null : Register::finding(
            'frequency-shed-high',
            ['trip_pct' => $tripPct],
            path: '/frequency_shedding/trip_pct',
        );
    }

    private function compressorLockoutShort(CheckInput $in): ?Finding
    {
        $shed = $in->settings->loadShed;
        if (! $in->hasCompressor || $shed === null) {
            return null;
        }
        $fix = ($shed->lockoutMs < 180_000 ? ['lockout_ms' => 180_000] : []) + ($shed->firstStepMs < 5000 ? ['first_step_ms' => 5000] : []);

        return $fix === [] ? null : Register::finding(
            'compressor-lockout-short',
            path: '/settings/load_shed/' . array_key_first($fix),
            fix: ['load_shed' => $fix],
        );
    }
}
