<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\Units;

/** What each kind of entry asks for, and how it is typed on this site. */
final readonly class EntryForm
{
    private const LITRES_A_GALLON = 3.785411784;

    /**
     * @var array<string, array{label: string, fields: array<string, array{label: string, type: string, unit?: string,
     *     choices?: array<string, string>}>}>
     */
    private const KINDS = [
        'hours' => ['label' => 'Hour meter', 'fields' => [
            'hours' => ['label' => 'Hours on the meter', 'type' => 'number', 'unit' => 'h'],
            'new_meter_h' => ['label' => 'New meter began with', 'type' => 'number', 'unit' => 'h'],
        ]],
        'exercise' => ['label' => 'Exercise', 'fields' => [
            'done' => ['label' => 'It', 'type' => 'choice', 'choices' => ['yes' => 'ran', 'no' => 'did not run']],
            'run_min' => ['label' => 'For', 'type' => 'number', 'unit' => 'min'],
            'kw' => ['label' => 'With', 'type' => 'number', 'unit' => 'kW'],
        ]],
        'outage' => ['label' => 'Outage', 'fields' => [
            'end' => ['label' => 'Until', 'type' => 'time'],
            'started' => ['label' => 'The engine', 'type' => 'choice', 'choices' => ['yes' => 'started', 'no' => 'did not start']],
            'transfer_s' => ['label' => 'Dark until the load was on', 'type' => 'number', 'unit' => 's'],
            'return_dark_s' => ['label' => 'Dark on the way back', 'type' => 'number', 'unit' => 's'],
            'kw' => ['label' => 'Load', 'type' => 'number', 'unit' => 'kW'],
        ]],
        'alarm' => ['label' => 'Alarm', 'fields' => [
            'code' => ['label' => 'What it said', 'type' => 'text'],
            'cleared' => ['label' => 'Cleared at', 'type' => 'time'],
        ]],
        'fuel_fill' => ['label' => 'Fuel filled', 'fields' => ['amount' => ['label' => 'Amount', 'type' => 'number', 'unit' => 'fuel']]],
        'fuel_level' => ['label' => 'Fuel level', 'fields' => [
            'amount' => ['label' => 'In the tank', 'type' => 'number', 'unit' => 'fuel'],
        ]],
        'battery' => ['label' => 'Battery', 'fields' => [
            'v' => ['label' => 'Voltage', 'type' => 'number', 'unit' => 'V'],
            'state' => ['label' => 'While', 'type' => 'choice', 'choices' => [
                'rest' => 'rested, charger off', 'crank' => 'cranking', 'charging' => 'charging',
            ]],
        ]],
        'witness' => ['label' => 'Witness mark', 'fields' => [
            'terminal' => ['label' => 'Terminal', 'type' => 'text'],
            'moved' => ['label' => 'The mark', 'type' => 'choice', 'choices' => ['no' => 'is in line', 'yes' => 'has moved']],
        ]],
        'settings' => ['label' => 'Settings', 'fields' => [
            'when' => ['label' => 'They were', 'type' => 'choice', 'choices' => ['found' => 'found so', 'left' => 'left so']],
            'hash' => ['label' => 'Version', 'type' => 'text'],
        ]],
        'visit' => ['label' => 'Visit', 'fields' => [
            'until' => ['label' => 'Until', 'type' => 'time'],
            'by' => ['label' => 'By', 'type' => 'text'],
        ]],
    ];

    public function __construct(private Units $units, private string $timezone, private bool $isNaturalGas) {}

    /** @return array<string, string> */
    public static function kinds(): array
    {
        return array_map(static fn(array $one): string => $one['label'], self::KINDS) + ['service' => 'Service', 'test' => 'Load test'];
    }

    /** @return array<string, array{label: string, type: string, unit?: string, choices?: array<string, string>}> by name */
    public function fields(string $kind): array
    {
        return array_map(function (array $field): array {
            if (($field['unit'] ?? '') === 'fuel') {
                $field['unit'] = $this->isNaturalGas ? 'm³' : $this->units->volume();
            }

            return $field;
        }, self::KINDS[$kind]['fields'] ?? []);
    }

    /**
     * @param array<string, string> $typed
     *
     * @return array<string, mixed> as `logbook_summary` reads them; what is empty is left out, what is no figure stays as typed
     */
    public function wire(string $kind, array $typed): array
    {
        $wire = [];
        foreach (self::KINDS[$kind]['fields'] ?? [] as $name => $field) {
            $text = trim($typed[$name] ?? '');
            if ($text === '') {
                continue;
            }
            $wire[$name] = match (true) {
                $field['type'] === 'time' => $this->instant($text),
                $field['type'] === 'number' => $this->figure($text, $field['unit'] ?? ''),
                in_array($name, ['done', 'started', 'moved'], true) => $text === 'yes',
                default => $text,
            };
        }

        return $wire;
    }

    public function instant(string $local): string
    {
        $at = \DateTimeImmutable::createFromFormat('!Y-m-d\TH:i', $local, new \DateTimeZone($this->timezone));

        return $at === false ? $local : $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    private function figure(string $text, string $unit): float|string
    {
        $text = str_replace(',', '.', $text);
        if (! is_numeric($text)) {
            return $text;
        }
        $isGallons = $unit === 'fuel' && ! $this->isNaturalGas && $this->units->system === 'us';

        return (float) $text * ($isGallons ? self::LITRES_A_GALLON : 1);
    }
}
