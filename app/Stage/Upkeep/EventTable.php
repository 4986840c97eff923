<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\ColumnMap;
use App\Models\User;
use App\Stage\RecordingUpload;
use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Schedule\Logbook\ControllerEvent;
use Escapement\Core\Schedule\Logbook\EventMeaning;
use Illuminate\Http\Request;

/**
 * The event log of a controller as a table: which column is what, and what its words mean, as just said, as said for the same headings
 * before, or as guessed.
 */
final readonly class EventTable
{
    private const MOST_LINES = 20_000;
    private const MOST_WORDS = 200;
    private const WORD_LETTERS = 120;

    /** @param array<string, EventMeaning> $meanings by the words of the log */
    private function __construct(
        public CsvTable $table,
        public int $time,
        public int $words,
        private array $meanings,
        public bool $isRemembered,
    ) {}

    /** @throws RecordingFault */
    public static function of(RecordingUpload $upload, Request $request): self
    {
        $table = $upload->table();
        $said = $request->input('e');
        $isSaid = is_array($said) && ($said['words'] ?? '') !== '';
        $kept = $isSaid ? null : ColumnMap::query()->where('headings', self::hash($table))->first()?->columns;
        $known = $isSaid ? $said : $kept;
        $place = static fn(mixed $one, int $usual): int => is_numeric($one) && isset($table->headings[(int) $one]) ? (int) $one : $usual;
        $meanings = [];
        foreach (is_array($known['meanings'] ?? null) ? $known['meanings'] : [] as $line) {
            $meaning = is_array($line) && is_string($line['as'] ?? null) ? EventMeaning::tryFrom($line['as']) : null;
            if ($meaning !== null && is_string($line['words'] ?? null)) {
                $meanings[$line['words']] = $meaning;
            }
        }
        $time = $place($known['time'] ?? null, self::guessed($table, '/time|date|when|stamp/i', 0));

        return new self(
            $table,
            $time,
            $place($known['words'] ?? null, self::guessed($table, '/event|message|text|descr|what|alarm/i', $time === 0 ? 1 : 0)),
            $meanings,
            $kept !== null,
        );
    }

    public function meaning(string $words): EventMeaning
    {
        return $this->meanings[$words] ?? EventMeaning::guess($words);
    }

    /**
     * @param iterable<string> $pieces of the file
     *
     * @return array<string, EventMeaning> each of the words in it, in the order in which they come
     *
     * @throws RecordingFault
     */
    public function vocabulary(iterable $pieces, bool $isHead): array
    {
        $found = [];
        try {
            foreach ($this->table->rows($pieces) as $cells) {
                $words = self::clean($cells[$this->words]);
                if ($words !== '' && count($found) < self::MOST_WORDS) {
                    $found[$words] ??= $this->meaning($words);
                }
            }
        } catch (RecordingFault $fault) {
            if (! $isHead) { // the beginning of a file may end within a line
                throw $fault;
            }
        }

        return $found;
    }

    /**
     * @param iterable<string> $pieces  of the file
     * @param int              $offsetS to add to the clock of the controller
     *
     * @return list<ControllerEvent>
     *
     * @throws RecordingFault with the line
     */
    public function events(iterable $pieces, \DateTimeZone $zone, int $offsetS, int $now): array
    {
        $events = [];
        foreach ($this->table->rows($pieces) as $line => $cells) {
            $words = self::clean($cells[$this->words]);
            $meaning = $this->meaning($words);
            if ($meaning === EventMeaning::Nothing) {
                continue;
            }
            $at = self::moment($cells[$this->time], $zone, $line) + $offsetS;
            if ($at > $now + 300) {
                throw RecordingFault::atLine('Log', $line, 'This has not happened yet. Look at the time zone and the clock.');
            }
            if (count($events) >= self::MOST_LINES) {
                throw RecordingFault::atLine('Log', $line, 'More than ' . self::MOST_LINES . ' events: cut the log into parts.');
            }
            $events[] = new ControllerEvent($at, $words, $meaning);
        }

        return $events;
    }

    /** @param iterable<string, EventMeaning> $vocabulary */
    public function remember(User $user, iterable $vocabulary): void
    {
        $meanings = [];
        foreach ($vocabulary as $words => $meaning) {
            $meanings[] = ['words' => (string) $words, 'as' => $meaning->value];
        }
        ColumnMap::query()->updateOrCreate(
            ['company_id' => $user->company_id, 'headings' => self::hash($this->table)],
            ['columns' => ['time' => $this->time, 'words' => $this->words, 'meanings' => $meanings]],
        );
    }

    /** @throws RecordingFault */
    private static function moment(string $cell, \DateTimeZone $zone, int $line): int
    {
        $text = trim(mb_scrub($cell));
        try {
            $at = new \DateTimeImmutable($text, $zone);
        } catch (\Exception) {
            throw RecordingFault::atLine('Log', $line, '"' . mb_substr($text, 0, 30) . '" is no date and time.');
        }
        if (preg_match('/\d{2,4}[-.\/]\d|\d{8}T/', $text) !== 1) {
            throw RecordingFault::atLine('Log', $line, 'An hour without a day. Write 2026-11-26 09:15:00.');
        }

        return $at->getTimestamp();
    }

    private static function guessed(CsvTable $table, string $pattern, int $usual): int
    {
        foreach ($table->headings as $i => $heading) {
            if (preg_match($pattern, $heading) === 1) {
                return $i;
            }
        }

        return $usual;
    }

    private static function clean(string $cell): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/', ' ', mb_scrub($cell))), 0, self::WORD_LETTERS);
    }

    private static function hash(CsvTable $table): string
    {
        return hash('sha256', "events\n" . implode("\n", $table->headings));
    }
}
