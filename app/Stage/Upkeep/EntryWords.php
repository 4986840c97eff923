<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\Units;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use Illuminate\Support\Carbon;

/** A line of the logbook in words, by the clock and the units of its site. */
final readonly class EntryWords
{
    private const LITRES_A_GALLON = 3.785411784;

    public EntryForm $form;
    private string $timezone;
    private string $units;

    /** Needs of the switch: site. */
    public function __construct(private TransferSwitch $switch)
    {
        $this->timezone = $switch->site->timezone;
        $this->units = $switch->site->units;
        $this->form = new EntryForm(new Units($this->units), $this->timezone, $switch->fuel?->value === 'natural_gas');
    }

    /** What the words depend on beside the line itself. */
    public function manner(): string
    {
        return "2 $this->timezone $this->units " . ($this->switch->fuel->value ?? '');
    }

    public function at(LogEntry $entry): string
    {
        return $entry->at->copy()->setTimezone($this->timezone)->format('j M Y H:i');
    }

    public function kind(LogEntry $entry): string
    {
        return EntryForm::kinds()[$entry->kind] ?? $entry->kind;
    }

    /** All that an entry shows but the name of who wrote it: what a search looks in. */
    public function all(LogEntry $entry): string
    {
        return implode(' ', [
            $this->at($entry), $this->kind($entry), $this->words($entry), $entry->source === 'owner' ? 'The owner' : '', $entry->note,
            $entry->struck_why === null ? '' : "struck out: $entry->struck_why",
        ]);
    }

    /** What an entry says. */
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
                    . Carbon::parse($value)->setTimezone($this->timezone)->format('j M H:i'),
                is_numeric($value) => lcfirst($field['label']) . ' ' . $this->shown((float) $value, $unit),
                default => is_scalar($value) ? (string) $value : '',
            };
        }

        return implode(', ', $words);
    }

    private function shown(float $value, string $unit): string
    {
        return +round($unit === 'gal' ? $value / self::LITRES_A_GALLON : $value, 2) . ($unit === '' ? '' : " $unit");
    }
}
