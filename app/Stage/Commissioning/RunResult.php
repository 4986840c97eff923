<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Bridge\SwitchFacts;
use App\Models\Mark as MarkRow;
use App\Models\Run;
use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Settings\ExpectedTimes;
use Escapement\Core\Settings\SheetWords;

/** The verdict of the core on what is marked so far, in the words of the page. */
final readonly class RunResult
{
    private const EVENTS = [
        'utility_off' => 'Utility off', 'start_signal' => 'Start signal', 'engine_running' => 'Generator good', 'transferred' => 'Load on G',
        'bait_on' => 'Bait: utility back', 'bait_off' => 'Bait: utility off again', 'utility_on' => 'Utility on', 'retransferred' => 'Load back on U',
        'engine_stopped' => 'Engine stopped',
    ];
    private const INTERVALS = [
        'start_signal' => 'Start signal', 'engine_running' => 'Generator good', 'transfer' => 'Transfer', 'return' => 'Return', 'engine_stop' => 'Engine stop',
    ];

    public TimingVerdictResult $verdict;
    public ExpectedTimes $expected;

    public function __construct(public Run $run)
    {
        $facts = new SwitchFacts($run->switch, $run->plantThen());
        $settings = $facts->settings($run->sheet->settings);
        $this->expected = $facts->expected($settings);
        $this->verdict = (new TimingVerdict($facts->plant, $settings, $run->reaction_ms))->judge(array_values($run->marks->map(
            static fn(MarkRow $mark): Mark => new Mark(MarkEvent::from($mark->event), $mark->at_ms, $mark->id, $mark->is_undone),
        )->all()));
    }

    public static function eventName(string $event): string
    {
        return self::EVENTS[$event] ?? $event;
    }

    public static function intervalName(string $event): string
    {
        return self::INTERVALS[$event] ?? $event;
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

    /**
     * What is signed: the times, and the procedure where one was begun. Needs of the run beside its own: switch.plan, answers.
     *
     * @return 'pass'|'fail'|'incomplete'
     */
    public function whole(): string
    {
        $verdicts = [$this->verdict->verdict, $this->run->answers->isEmpty() ? 'pass' : (new ProcedureFacts($this->run))->progress($this->verdict->runs)->verdict(['clean_up/sign-technician'])];

        return match (true) {
            in_array('fail', $verdicts, true) => 'fail',
            in_array('incomplete', $verdicts, true) => 'incomplete',
            default => 'pass',
        };
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
