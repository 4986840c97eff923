<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Sensing;

/** What counts as a failed source. Rule: docs/rules.md#settings-delays. */
final readonly class SensingRules implements Rules
{
    private const N = '/settings/sensing/normal';

    public function judge(CheckInput $in): array
    {
        return [
            $this->dropoutPickupClose($in),
            $this->dropoutLow($in),
            $this->dropoutHigh($in),
            $this->pickupHigh($in),
            $this->pickupLowReturn($in),
            $this->noOverVoltage($in),
            $this->singlePhasingUnseen($in),
            $this->rotationUnchecked($in),
        ];
    }

    private function dropoutPickupClose(CheckInput $in): ?Finding
    {
        return $this->onEither(
            $in,
            static fn(Sensing $s): bool => Tolerance::isBelow($s->underVoltage->pickupPct - $s->underVoltage->dropoutPct, 3),
            'dropout-pickup-close',
            null,
            '/under_voltage/pickup_pct',
            static fn(Sensing $s): array => ['under_voltage' => $s->underVoltage->dropoutPct > 94
                ? ['dropout_pct' => $s->underVoltage->pickupPct - 3]
                : ['pickup_pct' => $s->underVoltage->dropoutPct + 3]],
        );
    }

    private function dropoutLow(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;
        if ($in->isMobile() || ! Tolerance::isBelow($limit->dropoutPct, 70)) {
            return null;
        }
        $fix = ['dropout_pct' => 70] + (Tolerance::isBelow($limit->pickupPct, 73) ? ['pickup_pct' => 73] : []);

        return Register::finding(
            'dropout-low',
            ['dropout_pct' => $limit->dropoutPct],
            severity: $in->application === Application::PlugIn ? Severity::Note : Severity::Warn,
            path: self::N . '/under_voltage/dropout_pct',
            fix: $this->normal(['under_voltage' => $fix]),
        );
    }

    private function dropoutHigh(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;

        return $in->isMobile() || ! Tolerance::exceeds($limit->dropoutPct, 92) ? null : Register::finding(
            'dropout-high',
            ['dropout_pct' => $limit->dropoutPct],
            path: self::N . '/under_voltage/dropout_pct',
            fix: $this->normal(['under_voltage' => ['dropout_pct' => 92]]),
        );
    }

    private function pickupHigh(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;
        if ($in->isMobile() || ! Tolerance::exceeds($limit->pickupPct, 97)) {
            return null;
        }
        $fix = ['pickup_pct' => 97] + (Tolerance::exceeds($limit->dropoutPct, 94) ? ['dropout_pct' => 94] : []);

        return Register::finding(
            'pickup-high',
            ['pickup_pct' => $limit->pickupPct],
            path: self::N . '/under_voltage/pickup_pct',
            fix: $this->normal(['under_voltage' => $fix]),
        );
    }

    private function pickupLowReturn(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;

        return $in->isMobile()
            || $in->application === Application::PlugIn
            || ! Tolerance::isBelow($limit->pickupPct, 80) ? null : Register::finding(
                'pickup-low-return',
                ['pickup_pct' => $limit->pickupPct],
                path: self::N . '/under_voltage/pickup_pct',
                fix: $this->normal(['under_voltage' => ['pickup_pct' => 80]]),
            );
    }

    private function noOverVoltage(CheckInput $in): ?Finding
    {
        return $in->isMobile() || $in->settings->normal->overVoltage !== null || $in->plant->normal->phases < 2 ? null : Register::finding(
            'no-over-voltage',
            path: self::N . '/over_voltage',
            fix: $this->normal(['over_voltage' => ['dropout_pct' => 115, 'pickup_pct' => 110]]),
        );
    }

    /** Two ids for one condition: with a motor it is a stop, without one a warning. */
    private function singlePhasingUnseen(CheckInput $in): ?Finding
    {
        $hasMotor = $in->largestMotorHp > 0;

        return $this->onEither(
            $in,
            static fn(Sensing $s, Source $source): bool => $source->isThreePhase() && $s->unbalance === null,
            $hasMotor ? 'single-phasing-unseen' : 'unbalance-off',
            null,
            '/unbalance',
            static fn(): array => ['unbalance' => ['dropout_pct' => 5, 'pickup_pct' => 3]],
        );
    }

    private function rotationUnchecked(CheckInput $in): ?Finding
    {
        return $this->onEither(
            $in,
            static fn(Sensing $s, Source $source): bool => $source->isThreePhase() && ! $s->rotationCheck,
            'rotation-unchecked',
            $in->largestMotorHp > 0 ? Severity::Stop : Severity::Warn,
            '/rotation_check',
            static fn(): array => ['rotation_check' => true],
        );
    }

    /**
     * One finding for all judged sources it holds for: the path is at the first, the fix patches each.
     *
     * @param callable(Sensing, Source): bool       $holds
     * @param callable(Sensing): array<string, mixed> $fix
     */
    private function onEither(
        CheckInput $in,
        callable $holds,
        string $id,
        ?Severity $severity,
        string $key,
        callable $fix,
    ): ?Finding {
        $patch = [];
        foreach ($in->judgedSources() as $side => [$sensing, $source]) {
            if ($holds($sensing, $source)) {
                $patch[$side] = $fix($sensing);
            }
        }
        if ($patch === []) {
            return null;
        }
        $path = '/settings/sensing/' . array_key_first($patch) . $key;

        return Register::finding($id, severity: $severity, path: $path, fix: ['sensing' => $patch])->about(array_keys($patch));
    }

    /**
     * @param array<string, mixed> $patch
     *
     * @return array<string, mixed>
     */
    private function normal(array $patch): array
    {
        return ['sensing' => ['normal' => $patch]];
    }
}
