<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal\Strip;

use Escapement\Core\Settings\SheetWords;

/**
 * The timing strip as SVG: lanes for utility, timers, engine, switch, load bus and loads under one time axis.
 *
 * Two drawings of the same height, so that the labels stay while the plot scrolls; one whole for paper.
 */
final class TimingStrip
{
    private const TIMERS = ['start_delay' => 'Start delay', 'transfer_delay' => 'Transfer delay', 'return_delay' => 'Return delay', 'cooldown' => 'Cool-down'];
    private const RAN_OUT = ['start_delay' => 'ran out, start contact closes', 'transfer_delay' => 'ran out, switch moves', 'return_delay' => 'ran out, load goes back', 'cooldown' => 'ran out, engine stops'];

    public readonly StripScale $scale;
    private string $grid = '';
    private string $plot = '';
    private string $words = '';
    private string $labels = '';
    private string $grips = '';
    private float $y = 0;
    private readonly Ink $ink;
    private readonly int $labelPx;

    /** @param list<StripHandle> $handles */
    public function __construct(
        private readonly StripTracks $tracks,
        private readonly ?StripTracks $ghost,
        bool $isPrint,
        float $plotPx,
        private readonly bool $hasGrips = false,
        private readonly array $handles = [],
    ) {
        $this->ink = new Ink($isPrint);
        $this->labelPx = $isPrint ? 184 : 156; // the paper's letters are wider
        $this->scale = new StripScale($tracks->momentsMs, $tracks->untilMs, $plotPx);
        $this->drawAxisRoom();
        $this->drawUtility();
        foreach (self::TIMERS as $timer => $label) {
            if (isset($tracks->timers[$timer]) || isset($ghost?->timers[$timer])) {
                $this->drawTimer($timer, $label);
            }
        }
        if ($tracks->scenario->plant->engine !== null) {
            $this->drawEngine();
        }
        $this->drawSwitch();
        $this->drawBus();
        $this->drawOverload();
        foreach ($tracks->scenario->loads as $load) {
            $this->drawLoad($load->id, (float) $load->kw);
        }
        $this->drawFoldsAndAxis();
    }

    public function heightPx(): float
    {
        return $this->y + 2;
    }

    public function plotSvg(): string
    {
        $cursor = ! $this->hasGrips ? '' : sprintf(
            '<g class="strip-cursor" hidden><path d="M0 40V%2$.0f"/><rect x="-30" y="0" width="60" height="22"/><text x="0" y="16" text-anchor="middle" class="fig"></text></g>'
            . '<rect class="strip-scrub" x="3" y="3" width="%1$.0f" height="42" tabindex="0" role="slider" aria-label="Time cursor. Arrow keys go from event to event, with Shift a tenth of a second."'
            . ' aria-valuemin="0" aria-valuemax="%3$d" aria-valuenow="0" aria-valuetext="at 0:00.0"/>%4$s',
            $this->scale->width - 6,
            $this->heightPx(),
            $this->tracks->untilMs,
            $this->grips,
        );

        return sprintf(
            '<svg class="strip-plot" width="%1$.0f" height="%2$.0f" viewBox="0 0 %1$.0f %2$.0f" role="%3$s" aria-label="%4$s">%5$s%6$s%7$s</svg>',
            $this->scale->width,
            $this->heightPx(),
            $this->hasGrips ? 'group' : 'img',
            $this->esc($this->summary()),
            $this->grid . $this->plot,
            $this->words,
            $cursor,
        );
    }

    public function labelSvg(): string
    {
        return sprintf('<svg class="strip-labels" width="%1$d" height="%2$.0f" viewBox="0 0 %1$d %2$.0f" aria-hidden="true">%3$s</svg>', $this->labelPx, $this->heightPx(), $this->labels);
    }

