<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;

/**
 * Which device to open to simulate an outage: the surveyed one where the one-line says that it takes the voltage from the
 * sensing, else the one that the one-line names, and why. Survey, plan, procedure, stopwatch, report and the owner's page
 * all ask here. Rule: docs/rules.md#topology.
 */
final readonly class OutageTestPoint
{
    private const REASONS = [
        'downstream-of-switch' => 'It lies after the switch: the lights go off, the switch still sees good voltage, and nothing starts.',
        'not-in-sensing-path' => 'It does not feed the sensing of the switch: the switch still sees good voltage.',
        'not-load-break' => 'It must not be opened with load on it: an arc flash can kill.',
        'not-on-drawing' => 'It is not on the one-line, so nothing says that it takes the voltage from the sensing.',
    ];

    public function decide(OutageTestPointInput $in): OutageTestPointResult
    {
        if ($in->drawing === null) {
            return self::withoutDrawing($in);
        }
        $answer = TopologyCheck::of($in->drawing)->answer()->values;
        /** @var list<array{device: string, loads_lost_elsewhere: list<string>}> $points */
        $points = $answer['outage_test_points'];
        /** @var list<array{device: string, reason: string}> $others */
        $others = $answer['not_test_points'];
        $names = new ElementNames($in->names);
        foreach ($points as $point) {
            if ($point['device'] === $in->device) {
                return new OutageTestPointResult(
                    TestPointStatus::Confirmed,
                    $point['device'],
                    $in->label ?? ucfirst($names->of($point['device'])),
                    'As surveyed; on the one-line it takes the voltage from the sensing.',
                    $point['loads_lost_elsewhere'],
                );
            }
        }
        $findings = $in->device === null ? [] : [$this->finding(
            $in,
            $names->of($in->device),
            array_column($others, 'reason', 'device')[$in->device] ?? 'not-on-drawing',
        )];

        return self::instead($in, $points[0] ?? null, $names, $findings);
    }

    /** As surveyed, or not known: nothing can be checked. */
    private static function withoutDrawing(OutageTestPointInput $in): OutageTestPointResult
    {
        return $in->label === null
            ? new OutageTestPointResult(
                TestPointStatus::NotKnown,
                null,
                null,
                'No device was surveyed, and there is no one-line to say which one it is.',
            )
            : new OutageTestPointResult(
                TestPointStatus::Unchecked,
                null,
                $in->label,
                'As surveyed. There is no one-line to check it against: it must be upstream of the sensing.',
            );
    }

    /**
     * The device that the one-line names, where the surveyed one proves nothing or none was surveyed.
     *
     * @param null|array{device: string, loads_lost_elsewhere: list<string>} $best
     * @param list<Finding>                                                  $findings
     */
    private static function instead(OutageTestPointInput $in, ?array $best, ElementNames $names, array $findings): OutageTestPointResult
    {
        if ($best === null) {
            return new OutageTestPointResult(
                TestPointStatus::None,
                null,
                null,
                'On the one-line no device takes the voltage from the sensing. Plan a disconnect, or have the utility open.',
                [],
                $findings,
            );
        }

        return new OutageTestPointResult(
            $in->device === null ? TestPointStatus::FromOneLine : TestPointStatus::Replaced,
            $best['device'],
            ucfirst($names->of($best['device'])),
            $in->device === null
                ? 'From the one-line: it takes the voltage from the sensing, and nothing else goes dark that need not. Confirm it on site.'
                : 'The surveyed device proves nothing; on the one-line this one takes the voltage from the sensing.',
            $best['loads_lost_elsewhere'],
            $findings,
        );
    }

    /** Why a device proves nothing, by the reason that `topology` gives. */
    public static function why(string $reason): string
    {
        return self::REASONS[$reason] ?? self::REASONS['not-on-drawing'];
    }

    private function finding(OutageTestPointInput $in, string $name, string $reason): Finding
    {
        return Register::finding('test-point-not-outage', ['why' => self::why($reason)], at: $in->device, atName: $in->label ?? $name);
    }
}
