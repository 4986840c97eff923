<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Settings\Transition;

/** Start, transfer, return, cool-down, the way of moving, and the cranks. Rule: settings §1. */
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

        return ! $in->isStandby() || $dropoutMs + $in->settings->startDelayMs >= 1000 ? null : $this->delay(
            'blink-starts-engine',
            Severity::Warn,
            'A blink of less than a second starts the engine.',
            'Most blinks are over in half a second; each needless start costs wear, and the battery.',
            'start_delay_ms',
            1000 - $dropoutMs,
        );
    }

    private function startDelayLong(CheckInput $in): ?Finding
    {
        $limitMs = $in->application === Application::LifeSafety ? 3000 : 30_000;

        return ! $in->isStandby() || $in->settings->startDelayMs <= $limitMs ? null : $this->delay(
            'start-delay-long',
            Severity::Warn,
            sprintf('The engine is asked for only after %.1f s.', $in->settings->startDelayMs / 1000),
            'Nobody gains from waiting longer in the dark: a blink is long over.',
            'start_delay_ms',
            $limitMs,
        );
    }

    private function warmUpShort(CheckInput $in): ?Finding
    {
        return ! $in->isMobile() || $in->settings->transferDelayMs >= 15_000 ? null : $this->delay(
            'warm-up-short',
            Severity::Warn,
            'An on-board set takes the load in less than 15 s.',
            'A small engine that is loaded cold stalls or hunts; half a minute is usual.',
            'transfer_delay_ms',
            15_000,
        );
    }

    private function warmUpLong(CheckInput $in): ?Finding
    {
        return ! $in->isStandby() || $in->settings->transferDelayMs <= 60_000 ? null : $this->delay(
            'warm-up-long',
            Severity::Warn,
            'The generator runs for more than a minute before it takes the load.',
            'The load is dark for all that time and the engine gains nothing from it.',
            'transfer_delay_ms',
            60_000,
        );
    }

    private function takesTheBait(CheckInput $in): ?Finding
    {
        return $in->isMobile() || $in->settings->returnDelayMs >= 10_000 ? null : $this->delay(
            'takes-the-bait',
            $in->application === Application::PlugIn ? Severity::Note : Severity::Warn,
            sprintf('The load goes back after only %.1f s of utility.', $in->settings->returnDelayMs / 1000),
            'A line crew switches on, off and on again; the load would be thrown to and fro with it.',
            'return_delay_ms',
            10_000,
        );
    }

    private function returnDelayShort(CheckInput $in): ?Finding
    {
        $isCritical = $in->isOneOf(Application::Commercial, Application::LifeSafety, Application::Process);

        return $in->isMobile() || ! $isCritical || $in->settings->returnDelayMs >= 300_000 ? null : $this->delay(
            'return-delay-short',
            Severity::Warn,
            'The return delay is under 5 minutes for a place that works on it.',
            'A returning line often goes again within minutes, and each bounce stops the work here.',
            'return_delay_ms',
            300_000,
        );
    }

    private function returnDelayLong(CheckInput $in): ?Finding
    {
        return $in->isMobile() || $in->settings->returnDelayMs <= 1_800_000 ? null : $this->delay(
            'return-delay-long',
            Severity::Note,
            'The load stays on the generator for more than half an hour after the return.',
            'It burns fuel that the next outage may need.',
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
            Severity::Warn,
            sprintf('The engine stops after %.1f s without load.', $in->settings->cooldownMs / 1000),
            'Stopped hot, oil cokes in the turbocharger and heat soaks into the head.',
            'cooldown_ms',
            $limitMs,
        );
    }

    private function residualVoltage(CheckInput $in): ?Finding
    {
        return $in->settings->transition !== Transition::Open || $in->largestMotorHp < 20 ? null : new Finding(
            'residual-voltage',
            $in->application === Application::Process ? Severity::Stop : Severity::Warn,
            "A motor of {$in->largestMotorHp} hp is switched straight across.",
            'It still makes its own voltage when the other source closes on it, out of step: shafts and windings break.',
            '/settings/transition',
            ['transition' => 'delayed', 'off_delay_ms' => max(2000, $in->settings->offDelayMs)],
        );
    }

    private function centreOffShort(CheckInput $in): ?Finding
    {
        return $in->settings->transition !== Transition::Delayed || $in->largestMotorHp <= 0 || $in->settings->offDelayMs >= 500 ? null : $this->delay(
            'centre-off-short',
            Severity::Warn,
            'The switch waits less than half a second in between.',
            'The residual voltage of a motor needs longer than that to die away.',
            'off_delay_ms',
            500,
        );
    }

    private function centreOffNoMotor(CheckInput $in): ?Finding
    {
        return $in->settings->transition !== Transition::Delayed || $in->largestMotorHp > 0 || $in->settings->offDelayMs <= 5000 ? null : $this->delay(
            'centre-off-no-motor',
            Severity::Note,
            'The switch waits more than 5 s in between, and there is no motor.',
            'Only residual voltage needs the wait; everything else just sits in the dark.',
            'off_delay_ms',
            5000,
        );
    }

    private function travelZero(CheckInput $in): ?Finding
    {
        return $in->settings->travelMs > 0 ? null : $this->delay(
            'travel-zero',
            Severity::Note,
            'The switch is said to move in no time.',
            'No switch does; the expected times would be too short.',
            'travel_ms',
            100,
        );
    }

    private function oneCrank(CheckInput $in): ?Finding
    {
        return $in->plant->engine?->crankAttempts !== 1 ? null : new Finding(
            'one-crank',
            Severity::Warn,
            'The engine is given a single crank.',
            'A cold morning or a dry fuel line is enough to lock it out.',
            '/system/engine/crank_attempts',
        );
    }

    private function crankRestShort(CheckInput $in): ?Finding
    {
        $engine = $in->plant->engine;

        return $engine === null || $engine->crankAttempts === 1 || $engine->crankRestMs >= $engine->crankLimitMs ? null : new Finding(
            'crank-rest-short',
            Severity::Warn,
            'The rest between cranks is shorter than a crank.',
            'Starter and battery need at least as long to recover.',
            '/system/engine/crank_rest_ms',
        );
    }

    private function crankLimitTight(CheckInput $in): ?Finding
    {
        $engine = $in->plant->engine;

        return $engine === null || $engine->crankLimitMs >= 2 * $engine->crankMs ? null : new Finding(
            'crank-limit-tight',
            Severity::Warn,
            'The crank limit is less than twice what the engine usually needs.',
            'In the cold it needs longer than usual, and would be given up on.',
            '/system/engine/crank_limit_ms',
        );
    }

    private function delay(string $id, Severity $severity, string $message, string $because, string $key, int $fixMs): Finding
    {
        return new Finding($id, $severity, $message, $because, "/settings/$key", [$key => $fixMs]);
    }
}