    /** One drawing with its own name space, for paper and for saving. */
    public function wholeSvg(): string
    {
        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$.0f" height="%2$.0f" viewBox="0 0 %1$.0f %2$.0f" font-family="DejaVu Sans, sans-serif">'
            . '<g>%3$s</g><g transform="translate(%4$d 0)">%5$s%6$s</g></svg>',
            $this->labelPx + $this->scale->width,
            $this->heightPx(),
            $this->labels,
            $this->labelPx,
            $this->grid . $this->plot,
            $this->words,
        );
    }

    private function summary(): string
    {
        $metrics = $this->tracks->result->metrics;

        return sprintf('Timing strip: dark %s in all, %d engine starts, %d transfers to the generator, %d back.', $this->seconds($metrics->busDeadMs), $metrics->engineStarts, $metrics->transfersToEmergency, $metrics->transfersToNormal);
    }

    private function drawAxisRoom(): void
    {
        $this->labels .= $this->text(0, 34, 'Time', 'start', size: 13);
        $this->y = 44;
    }

    private function drawUtility(): void
    {
        $top = $this->y + 6;
        $foot = $this->y + 52;
        $source = $this->tracks->scenario->plant->normal;
        $limit = $this->tracks->scenario->settings->normal->underVoltage;
        $highest = max($source->nominalV * 1.15, ...array_merge(...array_column($this->tracks->volts, 'v')));
        $at = static fn(float $v): float => $foot - $v / $highest * ($foot - $top);
        for ($phase = $source->phases - 1; $phase >= 0; $phase--) {
            $points = [];
            foreach ($this->tracks->volts as $corner) {
                $points[] = sprintf('%.1f %.1f', $this->scale->x($corner['atMs']), $at($corner['v'][$phase]));
            }
            $line = implode('L', $points);
            if ($phase === 0) {
                $this->plot .= sprintf('<path d="M0 %.1fL%sL%.1f %.1fZ" fill="%s"/>', $foot, $line, $this->scale->width, $foot, $this->ink->colour('util-tint'));
            }
            $this->plot .= sprintf('<path d="M%s" fill="none" stroke="%s" stroke-width="2.4"/>', $line, $this->ink->colour('util'));
        }
        foreach ([[$limit->pickupPct, '7 3', 'pick-up', 12], [$limit->dropoutPct, '2 3', 'drop-out', 27]] as [$percent, $dash, $word, $dy]) {
            $v = $source->nominalV * $percent / 100;
            $this->plot .= sprintf('<path d="M0 %1$.1fH%2$.1f" stroke="%3$s" stroke-dasharray="%4$s"/>', $at($v), $this->scale->width, $this->ink->colour('util'), $dash);
            $this->labels .= $this->text($this->labelPx - 8, $this->y + $dy, round($v, 1) . ' V ' . $word, 'end', 'ink-2', 13);
        }
        foreach ($this->tracks->utilityDeclared as $span) {
            $x = $this->scale->x($span['fromMs']);
            $this->plot .= $this->ink->bar($span['what'] === 'good' ? 'util' : 'dead', $x, $foot + 2, $this->scale->x($span['toMs']) - $x, 6);
            if ($span['what'] === 'lost') {
                $this->words .= $this->text($x + 4, $foot - 8, 'declared lost at ' . SheetWords::clock($span['fromMs']), 'start', 'ink-2', 13, true);
            }
        }
        $this->drawHandles($this->y + 1, false);
        $this->labels .= $this->text(0, $this->y + 12, 'Utility', 'start', weight: 600) . $this->text($this->labelPx - 8, $foot + 8, 'declared good', 'end', 'ink-2', 13);
        $this->endLane(66);
    }

    private function drawTimer(string $timer, string $label): void
    {
        $y = $this->y + 5;
        $bars = $this->tracks->timers[$timer] ?? [];
        foreach ($bars as $i => $bar) {
            $x = $this->scale->x($bar['fromMs']);
            $end = $this->scale->x($bar['toMs']);
            $width = max(3.4, $end - $x);
            $ink = $this->ink->colour('ink');
            if ($bar['end'] === 'cut') {
                $this->plot .= sprintf('<path d="M%1$.1f %2$.1fH%3$.1fM%1$.1f %2$.1fV%4$.1fH%3$.1f" fill="none" stroke="%5$s"/>', $x, $y, $end, $y + 15, $ink);
                $this->plot .= sprintf('<path d="M%1$.1f %2$.1fl3 3l-6 3l6 3l-6 3l3 3" fill="none" stroke="%3$s" stroke-width="1.8"/>', $end, $y, $this->ink->colour('stop'));
                $this->plot .= sprintf('<path d="M%1$.1f %2$.1fh26M%1$.1f %3$.1fh26" stroke="%4$s" stroke-dasharray="3 3"/>', $end + 3, $y, $y + 15, $this->ink->colour('edge'));
                $this->words .= $this->beside($x, $end + 32, $y + 12, sprintf('cut at %s: %s', $this->seconds($bar['toMs'] - $bar['fromMs']), $bar['cut']), 'stop', 600, $bars[$i - 1] ?? null, $bars[$i + 1] ?? null);
            } else {
                $this->plot .= sprintf('<rect x="%.1f" y="%.1f" width="%.1f" height="15" fill="%s" stroke="%s" data-bar="%s-%d"/>', $x, $y, $width, $this->ink->colour('steel-tint'), $ink, $timer, $i);
                if ($bar['end'] === 'ran_out' && $this->hasGrips) {
                    $this->grips .= $this->grip($timer, $label, $i, $bar, $x + $width, $y);
                }
                $word = $bar['end'] === 'open' ? 'still running' : self::RAN_OUT[$timer];
                $this->words .= $this->beside($x, $x + $width + 8, $y + 12, $word, 'ink', 400, $bars[$i - 1] ?? null, $bars[$i + 1] ?? null);
            }
        }
        $was = null;
        foreach ($this->ghost?->timers[$timer] ?? [] as $bar) {
            if (! in_array($bar, $bars, false) && $bar['fromMs'] <= $this->tracks->untilMs) {
                $this->plot .= $this->bracket($this->scale->x($bar['fromMs']), $this->scale->x(min($bar['toMs'], $this->tracks->untilMs)), $y + 18);
                $was = $bar['durationMs'];
            }
        }
        $durationMs = $bars[count($bars) - 1]['durationMs'] ?? null;
        $changed = $was !== null && $was !== $durationMs ? ' was ' . $this->seconds($was) : '';
        $this->labels .= $this->text(0, $y + 12, $label, 'start', weight: 600)
            . $this->text($this->labelPx - 8, $y + 12, $durationMs === null ? '' : $this->seconds($durationMs), 'end', $changed === '' ? 'ink' : 'steel', 13, figure: true);
        if ($changed !== '' && $bars !== []) {
            $last = $bars[count($bars) - 1];
            $said = $last['end'] === 'ran_out' ? mb_strlen(self::RAN_OUT[$timer]) * 6.8 + 12 : 0;
            $x = min($this->scale->x($last['toMs']) + 12 + $said, $this->scale->width - 90);
            $this->words .= $this->text($x, $y + 12, trim($changed), 'start', 'steel', 13, true, weight: 600);
        }
        $this->endLane(27, hair: false);
    }

    private function drawEngine(): void
    {
        $top = $this->y + 20;
        $foot = $this->y + 46;
        $this->plot .= $this->rule($this->y);
        $ink = $this->ink->colour('ink');
        $stopMs = $this->tracks->scenario->plant->engine->stopMs ?? 0;
        $crank = 0;
        foreach ($this->tracks->engine as $span) {
            $x = $this->scale->x($span['fromMs']);
            $end = $this->scale->x($span['toMs']);
            $lengthMs = $span['toMs'] - $span['fromMs'];
            switch ($span['what']) {
                case 'cranking':
                    $teeth = max(1, min(60, intdiv($lengthMs, 500)));
                    for ($i = 0; $i < $teeth; $i++) {
                        $from = $x + ($end - $x) * $i / $teeth;
                        $this->plot .= sprintf('<path d="M%.1f %.1fl%.1f -15v15z" fill="%s"/>', $from, $foot, max(1.5, ($end - $x) / $teeth), $ink);
                    }
                    $crank++;
                    $this->words .= $this->text($x, $this->y + 14, ($crank > 1 ? "crank $crank " : 'crank ') . $this->seconds($lengthMs), 'start', 'ink', 13, true);
                    break;
                case 'running_up':
                    $this->plot .= sprintf('<path d="M%1$.1f %2$.1fL%3$.1f %4$.1fV%2$.1fZ" fill="%5$s" stroke="%6$s"/>', $x, $foot, $end, $top, $this->ink->colour('gen-tint'), $this->ink->colour('gen'));
                    break;
                case 'running':
                    $this->plot .= $this->ink->bar('gen', $x, $top, $end - $x, $foot - $top) . sprintf('<path d="M%1$.1f %2$.1fH%3$.1f" stroke="%4$s" stroke-width="1.4"/>', $x, $top, $end, $this->ink->colour('gen'));
                    break;
                case 'cooling':
                    $this->plot .= $this->ink->bar('gen-idle', $x, $top, $end - $x, $foot - $top) . sprintf('<rect x="%.1f" y="%.1f" width="%.1f" height="%.1f" fill="none" stroke="%s"/>', $x, $top, $end - $x, $foot - $top, $this->ink->colour('gen'));
                    $this->words .= $this->text($x + 4, $this->y + 14, 'cools', 'start', 'ink', 13, true);
                    break;
                case 'coasting':
                    $end = min($end, $this->scale->x($span['fromMs'] + $stopMs));
                    $this->plot .= sprintf('<path d="M%1$.1f %2$.1fL%3$.1f %4$.1f" stroke="%5$s" stroke-dasharray="4 3"/>', $x, $top, max($end, $x + 2), $foot, $this->ink->colour('gen'));
                    $this->words .= $this->text($x + 6, $this->y + 14, 'stops', 'start', 'ink', 13, true);
                    break;
                case 'locked_out':
                    $this->plot .= $this->rect18($x, $top + 2, $this->ink->colour('stop'), $this->ink->colour('sheet'));
                    $this->words .= $this->text($x + 24, $top + 16, 'locked out', 'start', 'stop', 13, true, weight: 600);
                    break;
            }
        }
        $this->plot .= sprintf('<path d="M0 %1$.1fH%2$.1f" stroke="%3$s"/>', $foot, $this->scale->width, $this->ink->colour('hair'));
        $this->drawHandles($this->y + 1, true);
        $metrics = $this->tracks->result->metrics;
        $this->labels .= $this->text(0, $this->y + 16, 'Engine', 'start', weight: 600)
            . $this->text($this->labelPx - 8, $this->y + 16, 'run ' . $this->seconds($metrics->engineRunMs), 'end', 'ink-2', 13)
            . $this->text($this->labelPx - 8, $this->y + 33, 'loaded ' . $this->seconds($metrics->engineLoadedMs), 'end', 'ink-2', 13);
        $this->endLane(53);
    }

    private function drawSwitch(): void
    {
        $rails = ['normal' => $this->y + 12, 'between' => $this->y + 26, 'emergency' => $this->y + 41];
        $isTwo = $this->tracks->scenario->plant->engine === null;
        foreach ($rails as $what => $rail) {
            $this->plot .= sprintf('<path d="M0 %.1fH%.1f" stroke="%s"%s/>', $rail, $this->scale->width, $this->ink->colour($what === 'between' ? 'hair' : 'edge'), $what === 'between' ? ' stroke-dasharray="2 4"' : '');
        }
        $previous = null;
        foreach ($this->tracks->position as $span) {
            $x = $this->scale->x($span['fromMs']);
            $end = $this->scale->x($span['toMs']);
            if ($span['what'] === 'between') {
                $this->plot .= sprintf('<path d="M%.1f %.1fH%.1f" stroke="%s" stroke-width="2.6"/>', $x, $rails['between'], $end, $this->ink->colour('ink'));
            } else {
                foreach ($this->pieces($span, $this->tracks->bus) as [$fromMs, $toMs, $bus]) {
                    $from = $this->scale->x($fromMs);
                    $pattern = $bus === 'dark' ? 'dead' : ($span['what'] === 'normal' ? 'util' : 'gen');
                    $this->plot .= $this->ink->bar($pattern, $from, $rails[$span['what']] - 4.5, $this->scale->x($toMs) - $from, 9);
                }
                if ($previous !== null) {
                    $up = $span['what'] === 'normal';
                    $this->plot .= sprintf('<path d="M%1$.1f %2$.1fV%3$.1f" stroke="%4$s" stroke-width="2.6"/><path d="M%1$.1f %3$.1fl-4 %5$dh8z" fill="%4$s"/>', $x, $rails[$up ? 'emergency' : 'normal'], $rails[$span['what']] + ($up ? 5 : -5), $this->ink->colour('ink'), $up ? 7 : -7);
                    $this->words .= $this->text($x + 9, $this->y + 30, ($up ? 'back at ' : '') . SheetWords::clock($span['fromMs']), 'start', 'ink', 13, true);
                }
            }
            $previous = $span;
        }
        $this->labels .= $this->text(0, $this->y + 16, 'Switch', 'start', weight: 600)
            . $this->text($this->labelPx - 8, $this->y + 17, $isTwo ? 'U1' : 'U', 'end', 'util', 14, weight: 750)
            . $this->text($this->labelPx - 8, $this->y + 31, 'between', 'end', 'ink-2', 13)
            . $this->text($this->labelPx - 8, $this->y + 46, $isTwo ? 'U2' : 'G', 'end', $isTwo ? 'util' : 'gen', 14, weight: 750);
        $this->endLane(56);
    }

    private function drawBus(): void
    {
        foreach ($this->tracks->bus as $span) {
            $x = $this->scale->x($span['fromMs']);
            $width = $this->scale->x($span['toMs']) - $x;
            if ($span['what'] === 'dark') {
                $isPin = $width < 3;
                $this->plot .= $this->ink->rect($x, $this->y - ($isPin ? 1.5 : 0), max(3.4, $width), 27 + ($isPin ? 3 : 0), $this->ink->colour('dark'), $this->ink->colour('dark-edge'));
                $word = 'dark ' . $this->seconds($span['toMs'] - $span['fromMs']);
                $this->words .= $width > 76
                    ? $this->text($x + $width / 2, $this->y + 18, $word, 'middle', 'on-dark', 13, weight: 600)
                    : $this->plate($x + $width + 26, $this->y + 18, $word);
                continue;
            }
            $this->plot .= $this->ink->bar($span['what'] === 'normal' ? 'util' : 'gen', $x, $this->y + 8, $width, 11);
            if ($width > 24) {
                $letter = $span['what'] === 'normal' ? 'U' : 'G';
                $this->words .= sprintf('<rect x="%.1f" y="%.1f" width="17" height="17" fill="%s" stroke="%s"/>', $x + 4, $this->y + 5, $this->ink->colour('sheet'), $this->ink->colour($letter === 'U' ? 'util' : 'gen'))
                    . $this->text($x + 12.5, $this->y + 18, $letter, 'middle', $letter === 'U' ? 'util' : 'gen', 13, weight: 750);
            }
        }
        foreach ($this->ghost->bus ?? [] as $span) {
            if ($span['what'] === 'dark' && ! in_array($span, $this->tracks->bus, false) && $span['toMs'] <= $this->tracks->untilMs) {
                $this->plot .= $this->bracket($this->scale->x($span['fromMs']), $this->scale->x($span['toMs']), $this->y + 24);
            }
        }
        $this->labels .= $this->text(0, $this->y + 18, 'Load bus', 'start', weight: 600);
        $this->endLane(27, hair: false);
    }

    private function drawOverload(): void
    {
        $overload = $this->tracks->overload;
        if ($overload === null || $overload->spans === []) {
            return;
        }
        $this->plot .= (new OverloadLane($this->scale, $this->ink))->svg($overload, $this->y);
        $this->labels .= $this->text(0, $this->y + 18, 'Overload', 'start', 'stop', weight: 600);
        $this->endLane(OverloadLane::HEIGHT, hair: false);
    }

    private function drawLoad(string $id, float $kw): void
    {
        foreach ($this->tracks->bus as $span) {
            foreach ($this->pieces($span, $this->tracks->loads[$id]) as [$fromMs, $toMs, $state]) {
                $x = $this->scale->x($fromMs);
                $width = $this->scale->x($toMs) - $x;
                if ($span['what'] === 'dark') {
                    $this->plot .= $this->ink->rect($x, $this->y, max(3.4, $width), 20, $this->ink->colour('dark'));
                } elseif ($state === 'shed') {
                    $this->plot .= $this->ink->bar('shed', $x, $this->y, $width, 20);
                    $this->words .= $width < 44 ? '' : $this->ink->rect($x + 2, $this->y + 3, 38, 15, $this->ink->colour('dark')) . $this->text($x + 6, $this->y + 15, 'shed', 'start', 'on-dark', 13, weight: 600);
                } else {
                    $this->plot .= $this->ink->bar($span['what'] === 'normal' ? 'util' : 'gen', $x, $this->y + 6, $width, 9);
                }
            }
        }
        $name = mb_strlen($id) > 13 ? mb_substr($id, 0, 12) . '…' : $id;
        $this->labels .= $this->text(0, $this->y + 15, $name, 'start', size: 13) . $this->text($this->labelPx - 8, $this->y + 15, sprintf("%.1f\u{202F}kW", $kw), 'end', 'ink-2', 13, figure: true);
        $this->endLane(20, hair: false);
    }

    private function drawFoldsAndAxis(): void
    {
        $bottom = $this->y;
        foreach ($this->scale->segments as $segment) {
            if ($segment['isFold']) {
                $this->drawFold($segment, $bottom);
            } else {
                $this->drawTicks($segment, $bottom);
            }
        }
    }

    /** @param array{fromMs: int, toMs: int, fromX: float, toX: float, isFold: bool} $fold */
    private function drawFold(array $fold, float $bottom): void
    {
        $this->plot .= sprintf('<rect x="%.1f" y="42" width="%.1f" height="%.1f" fill="%s" opacity=".6"/>', $fold['fromX'], $fold['toX'] - $fold['fromX'], $bottom - 42, $this->ink->colour('paper'));
        foreach ([$fold['fromX'] + 6, $fold['toX'] - 6] as $x) {
            $zigzag = sprintf('M%.1f 42', $x);
            for ($y = 42; $y < $bottom; $y += 10) {
                $zigzag .= 'l3 5l-3 5';
            }
            $this->plot .= sprintf('<path d="%s" fill="none" stroke="%s"/>', $zigzag, $this->ink->colour('edge'));
            $this->plot .= sprintf('<path d="M%.1f 46l6 -9" stroke="%s" stroke-width="1.2"/>', $x - 3, $this->ink->colour('ink'));
        }
        $this->words .= $this->text(($fold['fromX'] + $fold['toX']) / 2, 13, $this->shortClock($fold['toMs'] - $fold['fromMs']), 'middle', 'ink-2', 13, true);
    }

    /** @param array{fromMs: int, toMs: int, fromX: float, toX: float, isFold: bool} $segment */
    private function drawTicks(array $segment, float $bottom): void
    {
        $this->plot .= sprintf('<path d="M%.1f 42H%.1f" stroke="%s"/>', $segment['fromX'], $segment['toX'], $this->ink->colour('ink'));
        $labelMs = $this->scale->tickMs();
        $smallMs = $this->scale->pxPerS >= 5 ? 1000 : 5000;
        for ($ms = intdiv($segment['fromMs'] + $smallMs - 1, $smallMs) * $smallMs; $ms <= $segment['toMs']; $ms += $smallMs) {
            $x = $this->scale->x($ms);
            $isLabel = $ms % $labelMs === 0;
            $this->plot .= sprintf('<path d="M%.1f 42v-%d" stroke="%s"/>', $x, $isLabel ? 9 : ($ms % 5000 === 0 ? 6 : 3), $this->ink->colour($isLabel ? 'ink' : 'edge'));
            if ($isLabel && $x > 14 && $x < $this->scale->width - 14) {
                $this->grid .= sprintf('<path d="M%.1f 44V%.1f" stroke="%s" stroke-width=".6"/>', $x, $bottom, $this->ink->colour('hair'));
                $this->words .= $this->text($x, 31, $this->shortClock($ms), 'middle', 'ink', 13, true, figure: true, class: 'tick');
            }
        }
    }

    /**
     * Cuts a span where another track changes.
     *
     * @param array{fromMs: int, toMs: int, what: string}       $span
     * @param list<array{fromMs: int, toMs: int, what: string}> $track
     *
     * @return list<array{int, int, string}>
     */
    private function pieces(array $span, array $track): array
    {
        $pieces = [];
        foreach ($track as $other) {
            $fromMs = max($span['fromMs'], $other['fromMs']);
            $toMs = min($span['toMs'], $other['toMs']);
            if ($toMs > $fromMs) {
                $pieces[] = [$fromMs, $toMs, $other['what']];
            }
        }

        return $pieces;
    }

    /**
     * Words go to the right of a bar where they fit, else to its left, never over another bar; else they are left out,
     * because the list below says the same.
     *
     * @param null|array{toMs: int, end: string, ...} $before
     * @param null|array{fromMs: int, ...}            $next
     */
    private function beside(float $left, float $right, float $y, string $word, string $colour, int $weight, ?array $before, ?array $next): string
    {
        $width = mb_strlen($word) * 6.8;
        $until = $next === null ? $this->scale->width : $this->scale->x($next['fromMs']);
        $from = $before === null ? 0.0 : $this->scale->x($before['toMs']) + ($before['end'] === 'cut' ? 32 : 8);

        return match (true) {
            $right + $width <= $until => $this->text($right, $y, $word, 'start', $colour, 13, true, weight: $weight),
            $left - 8 - $width >= $from => $this->text($left - 8, $y, $word, 'end', $colour, 13, true, weight: $weight),
            default => '',
        };
    }

    /** Words on a pattern need a plate of paper under them. */
    private function plate(float $x, float $y, string $words): string
    {
        $width = mb_strlen($words) * 6.8 + 6;
        $x = min($x, $this->scale->width - $width);

        return $this->ink->rect($x, $y - 13, $width, 17, $this->ink->colour('paper')) . $this->text($x + 3, $y, $words, 'start', 'ink', 13, weight: 600);
    }

    /**
     * The handle at the free end of a timer that ran out; the script moves it, the server plays the new delay.
     *
     * @param array{fromMs: int, durationMs: int, ...} $bar
     */
    private function grip(string $timer, string $label, int $i, array $bar, float $x, float $y): string
    {
        return sprintf(
            '<g class="grip" tabindex="0" role="slider" data-timer="%1$s" data-for="%1$s-%2$d" data-from-ms="%3$d" aria-label="%4$s" aria-valuemin="0" aria-valuemax="31536000" aria-valuenow="%5$s" aria-valuetext="%4$s %6$s">'
            . '<rect class="hit" x="%7$.1f" y="%8$.1f" width="44" height="31"/><path d="M%9$.1f %10$.1fv19"/><rect class="block" x="%11$.1f" y="%12$.1f" width="8" height="12"/></g>',
            $timer,
            $i,
            $bar['fromMs'],
            $this->esc($label),
            $bar['durationMs'] / 1000,
            $this->seconds($bar['durationMs']),
            $x - 22,
            $y - 8,
            $x,
            $y - 2,
            $x - 4,
            $y + 1.5,
        );
    }

    /** The pieces of a script: a steel line from where one begins to where it ends, with a handle at each end. */
    private function drawHandles(float $y, bool $isOfEngine): void
    {
        foreach ($this->handles as $i => $handle) {
            if ($handle->isOfEngine !== $isOfEngine) {
                continue;
            }
            $x = $this->scale->x(min($handle->atMs, $this->tracks->untilMs));
            $end = $handle->lastsMs === null ? null : max($x + 10, $this->scale->x(min($handle->atMs + $handle->lastsMs, $this->tracks->untilMs)));
            $this->grips .= sprintf('<g class="piece" data-piece="%s"><path class="piece-line" d="M%.1f %.1fH%.1f"/>', $handle->field, $x, $y + 6, $end ?? $x)
                . $this->handle($handle, $i, 'at', $x, $y) . ($end === null ? '' : $this->handle($handle, $i, 'lasts', $end, $y)) . '</g>';
        }
    }

    private function handle(StripHandle $handle, int $i, string $what, float $x, float $y): string
    {
        $label = sprintf('%s %d, %s', $handle->label, $i + 1, $what === 'at' ? 'begins at' : 'lasts');
        $ms = $what === 'at' ? $handle->atMs : (int) $handle->lastsMs;

        return sprintf(
            '<g class="handle" tabindex="0" role="slider" data-field="%1$s[%2$s]" data-from-ms="%3$d" aria-label="%4$s" aria-valuemin="0" aria-valuemax="31536000" aria-valuenow="%5$s" aria-valuetext="%4$s %6$s">'
            . '<rect class="hit" x="%7$.1f" y="%8$.1f" width="44" height="40"/><rect class="block" x="%9$.1f" y="%10$.1f" width="8" height="12"/></g>',
            $handle->field,
            $what,
            $what === 'at' ? 0 : $handle->atMs,
            $this->esc($label),
            $ms / 1000,
            $this->seconds($ms),
            $x - ($what === 'at' ? 36 : 8),
            $y - 8,
            $x - ($what === 'at' ? 8 : 0),
            $y,
        );
    }

    private function bracket(float $from, float $to, float $y): string
    {
        return sprintf('<path class="ghost" d="M%1$.1f %2$.1fv3H%3$.1fv-3" fill="none" stroke="%4$s" stroke-width="1.2" stroke-dasharray="3 2"/>', $from, $y, max($to, $from + 1), $this->ink->colour('ink-2'));
    }

    private function rule(float $y): string
    {
        return sprintf('<path d="M0 %1$.1fH%2$.1f" stroke="%3$s"/>', $y, $this->scale->width, $this->ink->colour('hair'));
    }

    private function endLane(float $height, bool $hair = true): void
    {
        $this->y += $height;
        if ($hair) {
            $this->plot .= $this->rule($this->y);
            $this->labels .= sprintf('<path d="M0 %.1fH%d" stroke="%s"/>', $this->y, $this->labelPx, $this->ink->colour('hair'));
        }
    }

    private function rect18(float $x, float $y, string $fill, string $bar): string
    {
        return sprintf('<rect x="%1$.1f" y="%2$.1f" width="16" height="16" fill="%3$s"/><rect x="%4$.1f" y="%5$.1f" width="10" height="3" fill="%6$s"/>', $x + 2, $y, $fill, $x + 5, $y + 6.5, $bar);
    }

    private function text(
        float $x,
        float $y,
        string $words,
        string $anchor,
        string $colour = 'ink',
        int $size = 14,
        bool $hasHalo = false,
        bool $figure = false,
        int $weight = 400,
        string $class = '',
    ): string {
        $halo = $hasHalo ? sprintf(' paint-order="stroke" stroke="%s" stroke-width="4"', $this->ink->colour('paper')) : '';
        if ($hasHalo && $this->ink->isPrint) { // the PDF renderer knows no paint-order: it would draw the halo over the words
            $halo = '';
        }
        $class = trim($class . ($figure ? ' fig' : ''));

        return sprintf('<text x="%.1f" y="%.1f" text-anchor="%s" font-size="%d" font-weight="%s" fill="%s"%s%s>%s</text>', $x, $y, $anchor, $size, $this->ink->weight($weight), $this->ink->colour($colour), $halo, $class === '' ? '' : " class=\"$class\"", $this->esc($words));
    }

    private function seconds(int $ms): string
    {
        return SheetWords::seconds($ms);
    }

    private function shortClock(int $ms): string
    {
        $s = intdiv($ms + 500, 1000);

        return $s < 60 && $ms % 1000 !== 0 ? sprintf("%.0f\u{202F}s", $ms / 1000) : sprintf('%d:%02d', intdiv($s, 60), $s % 60);
    }

    private function esc(string $words): string
    {
        return htmlspecialchars($words, ENT_QUOTES | ENT_XML1);
    }
}
