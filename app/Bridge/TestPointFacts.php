<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Run;
use App\Models\TransferSwitch;
use Escapement\Core\Input\Node;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\OutageTestPoint;
use Escapement\Core\Topology\OutageTestPointInput;
use Escapement\Core\Topology\OutageTestPointResult;
use Escapement\Core\Wire\Topology\OneLineReader;

/** Which device to open for an outage test, asked of the core: of a switch as it is surveyed now, or of a run as it was begun. */
final readonly class TestPointFacts
{
    /** Needs of the switch: site, loads, plan. */
    public static function ofSwitch(TransferSwitch $switch, ?SitePlan $plan = null): OutageTestPointResult
    {
        $plan ??= (new PlanFacts($switch, $switch->plan))->plan;

        return self::decide($plan->oneLine(), $plan->names(), $switch->test_device, $switch->test_disconnect);
    }

    /** Needs of the run: switch.site, switch.loads, switch.plan. */
    public static function ofRun(Run $run): OutageTestPointResult
    {
        $work = $run->work ?? [];
        if (! is_array($work['topology'] ?? null) || ! isset($work['isolation'])) {
            return self::ofSwitch($run->switch);
        }
        $surveyed = is_array($work['surveyed'] ?? null) ? $work['surveyed'] : [];
        $text = static fn(mixed $value): ?string => is_string($value) && $value !== '' ? $value : null;
        /** @var array<string, string> $names */
        $names = is_array($work['names'] ?? null) ? $work['names'] : [];

        $drawing = (new OneLineReader())->whole(Node::fromArray($work['topology']));

        return self::decide($drawing, $names, $text($surveyed['device'] ?? null), $text($surveyed['label'] ?? null));
    }

    /**
     * @param array<string, string> $names
     */
    private static function decide(OneLine $drawing, array $names, ?string $device, ?string $label): OutageTestPointResult
    {
        return (new OutageTestPoint())->decide(new OutageTestPointInput(
            $drawing,
            $names,
            $device,
            $label,
        ));
    }
}
