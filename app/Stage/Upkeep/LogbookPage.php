<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\Units;
use App\Bridge\UpkeepFacts;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Schedule\Logbook\LogbookSummary;
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
    public CalculationResult $summary;

    /** @var LengthAwarePaginator<int, LogEntry> newest first, struck ones too */
    public LengthAwarePaginator $entries;

    public LogbookExport $record;

    public function __construct(public TransferSwitch $switch, public string $kind, public EntrySearch $search, Carbon $now)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->upkeep = new UpkeepPage($switch, $now);
        $this->facts = $this->upkeep->facts;
        $this->form = new EntryForm(new Units($switch->site->units), $switch->site->timezone, $switch->fuel?->value === 'natural_gas');
        $this->summary = (new LogbookSummary())->of($this->facts->logbook($now->copy()->subYear()));
        $entries = LogEntry::of($switch->id);
        $this->record = new LogbookExport($switch, $entries);
        $this->entries = $search->of(array_reverse($entries), $this->text(...), route('logbook', $switch));
    }

    public function acts(): SelfActing
    {
        return new SelfActing($this->switch->site->installation);
    }

    /** A figure of the summary by its path, as words. */
    public function figure(string $path, int $digits = 0, string $unit = ''): string
    {
        $value = data_get($this->summary->values, $path);

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
        return $entry->at->copy()->setTimezone($this->switch->site->timezone)->format('j M Y H:i');
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
        return EntryForm::kinds()[$entry->kind] ?? $entry->kind;
    }

    /** Who wrote it, and the note. */
    public function maker(LogEntry $entry): string
    {
        return ($entry->source === 'owner' ? 'The owner' : $entry->user->name) . ($entry->note ? ": $entry->note" : '');
    }

    /** All that an entry shows: what a search looks in. */
    private function text(LogEntry $entry): string
    {
        $struck = $entry->struck_why === null ? '' : "struck out: $entry->struck_why";

        return implode(' ', [$this->at($entry), $this->kindOf($entry), $this->words($entry), $this->maker($entry), $struck]);
    }

    /** What an entry says, in words. */
    public function words(LogEntry $entry): string
    {
        $fields = $this->form->fields($entry->kind);
        $words = [];
        foreach ($entry->fields as $name => $value) {
            $field = $fields[$name] ?? ['label' => ucfirst($name)];
            $unit = $field['unit'] ?? '';
            $words[] = match (true) {
                $name === 'items' && is_array($value) => implode(', ', array_map(
                    static fn(mixed $one): string => UpkeepPage::item(is_string($one) ? $one : ''),
                    $value,
                )),
                isset($field['choices']) => lcfirst($field['label']) . ' ' . ($field['choices'][is_bool($value)
                    ? ($value ? 'yes' : 'no')
                    : (is_scalar($value) ? (string) $value : '')] ?? ''),
                ($field['type'] ?? '') === 'time' && is_string($value) => lcfirst($field['label']) . ' '
                    . Carbon::parse($value)->setTimezone($this->switch->site->timezone)->format('j M H:i'),
                is_numeric($value) => lcfirst($field['label']) . ' ' . $this->shown((float) $value, $unit),
                default => is_scalar($value) ? (string) $value : '',
            };
        }

        return implode(', ', $words);
    }

    private function shown(float $value, string $unit): string
    {
        $isGallons = $unit === 'gal';

        return +round($isGallons ? $value / 3.785411784 : $value, 2) . ($unit === '' ? '' : " $unit");
    }
}
