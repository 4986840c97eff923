<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Settings\Transition;

/** Start, transfer, return, cool-down, the way of moving, and the cranks. Rule: docs/rules.md#settings-delays. */
final readonly class DelayRules implements Rules
{
    public function judge(CheckInput $in): array
    {
        return [
            $this->blinkStartsEngine($in),
            $this->startDelayLong($in),
            $this->warmUpShort($in),
            $this->warmUpLong($in),
            $this->takesTheBait($in),
            $this->returnDelayShort($in),
            $this->returnDelayLong($in),
            $this->cooldownShort($in),
            $this->residualVoltage($in),
            $this->centreOffShort($in),
            $this->centreOffNoMotor($in),
            $this->travelZero($in),
            $this->oneCrank($in),
            $this->crankRestShort($in),
            $this->crankLimitTight($in),
        ];
    }

    private function blinkStartsEngine(CheckInput $in): ?Finding
    {
        $dropoutMs = $in->settings->normal->dropoutDelayMs;

        return ! $in->isStandby() || $dropoutMs + (int) $in->settings->startDelayMs >= 1000 ? null : $this->delay(
            'blink-starts-engine',
            'start_delay_ms',
            1000 - $dropoutMs,
        );
    }

    private function startDelayLong(CheckInput $in): ?Finding
    {
        $limitMs = $in->application === Application::LifeSafety ? 3000 : 30_000;

        return ! $in->isStandby() || $in->settings->startDelayMs <= $limitMs ? null : $this->delay(
            'start-delay-long',
            'start_delay_ms',
            $limitMs,
            ['start_s' => $in->settings->startDelayMs / 1000],
        );
    }

    private function warmUpShort(CheckInput $in): ?Finding
    {
        return ! $in->isMobile() || $in->settings->transferDelayMs >= 15_000 ? null : $this->delay(
            'warm-up-short',
            'transfer_delay_ms',
            15_000,
        );
    }

    private function warmUpLong(CheckInput $in): ?Finding
    {
        return ! $in->isStandby() || $in->settings->transferDelayMs <= 60_000 ? null : $this->delay(
            'warm-up-long',
            'transfer_delay_ms',
            60_000,
        );
    }

    private function takesTheBait(CheckInput $in): ?Finding
    {
        return $in->isMobile() || $in->settings->returnDelayMs >= 10_000 ? null : $this->delay(
            'takes-the-bait',
            'return_delay_ms',
            10_000,
            ['return_s' => (int) $in->settings->returnDelayMs / 1000],
            $in->application === Application::PlugIn ? Severity::Note : Severity::Warn,
        );
    }

    private function returnDelayShort(CheckInput $in): ?Finding
    {
        $isCritical = $in->isOneOf(Application::Commercial, Application::LifeSafety, Application::Process);

        return $in->isMobile() || ! $isCritical || $in->settings->returnDelayMs >= 300_000 ? null : $this->delay(
            'return-delay-short',
            'return_delay_ms',
            300_000,
        );
    }

    private function returnDelayLong(CheckInput $in): ?Finding
    {
        return $in->isMobile() || $in->settings->returnDelayMs <= 1_800_000 ? null : $this->delay(
            'return-delay-long',
            'return_delay_ms',
            1_800_000,
        );
    }

    private function cooldownShort(CheckInput $in): ?Finding
    {
        $needsLong = $in->isOneOf(Application::Commercial, Application::LifeSafety) || $in->site->fuel === Fuel::Diesel;
        $limitMs = $needsLong ? 300_000 : 60_000;

        return ! $in->isStandby() || $in->settings->cooldownMs >= $limitMs ? null : $this->delay(
            'cooldown-short',
            'cooldown_ms',
            $limitMs,
            ['cooldown_s' => (int) $in->settings->cooldownMs / 1000],
        );
    }

    private function residualVoltage(CheckInput $in): ?Finding
    {
        return $in->settings->transition !== Transition::Open || $in->largestMotorHp < 20 ? null : Register::finding(
            'residual-voltage',
            ['hp' => $in->largestMotorHp],
            severity: $in->application === Application::Process ? Severity::Stop : Severity::Warn,
            path: '/settings/transition',
            fix: ['transition' => 'delayed', 'off_delay_ms' => max(2000, $in->settings->offDelayMs)],
        );
    }

    private function centreOffShort(CheckInput $in): ?Finding
    {
        return $in->settings->transition !== Transition::Delayed
            || $in->largestMotorHp <= 0
            || $in->settings->offDelayMs >= 500 ? null : $this->delay(
                'centre-off-short',
                'off_delay_ms',
                500,
            );
    }

    private function centreOffNoMotor(CheckInput $in): ?Finding
    {
        return $in->settings->transition !== Transition::Delayed
            || $in->largestMotorHp > 0
            || $in->settings->offDelayMs <= 5000 ? null : $this->delay(
                'centre-off-no-motor',
                'off_delay_ms',
                5000,
            );
    }

    private function travelZero(CheckInput $in): ?Finding
    {
        return $in->settings->travelMs > 0 ? null : $this->delay(
            'travel-zero',
            'travel_ms',
            100,
        );
    }

    private function oneCrank(CheckInput $in): ?Finding
    {
        return $in->plant->engine?->crankAttempts !== 1 ? null : Register::finding(
            'one-crank',
            path: '/system/engine/crank_attempts',
        );
    }

    private function crankRestShort(CheckInput $in): ?Finding
    {
        $engine = $in->plant->engine;

        return $engine === null || $engine->crankAttempts === 1 || $engine->crankRestMs >= $engine->crankLimitMs ? null : Register::finding(
            'crank-rest-short',
            path: '/system/engine/crank_rest_ms',
        );
    }

    private function crankLimitTight(CheckInput $in): ?Finding
    {
        $engine = $in->plant->engine;

        return $engine === null || $engine->crankLimitMs >= 2 * $engine->crankMs ? null : Register::finding(
            'crank-limit-tight',
            path: '/system/engine/crank_limit_ms',
        );
    }

    /** @param array<string, int|float> $figures */
    private function delay(string $id, string $key, int $fixMs, array $figures = [], ?Severity $severity = null): Finding
    {
        return Register::finding($id, $figures, severity: $severity, path: "/settings/$key", fix: [$key => $fixMs]);
    }
}
