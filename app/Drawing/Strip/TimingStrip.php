<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use App\Drawing\Ink;
use App\Drawing\Pen;
use App\Drawing\TimeScale;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Lane;

/**
 * The timing strip as SVG: lanes for utility, timers, engine, switch, load bus and loads under one time axis.
 *
 * Two drawings of the same height, so that the labels stay while the plot scrolls; one whole for paper. A new lane is a
 * class beside this one and its line in lanes().
 */
final class TimingStrip
{
    public readonly TimeScale $scale;
    private readonly StripCanvas $canvas;

    /**
     * @param ?Playback         $ghost   the run before
     * @param list<StripHandle> $handles of the script's pieces
     */
    public function __construct(
        private readonly Playback $playback,
        ?Playback $ghost,
        bool $isPrint,
        float $plotPx,
        private readonly bool $hasGrips = false,
        array $handles = [],
    ) {
        $this->scale = new TimeScale($playback->momentsMs, $playback->untilMs, $plotPx);
        $labelPx = $isPrint ? 184 : 156; // the paper's letters are wider
        $this->canvas = new StripCanvas(new Pen(new Ink($isPrint)), $this->scale, $labelPx, $playback->untilMs, $hasGrips);
        $this->canvas->y = TimeAxis::ROOM_PX;
        foreach (self::lanes($playback, $ghost, new StripHandles($handles)) as $lane) {
            $lane->draw($this->canvas);
        }
        (new TimeAxis())->draw($this->canvas);
    }

    public function heightPx(): float
    {
        return $this->canvas->y + 2;
    }

    public function plotSvg(): string
    {
        return sprintf(
            '<svg class="strip-plot" width="%1$.0f" height="%2$.0f" viewBox="0 0 %1$.0f %2$.0f" role="%3$s" '
                . 'aria-label="%4$s">%5$s%6$s%7$s</svg>',
            $this->scale->width,
            $this->heightPx(),
            $this->hasGrips ? 'group' : 'img',
            Pen::escaped($this->summary()),
            $this->canvas->grid . $this->canvas->plot,
            $this->canvas->words,
            $this->hasGrips ? $this->cursor() . $this->canvas->grips : '',
        );
    }

    public function labelSvg(): string
    {
        return sprintf(
            '<svg class="strip-labels" width="%1$d" height="%2$.0f" viewBox="0 0 %1$d %2$.0f" aria-hidden="true">%3$s</svg>',
            $this->canvas->labelPx,
            $this->heightPx(),
            $this->canvas->labels,
        );
    }

    /** One drawing with its own name space, for paper and for saving. */
    public function wholeSvg(): string
    {
        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$.0f" height="%2$.0f" viewBox="0 0 %1$.0f %2$.0f" font-family="DejaVu '
                . 'Sans, sans-serif">'
            . '<g>%3$s</g><g transform="translate(%4$d 0)">%5$s%6$s</g></svg>',
            $this->canvas->labelPx + $this->scale->width,
            $this->heightPx(),
            $this->canvas->labels,
            $this->canvas->labelPx,
            $this->canvas->grid . $this->canvas->plot,
            $this->canvas->words,
        );
    }

    /** @return iterable<StripLane> from top to bottom */
    private static function lanes(Playback $playback, ?Playback $ghost, StripHandles $handles): iterable
    {
        $plant = $playback->scenario->plant;
        $timeline = $playback->timeline;
        $feeds = $timeline->spans(Lane::Feed);
        $underVoltage = $playback->scenario->settings->normal->underVoltage;
        yield new UtilityLane($plant->normal, $underVoltage, $playback->normal->corners, $timeline->spans(Lane::Normal), $handles);
        foreach (TimerName::cases() as $timer) {
            $bars = $timeline->timerSpans($timer);
            $before = $ghost?->timeline->timerSpans($timer) ?? [];
            if ($bars !== [] || $before !== []) {
                yield new TimerLane($timer, $bars, $before);
            }
        }
        if ($plant->engine !== null) {
            yield new EngineLane($timeline->spans(Lane::Engine), $playback->result->metrics, $handles);
        }
        yield new SwitchLane($timeline->spans(Lane::Position), $feeds, $plant->engine === null);
        yield new BusLane($feeds, $ghost?->timeline->spans(Lane::Feed) ?? [], $plant->engine === null);
        if ($playback->overload !== null && $playback->overload->spans !== []) {
            yield new OverloadLane($playback->overload);
        }
        foreach ($playback->scenario->loads as $load) {
            yield new LoadLane($load, $feeds, $timeline->loadSpans($load->id));
        }
    }

    private function cursor(): string
    {
        return sprintf(
            '<g class="strip-cursor" hidden><path d="M0 40V%2$.0f"/><rect x="-30" y="0" width="60" height="22"/>'
            . '<text x="0" y="16" text-anchor="middle" class="fig"></text></g>'
            . '<rect class="strip-scrub" x="3" y="3" width="%1$.0f" height="42" tabindex="0" role="slider"'
            . ' aria-label="Time cursor. Arrow keys go from event to event, with Shift a tenth of a second."'
            . ' aria-valuemin="0" aria-valuemax="%3$d" aria-valuenow="0" aria-valuetext="at 0:00.0"/>',
            $this->scale->width - 6,
            $this->heightPx(),
            $this->playback->untilMs,
        );
    }

    private function summary(): string
    {
        $metrics = $this->playback->result->metrics;
        $names = $this->playback->result->names();

        return sprintf(
            'Timing strip: dark %s in all, %s%d transfers to the %s, %d back.',
            StripCanvas::seconds($metrics->busDeadMs),
            $this->playback->scenario->plant->engine === null ? '' : "$metrics->engineStarts engine starts, ",
            $metrics->transfersToEmergency,
            $names->emergency,
            $metrics->transfersToNormal,
        );
    }
}
