<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\UpkeepFacts;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Plant\SelfActing;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;

/** What the record says of the last year, what was written down, and room for more. */
final readonly class LogbookPage
{
    public SiteStanding $standing;
    public UpkeepFacts $facts;
    public UpkeepPage $upkeep;
    public EntryForm $form;
    /** Null where it cannot be reckoned. */
    public ?CalculationResult $summary;
    /** Why nothing can be said of the last year. */
    public ?string $problem;

    /** @var LengthAwarePaginator<int, LogEntry> newest first, struck ones too */
    public LengthAwarePaginator $entries;

    public LogbookState $record;
    private EntryWords $words;

    public function __construct(public TransferSwitch $switch, public string $kind, public EntrySearch $search, Carbon $now)
    {
        $this->upkeep = new UpkeepPage($switch, $now);
        $this->standing = $this->upkeep->standing;
        $this->facts = $this->upkeep->facts;
        $this->words = new EntryWords($switch);
        $this->form = $this->words->form;
        $summary = $problem = null;
        try {
            $summary = $this->facts->summary($now->copy()->subYear());
        } catch (BadInput $bad) {
            $problem = 'What is written cannot be reckoned with: ' . lcfirst($bad->getMessage());
        }
        $this->summary = $summary;
        $this->problem = $problem;
        $this->record = LogbookState::of($switch, $now);
        $this->entries = $search->of($switch->id, $this->words, route('logbook', $switch));
    }

    public function acts(): SelfActing
    {
        return new SelfActing($this->switch->site->installation);
    }

    /** A figure of the summary by its path, as words. */
    public function figure(string $path, int $digits = 0, string $unit = ''): string
    {
        $value = data_get($this->summary?->values, $path);

        return is_int($value) || is_float($value) ? number_format((float) $value, $digits) . ($unit === '' ? '' : " $unit") : 'not known';
    }

    /** @return ?array<string, mixed> */
    public function sinceVisit(): ?array
    {
        $since = $this->summary->values['since_visit'] ?? null;

        return is_array($since) ? $since : null;
    }

    /** What the phone needs to keep an entry without a network, as JSON. */
    public function setup(): string
    {
        return json_encode([
            'run' => "log-{$this->switch->id}", 'user' => Auth::id(), 'sendTo' => route('logbook.batch', $this->switch),
            'picturesTo' => route('logbook', $this->switch),
        ], JSON_THROW_ON_ERROR);
    }

    public function freshId(): string
    {
        return (string) Str::uuid();
    }

    public function nowLocal(): string
    {
        return $this->facts->now->format('Y-m-d\TH:i');
    }

    public function at(LogEntry $entry): string
    {
        return $this->words->at($entry);
    }

    public function day(string $at): string
    {
        return Carbon::parse($at)->setTimezone($this->switch->site->timezone)->format('j M Y');
    }

    /** Whether the settings were left otherwise since the last visit; nothing where nobody read them. */
    public function settingsSince(): string
    {
        return match ($this->sinceVisit()['settings_changed'] ?? null) {
            true => 'The settings were changed.',
            false => 'The settings are the same.',
            default => '',
        };
    }

    /** Which of the entries found stand on this page. */
    public function shownOf(): string
    {
        return "{$this->entries->firstItem()} to {$this->entries->lastItem()} of {$this->entries->total()}";
    }

    public function kindOf(LogEntry $entry): string
    {
        return $this->words->kind($entry);
    }

    /** Who wrote it, and the note. */
    public function maker(LogEntry $entry): string
    {
        return ($entry->source === 'owner' ? 'The owner' : $entry->user->name) . ($entry->note ? ": $entry->note" : '');
    }

    /** What an entry says, in words. */
    public function words(LogEntry $entry): string
    {
        return $this->words->words($entry);
    }
}
