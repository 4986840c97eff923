<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Drawing\Ruler\YearRuler;
use App\Models\SwitchStatus;
use App\Stage\Schools;
use App\Stage\StageRow;
use Escapement\Core\Schedule\Day;
use Illuminate\Support\Carbon;

/** One switch on the board. */
final readonly class BoardLine
{
    private const GLYPHS = ['stop', 'warn', 'note', 'proven'];
    private const SEVERITIES = ['Stop', 'Warn', 'Note', ''];
    private const RULER_PX = 300;

    /** @param null|array{int, int} $storms */
    public function __construct(public SwitchStatus $status, private Carbon $today, private ?array $storms) {}

    public function glyph(): string
    {
        return self::GLYPHS[$this->status->rank];
    }

    public function severity(): string
    {
        return self::SEVERITIES[$this->status->rank];
    }

    /** @return list<StageRow> */
    public function stages(): array
    {
        return KeptTrain::rows($this->status);
    }

    public function ruler(bool $hasMonths): YearRuler
    {
        $marks = $this->status->ruler;
        $next = $this->status->next_test_on;
        $late = $next !== null && $next->lessThan($this->today->copy()->startOfDay()) ? $this->day($next) : null;

        return new YearRuler(
            $this->day($this->today),
            [],
            $marks['done'],
            $marks['tests'],
            $next === null ? [] : [[$this->day($next), 'load test']],
            self::RULER_PX,
            lateFrom: $late,
            storms: $this->storms,
        );
    }

    /** How long until the next load test, in words. */
    public function nextTest(): string
    {
        $next = $this->status->next_test_on;
        if (! $this->status->asks_tests) {
            return '–';
        }
        if ($next === null) {
            return 'due now, never done';
        }
        $days = $this->day($next) - $this->day($this->today);

        return match (true) {
            $days < 0 => -$days . (-$days === 1 ? ' day late' : ' days late'),
            $days === 0 => 'today',
            default => $days . ($days === 1 ? ' day left' : ' days left'),
        };
    }

    public function isLate(): bool
    {
        return $this->status->asks_tests && ($this->status->next_test_on === null
            || $this->status->next_test_on->lessThan($this->today->copy()->startOfDay()));
    }

    /** What kind of run it is, and by which school. */
    public function school(): string
    {
        return $this->status->asks_tests
            ? lcfirst((string) $this->status->next_test_words) . ', ' . lcfirst(Schools::WORDS[$this->status->school ?? ''] ?? '') : '';
    }

    public function provenOn(): string
    {
        return $this->status->proven_on?->format('j M Y') ?? 'never';
    }

    /** The last load test that passed. */
    public function lastTest(): string
    {
        $on = $this->status->last_test_on;

        return $on === null ? '' : $on
            ->format('j M Y') . ($this->status->last_test_words === null ? '' : ", {$this->status->last_test_words}");
    }

    private function day(Carbon $date): int
    {
        return (int) Day::read($date->format('Y-m-d'));
    }
}
