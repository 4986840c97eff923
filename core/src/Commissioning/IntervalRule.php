<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\SettingsCheck\Window;

/**
 * One timed interval of a test method: from which mark to which, the window it is judged by, and what it is called when it does
 * not fit. Rule: docs/rules.md#stopwatch.
 */
final readonly class IntervalRule
{
    /**
     * @param string          $event     the interval's name
     * @param ?MarkEvent      $orFrom    counted from instead where $from was never marked in the run
     * @param ?Window         $orWindow  the window then
     * @param ?MarkEvent      $after     the first $from after this mark counts, where there is one
     * @param ?string         $notCome   when its event never came
     * @param list<MarkEvent> $shownBy   marks that prove that it happened although its own mark is missing
     */
    public function __construct(
        public string $event,
        public MarkEvent $from,
        public MarkEvent $to,
        public Window $window,
        public string $early,
        public string $late,
        public ?string $notCome = null,
        public array $shownBy = [],
        public ?MarkEvent $orFrom = null,
        public ?Window $orWindow = null,
        public ?MarkEvent $after = null,
    ) {}

    /**
     * The mark it counts from in a run, and the window it is judged by then.
     *
     * @param list<Mark> $run in the order in which they happened
     *
     * @return array{MarkEvent, ?int, Window} the event, its place in the run, the window
     */
    public function start(array $run): array
    {
        if ($this->orFrom !== null && self::find($run, $this->from) === null) {
            return [$this->orFrom, self::find($run, $this->orFrom), $this->orWindow ?? $this->window];
        }
        $after = $this->after === null ? null : self::find($run, $this->after);

        return [$this->from, self::find($run, $this->from, $after === null ? 0 : $after + 1), $this->window];
    }

    /**
     * The mark it ends with: the first after its start, or the first at all where its start is missing.
     *
     * @param list<Mark> $run
     */
    public function end(array $run, ?int $startPlace): ?int
    {
        return self::find($run, $this->to, $startPlace === null ? 0 : $startPlace + 1);
    }

    /** @param list<Mark> $run */
    public static function find(array $run, MarkEvent $event, int $fromPlace = 0): ?int
    {
        for ($place = $fromPlace; $place < count($run); $place++) {
            if ($run[$place]->event === $event) {
                return $place;
            }
        }

        return null;
    }

    /** @return array<string, mixed> what the phone needs to show the same interval */
    public function toArray(): array
    {
        $from = [['event' => $this->from->value, 'window' => self::times($this->window)]];
        if ($this->orFrom !== null) {
            $from[] = ['event' => $this->orFrom->value, 'window' => self::times($this->orWindow ?? $this->window)];
        }

        return ['event' => $this->event, 'from' => $from, 'after' => $this->after?->value];
    }

    /** @return array{?int, ?int, ?int} least, nominal, most in ms */
    private static function times(Window $window): array
    {
        return [$window->minMs, $window->nominalMs, $window->maxMs];
    }
}
