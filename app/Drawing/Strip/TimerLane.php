<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use App\Drawing\Pen;
use Escapement\Core\Simulation\Controller\TimerCut;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\TimerSpan;

/** A timer: full bars where it ran out, open ones where it was cut, and how it ran in the run before. */
final readonly class TimerLane implements StripLane
{
    private const CUT_END_PX = 32;

    /**
     * @param list<TimerSpan> $bars
     * @param list<TimerSpan> $before of the run before
     */
    public function __construct(private TimerName $timer, private array $bars, private array $before) {}

    public function draw(StripCanvas $canvas): void
    {
        $y = $canvas->y + 5;
        foreach ($this->bars as $i => $bar) {
            $bar->cut === null ? $this->drawWhole($canvas, $i, $bar, $y) : $this->drawCut($canvas, $i, $bar, $bar->cut, $y);
        }
        $was = $this->drawBefore($canvas, $y);
        $last = $this->bars[count($this->bars) - 1] ?? null;
        $isChanged = $was !== null && $was !== $last?->durationMs;
        $canvas->name(17, $this->timer->label());
        if ($last !== null) {
            $canvas->note(17, StripCanvas::seconds($last->durationMs), $isChanged ? 'steel' : 'ink', isFigure: true);
        }
        if ($isChanged && $last !== null) {
            $said = $last->hasRunOut() ? Pen::widthPx($this->ranOut()) + 12 : 0;
            $x = min($canvas->x($last->toMs) + 12 + $said, $canvas->scale->width - 90);
            $canvas->say($x, $y + 12, 'was ' . StripCanvas::seconds($was), 'steel', 600);
        }
        $canvas->endLane(27, hasRule: false);
    }

    private function drawWhole(StripCanvas $canvas, int $i, TimerSpan $bar, float $y): void
    {
        $x = $canvas->x($bar->fromMs);
        $width = max(3.4, $canvas->x($bar->toMs) - $x);
        $canvas->plot .= sprintf(
            '<rect x="%.1f" y="%.1f" width="%.1f" height="15" fill="%s" stroke="%s" data-bar="%s-%d"/>',
            $x,
            $y,
            $width,
            $canvas->ink()->colour('steel-tint'),
            $canvas->ink()->colour('ink'),
            $this->timer->value,
            $i,
        );
        if ($bar->hasRunOut() && $canvas->hasGrips) {
            $canvas->grips .= $this->grip($i, $bar, $x + $width, $y);
        }
        $canvas->words .= $this->beside($canvas, $x, $x + $width + 8, $y + 12, $bar->isOpen ? 'still running' : $this->ranOut(), $i);
    }

    private function drawCut(StripCanvas $canvas, int $i, TimerSpan $bar, TimerCut $cut, float $y): void
    {
        $x = $canvas->x($bar->fromMs);
        $end = $canvas->x($bar->toMs);
        $foot = $y + 15;
        $canvas->plot .= $canvas->pen->path(sprintf('M%1$.1f %2$.1fH%3$.1fM%1$.1f %2$.1fV%4$.1fH%3$.1f', $x, $y, $end, $foot), 'ink')
            . $canvas->pen->path(sprintf('M%.1f %.1fl3 3l-6 3l6 3l-6 3l3 3', $end, $y), 'stop', 1.8)
            . $canvas->pen->path(
                sprintf('M%1$.1f %2$.1fh26M%1$.1f %3$.1fh26', $end + 3, $y, $foot),
                'edge',
                more: 'stroke-dasharray="3 3"',
            );
        $words = sprintf('cut at %s: %s', StripCanvas::seconds($bar->toMs - $bar->fromMs), self::cutWords($cut));
        $canvas->words .= $this->beside($canvas, $x, $end + self::CUT_END_PX, $y + 12, $words, $i, 'stop', 600);
    }

    /** @return ?int the duration in the run before, null where nothing differs */
    private function drawBefore(StripCanvas $canvas, float $y): ?int
    {
        $was = null;
        foreach ($this->before as $bar) {
            if (! in_array($bar, $this->bars, false) && $bar->fromMs <= $canvas->untilMs) {
                $canvas->bracket($bar->fromMs, min($bar->toMs, $canvas->untilMs), $y + 18);
                $was = $bar->durationMs;
            }
        }

        return $was;
    }

    /** To the right of a bar where the words fit, else to its left, never over another bar; else left out: the list says the same. */
    private function beside(
        StripCanvas $canvas,
        float $left,
        float $right,
        float $y,
        string $words,
        int $i,
        string $colour = 'ink',
        int $weight = 400,
    ): string {
        $width = Pen::widthPx($words);
        $next = $this->bars[$i + 1] ?? null;
        $before = $this->bars[$i - 1] ?? null;
        $until = $next === null ? $canvas->scale->width : $canvas->x($next->fromMs);
        $from = $before === null ? 0.0 : $canvas->x($before->toMs) + ($before->cut === null ? 8 : self::CUT_END_PX);

        return match (true) {
            $right + $width <= $until => $canvas->pen->text($right, $y, $words, 'start', $colour, 13, true, weight: $weight),
            $left - 8 - $width >= $from => $canvas->pen->text($left - 8, $y, $words, 'end', $colour, 13, true, weight: $weight),
            default => '',
        };
    }

    /** The handle at the free end of a timer that ran out; the script moves it, the server plays the new delay. */
    private function grip(int $i, TimerSpan $bar, float $x, float $y): string
    {
        return sprintf(
            '<g class="grip" tabindex="0" role="slider" data-timer="%1$s" data-for="%1$s-%2$d" data-from-ms="%3$d" aria-label="%4$s"'
            . ' aria-valuemin="0" aria-valuemax="31536000" aria-valuenow="%5$s" aria-valuetext="%4$s %6$s">'
            . '<rect class="hit" x="%7$.1f" y="%8$.1f" width="44" height="31"/><path d="M%9$.1f %10$.1fv19"/>'
            . '<rect class="block" x="%11$.1f" y="%12$.1f" width="8" height="12"/></g>',
            $this->timer->value,
            $i,
            $bar->fromMs,
            Pen::escaped($this->timer->label()),
            $bar->durationMs / 1000,
            StripCanvas::seconds($bar->durationMs),
            $x - 22,
            $y - 8,
            $x,
            $y - 2,
            $x - 4,
            $y + 1.5,
        );
    }

    private function ranOut(): string
    {
        return match ($this->timer) {
            TimerName::StartDelay => 'ran out, start contact closes',
            TimerName::TransferDelay => 'ran out, switch moves',
            TimerName::ReturnDelay => 'ran out, load goes back',
            TimerName::Cooldown => 'ran out, engine stops',
        };
    }

    private static function cutWords(TimerCut $cut): string
    {
        return match ($cut) {
            TimerCut::NormalReturned => 'utility is back',
            TimerCut::NormalLost => 'utility lost again',
            TimerCut::EmergencyLost => 'generator lost',
            TimerCut::Selector => 'selector off',
            TimerCut::Test => 'test begins',
            TimerCut::EngineGone => 'engine stopped',
            TimerCut::NoReasonToTransfer => 'no reason left',
        };
    }
}
