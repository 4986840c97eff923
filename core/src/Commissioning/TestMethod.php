<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Settings;
use Escapement\Core\SettingsCheck\ExpectedTimes;

/**
 * A way in which a switch is timed: its marks in order, which of them starts which interval, and the window of each. The verdict
 * judges by it, the phone shows by it (toArray()), and both answer the same cases. Rule: docs/rules.md#stopwatch.
 */
final readonly class TestMethod
{
    public const OUTAGE = 'outage';
    public const BUTTON = 'button';

    /** @param non-empty-list<MarkStep> $steps */
    private function __construct(public string $id, public ExpectedTimes $expected, public array $steps) {}

    /** @return non-empty-list<self> the first is the one that proves most */
    public static function of(Plant $plant, Settings $settings): array
    {
        $outage = self::outage($plant, new ExpectedTimes($plant, $settings));

        return $plant->kind === PlantKind::Standby ? [
            $outage,
            self::button(new ExpectedTimes($plant, $settings, isByButton: true)),
        ] : [$outage];
    }

    public function opens(): MarkEvent
    {
        return $this->steps[0]->event;
    }

    public function isByButton(): bool
    {
        return $this->id === self::BUTTON;
    }

    /** @return list<IntervalRule> in the order in which they are judged */
    public function intervals(): array
    {
        $order = ['start_signal', 'engine_running', 'transfer', 'return', 'engine_stop'];
        $rules = array_values(array_filter(array_map(static fn(MarkStep $step): ?IntervalRule => $step->interval, $this->steps)));
        usort(
            $rules,
            static fn(IntervalRule $a, IntervalRule $b): int => array_search($a->event, $order, true) <=> array_search($b
                ->event, $order, true),
        );

        return $rules;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'steps' => array_map(static fn(MarkStep $step): array => $step->toArray(), $this->steps)];
    }

    private static function outage(Plant $plant, ExpectedTimes $expected): self
    {
        $steps = match ($plant->kind) {
            PlantKind::Standby => [
                new MarkStep(MarkEvent::UtilityOff),
                ...self::upToTransfer($expected, MarkEvent::UtilityOff, 'start-late'),
                ...self::bait($expected),
                new MarkStep(MarkEvent::UtilityOn),
                ...self::return($expected, MarkEvent::UtilityOn),
            ],
            PlantKind::TwoSource => [
                new MarkStep(MarkEvent::UtilityOff),
                self::transfer($expected, MarkEvent::UtilityOff),
                ...self::bait($expected),
                new MarkStep(MarkEvent::UtilityOn),
                self::back($expected, MarkEvent::UtilityOn),
            ],
            PlantKind::Mobile => [
                new MarkStep(MarkEvent::StartSignal),
                self::running($expected, null),
                self::transfer($expected, MarkEvent::StartSignal),
                new MarkStep(MarkEvent::EngineStopped),
                self::back($expected, MarkEvent::EngineStopped, []),
            ],
        };

        return new self(self::OUTAGE, $expected, $steps);
    }

    private static function button(ExpectedTimes $expected): self
    {
        return new self(self::BUTTON, $expected, [
            new MarkStep(MarkEvent::TestOn),
            ...self::upToTransfer($expected, MarkEvent::TestOn, 'test-start-late'),
            new MarkStep(MarkEvent::TestOff),
            ...self::return($expected, MarkEvent::TestOff),
        ]);
    }

    /** @return list<MarkStep> */
    private static function upToTransfer(ExpectedTimes $expected, MarkEvent $off, string $late): array
    {
        return [
            new MarkStep(MarkEvent::StartSignal, true, new IntervalRule(
                'start_signal',
                $off,
                MarkEvent::StartSignal,
                $expected->of('start_signal'),
                'start-early',
                $late,
            )),
            self::running($expected, $off),
            self::transfer($expected, $off),
        ];
    }

    /** @param ?MarkEvent $off counted from where nobody marked the start signal */
    private static function running(ExpectedTimes $expected, ?MarkEvent $off): MarkStep
    {
        return new MarkStep(MarkEvent::EngineRunning, false, new IntervalRule(
            'engine_running',
            MarkEvent::StartSignal,
            MarkEvent::EngineRunning,
            $expected->of('engine_running'),
            'running-early',
            'running-late',
            'engine-not-running',
            [MarkEvent::Transferred, MarkEvent::Retransferred],
            $off,
            $off === null ? null : $expected->runningFromLoss,
        ));
    }

    private static function transfer(ExpectedTimes $expected, MarkEvent $from): MarkStep
    {
        return new MarkStep(MarkEvent::Transferred, false, new IntervalRule(
            'transfer',
            $from,
            MarkEvent::Transferred,
            $expected->of('transfer'),
            'transfer-early',
            'transfer-late',
            'not-transferred',
            [MarkEvent::Retransferred],
        ));
    }

    /** @return list<MarkStep> */
    private static function bait(ExpectedTimes $expected): array
    {
        return [new MarkStep(MarkEvent::BaitOn, true), new MarkStep(MarkEvent::BaitOff, true, holdMs: $expected->baitMs)];
    }

    /** @return list<MarkStep> */
    private static function return(ExpectedTimes $expected, MarkEvent $end): array
    {
        return [
            self::back($expected, $end),
            // It counts from the first return after the utility came back for good, not from one that took a bait.
            new MarkStep(MarkEvent::EngineStopped, false, new IntervalRule(
                'engine_stop',
                MarkEvent::Retransferred,
                MarkEvent::EngineStopped,
                $expected->of('engine_stop'),
                'stop-early',
                'stop-late',
                'engine-not-stopped',
                after: $end,
            )),
        ];
    }

    /** @param list<MarkEvent> $shownBy */
    private static function back(ExpectedTimes $expected, MarkEvent $from, array $shownBy = [MarkEvent::EngineStopped]): MarkStep
    {
        return new MarkStep(MarkEvent::Retransferred, false, new IntervalRule(
            'return',
            $from,
            MarkEvent::Retransferred,
            $expected->of('return'),
            'return-early',
            'return-late',
            'not-returned',
            $shownBy,
        ));
    }
}
