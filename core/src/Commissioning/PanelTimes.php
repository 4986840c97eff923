<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\BuiltTimes;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\SettingsCheck\Window;

/**
 * What the stopwatch read beside a changeover panel, against what its circuit gives as it was built. The verdict of a run is by its
 * sheet; this says whether dials, devices and wires are those that were drawn. Rule: docs/rules.md#panel-as-built.
 */
final readonly class PanelTimes
{
    private BuiltTimes $built;
    private int $moreMs;

    public function __construct(BuiltPanel $panel, private int $reactionMs)
    {
        $this->built = $panel->outage();
        $this->moreMs = $panel->moreMs();
    }

    /** Null where nothing was measured, or the circuit does not have it. */
    public function of(Interval $interval): ?PanelTime
    {
        $builtMs = $this->built->of($interval->event);
        if ($interval->measuredMs === null || $builtMs === null) {
            return null;
        }
        $window = Window::around('', '', $builtMs, in_array($interval->event, ['engine_running', 'transfer'], true) ? $this->moreMs : 0);
        $agrees = $interval->measuredMs >= (int) $window->minMs - $this->reactionMs
            && $interval->measuredMs <= (int) $window->maxMs + $this->reactionMs;

        return new PanelTime($builtMs, $agrees, 'By the circuit as built ' . SheetWords::seconds($builtMs) . ($agrees ? ': so it is.'
            : ': a dial, a device or a wire is not as it is drawn.'));
    }

    /** Whether everything that was measured is as the circuit gives it; null where nothing of it was. */
    public function agrees(TimedRun $run): ?bool
    {
        $times = array_filter(array_map($this->of(...), $run->intervals));

        return $times === [] ? null : array_filter($times, static fn(PanelTime $time): bool => ! $time->agrees) === [];
    }
}
