<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Site\Source;

/** What counts as a failed source. Rule: settings §1. */
final readonly class SensingRules implements Rules
{
    private const N = '/settings/sensing/normal';
    private const E = '/settings/sensing/emergency';

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
            $this->rejectsOwnGenerator($in),
            $this->emergencyNotWatched($in),
        ];
    }

    private function dropoutPickupClose(CheckInput $in): ?Finding
    {
        return $this->onEither(
            $in,
            static fn(Sensing $s): bool => Slack::isBelow($s->underVoltage->pickupPct - $s->underVoltage->dropoutPct, 3),
            'dropout-pickup-close',
            Severity::Warn,
            'Pick-up is less than 3 % above drop-out.',
            'A source that hangs at the limit is lost and found again and again; the relay chatters and no delay ever runs out.',
            '/under_voltage/pickup_pct',
            static fn(Sensing $s): array => ['under_voltage' => $s->underVoltage->dropoutPct > 94
                ? ['dropout_pct' => $s->underVoltage->pickupPct - 3]
                : ['pickup_pct' => $s->underVoltage->dropoutPct + 3]],
        );
    }

    private function dropoutLow(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;
        if ($in->isMobile() || ! Slack::isBelow($limit->dropoutPct, 70)) {
            return null;
        }
        $fix = ['dropout_pct' => 70] + (Slack::isBelow($limit->pickupPct, 73) ? ['pickup_pct' => 73] : []);

        return new Finding(
            'dropout-low',
            $in->application === Application::PlugIn ? Severity::Note : Severity::Warn,
            "The utility counts as good down to {$limit->dropoutPct} %.",
            'A brown-out at that voltage cooks compressors and motors, and no transfer comes.',
            self::N . '/under_voltage/dropout_pct',
            $this->normal(['under_voltage' => $fix]),
        );
    }

    private function dropoutHigh(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;

        return $in->isMobile() || ! Slack::exceeds($limit->dropoutPct, 92) ? null : new Finding(
            'dropout-high',
            Severity::Warn,
            "The utility counts as failed below {$limit->dropoutPct} % already.",
            'Normal swings of the line would start the engine.',
            self::N . '/under_voltage/dropout_pct',
            $this->normal(['under_voltage' => ['dropout_pct' => 92]]),
        );
    }

    private function pickupHigh(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;
        if ($in->isMobile() || ! Slack::exceeds($limit->pickupPct, 97)) {
            return null;
        }
        $fix = ['pickup_pct' => 97] + (Slack::exceeds($limit->dropoutPct, 94) ? ['dropout_pct' => 94] : []);

        return new Finding(
            'pickup-high',
            Severity::Warn,
            "The utility has to reach {$limit->pickupPct} % to count as returned.",
            'At the end of a long rural line it may never get there, and the load stays on the generator.',
            self::N . '/under_voltage/pickup_pct',
            $this->normal(['under_voltage' => $fix]),
        );
    }

    private function pickupLowReturn(CheckInput $in): ?Finding
    {
        $limit = $in->settings->normal->underVoltage;

        return $in->isMobile() || $in->application === Application::PlugIn || ! Slack::isBelow($limit->pickupPct, 80) ? null : new Finding(
            'pickup-low-return',
            Severity::Warn,
            "The load goes back to a utility of only {$limit->pickupPct} %.",
            'A weak line collapses under the returning load and the whole round begins again.',
            self::N . '/under_voltage/pickup_pct',
            $this->normal(['under_voltage' => ['pickup_pct' => 80]]),
        );
    }

    private function noOverVoltage(CheckInput $in): ?Finding
    {
        return $in->isMobile() || $in->settings->normal->overVoltage !== null || $in->plant->normal->phases < 2 ? null : new Finding(
            'no-over-voltage',
            Severity::Note,
            'Nothing watches for over-voltage on the utility.',
            'A lost neutral drives one leg high and the other low; the high one burns what is on it.',
            self::N . '/over_voltage',
            $this->normal(['over_voltage' => ['dropout_pct' => 115, 'pickup_pct' => 110]]),
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
            $hasMotor ? Severity::Stop : Severity::Warn,
            'Unbalance between the phases is not watched.',
            $hasMotor
                ? 'A running motor feeds the lost phase back, so under-voltage does not see it, and the motor burns on two phases.'
                : 'A lost phase that something feeds back is seen by unbalance only.',
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
            'The phase order is not checked.',
            'After a repair upstream the phases may come in the other order, and every motor runs backwards.',
            '/rotation_check',
            static fn(): array => ['rotation_check' => true],
        );
    }

    private function rejectsOwnGenerator(CheckInput $in): ?Finding
    {
        $e = $in->settings->emergency;
        $isNarrow = Slack::exceeds($e->underVoltage->dropoutPct, 88)
            || $e->underFrequency !== null && Slack::exceeds($e->underFrequency->dropoutPct, 92);

        return $in->plant->engine === null || $e->dropoutDelayMs >= 2000 || ! $isNarrow ? null : new Finding(
            'rejects-own-generator',
            Severity::Warn,
            'The generator is judged within less than 2.0 s by narrow limits.',
            'A healthy dip when a block of load comes on would be taken for a failure.',
            self::E . '/dropout_delay_ms',
            ['sensing' => ['emergency' => ['dropout_delay_ms' => 2000]]],
        );
    }

    private function emergencyNotWatched(CheckInput $in): ?Finding
    {
        return $in->settings->emergency->dropoutDelayMs <= 30_000 ? null : new Finding(
            'emergency-not-watched',
            Severity::Stop,
            'A failed generator is noticed only after more than 30 s.',
            'The load sits in the dark, or under a sick generator, for all that time.',
            self::E . '/dropout_delay_ms',
            ['sensing' => ['emergency' => ['dropout_delay_ms' => 30_000]]],
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
        Severity $severity,
        string $message,
        string $because,
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

        return new Finding($id, $severity, $message, $because, $path, ['sensing' => $patch], array_keys($patch));
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
