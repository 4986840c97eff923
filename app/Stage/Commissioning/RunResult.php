<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\CircuitFacts;
use App\Bridge\ProofFromRuns;
use App\Bridge\SwitchFacts;
use App\Models\Mark as MarkRow;
use App\Models\Run;
use Escapement\Core\Commissioning\CrankReading;
use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\PanelTime;
use Escapement\Core\Commissioning\PanelTimes;
use Escapement\Core\Commissioning\Proof\RunParts;
use Escapement\Core\Commissioning\Repeats;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\SettingsCheck\ExpectedTimes;

/** The verdict of the core on what is marked so far, in the words of the page. */
final readonly class RunResult
{
    private const EVENTS = [
        'utility_off' => 'Utility off',
        'test_on' => 'Test begun',
        'start_signal' => 'Start signal',
        'engine_running' => 'Generator good',
        'transferred' => 'Load on G',
        'bait_on' => 'Bait: utility back',
        'bait_off' => 'Bait: utility off again',
        'utility_on' => 'Utility on',
        'test_off' => 'Test ended',
        'retransferred' => 'Load back on U',
        'engine_stopped' => 'Engine stopped',
    ];
    /** Two supplies, and no generator among them. */
    private const EVENTS_OF_TWO = [
        'utility_off' => 'First supply off', 'transferred' => 'Load on the second', 'bait_on' => 'Bait: first supply back',
        'bait_off' => 'Bait: first supply off again',
        'utility_on' => 'First supply on', 'retransferred' => 'Load back on the first',
    ];
    private const INTERVALS = [
        'start_signal' => 'Start signal',
        'engine_running' => 'Generator good',
        'transfer' => 'Transfer',
        'return' => 'Return',
        'engine_stop' => 'Engine stop',
    ];

    public TimingVerdict $judge;
    public TimingVerdictResult $verdict;
    public ExpectedTimes $expected;
    private ?Engine $engine;
    private ?PanelTimes $panel;

    public function __construct(public Run $run)
    {
        $facts = new SwitchFacts($run->switch, $run->plantThen());
        $settings = $facts->settings($run->sheet->settings);
        $this->judge = new TimingVerdict($facts->plant, $settings, $run->reaction_ms);
        $this->expected = $this->judge->expected;
        $this->engine = $facts->plant->engine;
        $panel = $run->work['panel'] ?? null;
        $this->panel = is_array($panel) ? new PanelTimes(CircuitFacts::builtOf($panel), $run->reaction_ms) : null;
        $this->verdict = $this->judge->judge(array_values($run->marks->map(
            static fn(MarkRow $mark): Mark => new Mark(MarkEvent::from($mark->event), $mark->at_ms, $mark->id, $mark->is_undone),
        )->all()));
    }

    public static function eventName(string $event, string $kind = ''): string
    {
        return ($kind === PlantKind::TwoSource->value ? self::EVENTS_OF_TWO[$event] ?? null : null) ?? self::EVENTS[$event] ?? $event;
    }

    /** The timed runs that a finding is about. */
    public function about(Finding $finding): string
    {
        return implode(', ', array_map($this->title(...), array_filter($finding->subjects, is_int(...))));
    }

    /** @return list<MarkEvent> that mean something on this kind of plant */
    public static function events(string $kind): array
    {
        return array_values(array_filter(
            MarkEvent::cases(),
            static fn(MarkEvent $event): bool => $event->countsOn(PlantKind::from($kind)),
        ));
    }

    /** @return list<array{name: string, repeats: Repeats}> of what was timed more than once */
    public function repeats(): array
    {
        $measured = [];
        foreach ($this->verdict->runs as $run) {
            foreach ($run->intervals as $interval) {
                if ($interval->measuredMs !== null) {
                    $measured[self::intervalName($interval->event) . ($run->isByButton ? ', by the button' : '')][] = $interval->measuredMs;
                }
            }
        }
        $repeats = [];
        foreach (array_filter($measured, static fn(array $times): bool => count($times) > 1) as $name => $times) {
            $repeats[] = ['name' => $name, 'repeats' => new Repeats($times)];
        }

        return $repeats;
    }

    public static function intervalName(string $event): string
    {
        return self::INTERVALS[$event] ?? $event;
    }

    /** What stands above the table of one timed run: which outage or test it was. */
    public function title(int $i): string
    {
        $isAlike = fn(TimedRun $other): bool => $other->isByButton === $this->verdict->runs[$i]->isByButton;
        $name = match (true) {
            $this->verdict->runs[$i]->isByButton => 'Test by the button',
            $this->run->switch->plant['kind'] === PlantKind::Mobile->value => 'Start',
            default => 'Outage',
        };
        $isOneOfMany = count(array_filter($this->verdict->runs, $isAlike)) > 1;

        return $name . ($isOneOfMany ? ' ' . count(array_filter(array_slice($this->verdict->runs, 0, $i + 1), $isAlike)) : '');
    }

    /** What a late start tells although it is inside its window; null where there is nothing to tell. */
    public function crank(Interval $interval): ?CrankReading
    {
        return CrankReading::of($this->engine, $interval);
    }

    /** What the circuit as built says against a measured time; null where it agrees, or no circuit is kept. */
    public function againstCircuit(Interval $interval): ?PanelTime
    {
        $time = $this->panel?->of($interval);

        return $time?->agrees === false ? $time : null;
    }

    /** Whether a circuit is kept that gives just what was measured. */
    public function isAsBuilt(TimedRun $timed): bool
    {
        return ! $timed->isByButton && $this->panel?->agrees($timed) === true;
    }

    public static function seconds(?int $ms): string
    {
        return $ms === null ? 'not known' : SheetWords::seconds($ms);
    }

    public static function window(Interval $interval): string
    {
        return $interval->window->minMs === null || $interval->window->maxMs === null ? 'should not come'
            : self::tenths($interval->window->minMs) . ' to ' . self::tenths($interval->window->maxMs);
    }

    /** A thumb knows no thousandths: windows are read to the tenth, and judged to the millisecond. */
    public static function tenths(int $ms): string
    {
        return SheetWords::seconds(intdiv($ms + 50, 100) * 100);
    }

    /** What the run proves, leaves open and fails. Needs of the run beside its own: switch.site, switch.loads, switch.plan, answers. */
    public function parts(bool $isDeclaredReady = false): RunParts
    {
        return ProofFromRuns::parts($this->run, $this->verdict, $isDeclaredReady);
    }

    public function headline(): string
    {
        $isSigned = $this->run->isSigned();

        return match ($this->verdict->verdict) {
            'pass' => 'Every time is inside its window.',
            'fail' => $isSigned ? 'This run does not pass.' : 'If the run ended here, it would not pass.',
            default => match (true) {
                $this->verdict->runs === [] => 'Nothing is marked yet.',
                $isSigned => 'This run is not complete.',
                default => 'If the run ended here, it would not be complete.',
            },
        };
    }

    /** @return 'proven'|'stop'|'note' */
    public function mark(): string
    {
        return match ($this->verdict->verdict) {
            'pass' => 'proven',
            'fail' => $this->run->isSigned() ? 'stop' : 'note',
            default => 'note',
        };
    }
}
