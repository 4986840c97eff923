<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\TypedTime;
use Escapement\Core\Wire\SettingsReader;
use Illuminate\Validation\ValidationException;

/** The settings sheet as a form, in a technician's order. The field of a setting is named by its JSON Pointer. */
final readonly class SheetForm
{
    public function __construct(private Plant $plant) {}

    /** @return array<string, list<SheetField>> by heading */
    public function groups(): array
    {
        $field = static fn(
            string $path,
            string $unit,
            bool $mayBeBlank = false,
        ): SheetField => new SheetField($path, SheetWords::label($path), $unit, $mayBeBlank);
        $hasEngine = $this->plant->engine !== null;
        $isMobile = ! $this->plant->kind->hasStartContact() && $hasEngine;

        return [
            $this->named('Utility') . ' counts as lost' => $this->sensing('normal', $this->plant->normal->isThreePhase()),
            $this->named('Generator') . ' counts as good' => $this->sensing('emergency', $this->plant->emergency->isThreePhase()),
            'Delays' => array_merge(
                $isMobile ? [] : [$field('/start_delay_ms', 's')],
                [$field('/transfer_delay_ms', 's')],
                $isMobile ? [] : [$field('/return_delay_ms', 's'), $field('/cooldown_ms', 's')],
                [$field('/min_run_ms', 's')],
            ),
            'Movement' => [
                $field('/transition', 'choice'),
                $field('/travel_ms', 's'),
                $field('/off_delay_ms', 's'),
                $field('/commit_to_transfer', 'check'),
            ],
            'Load shedding' => [
                $field('/load_shed/limit_kw', 'kW', true),
                $field('/load_shed/first_step_ms', 's', true),
                $field('/load_shed/step_ms', 's', true),
                $field('/load_shed/overload_ms', 's', true), $field('/load_shed/lockout_ms', 's', true),
            ],
        ];
    }

    /**
     * The fields of a group as lines of the sheet: drop-out and pick-up of a limit stand beside each other.
     *
     * @param list<SheetField> $fields
     *
     * @return list<array{label: string, fields: list<SheetField>}>
     */
    public function lines(array $fields): array
    {
        $lines = [];
        foreach ($fields as $i => $field) {
            if (str_ends_with($field->path, '/dropout_pct')) {
                $lines[] = ['label' => $this->named(SheetWords::label(dirname($field->path))), 'fields' => [$field, $fields[$i + 1]]];
            } elseif (! str_ends_with($field->path, '/pickup_pct')) {
                $lines[] = ['label' => $field->label, 'fields' => [$field]];
            }
        }

        return $lines;
    }

    /** @return list<SheetField> */
    public function fields(): array
    {
        return array_merge(...array_values($this->groups()));
    }

    /**
     * What was typed, as a sheet on the wire.
     *
     * @param array<string, mixed> $typed by JSON Pointer
     * @param array<string, mixed> $base  a sheet whose settings that the form does not show are kept (exercise by the controller)
     *
     * @return array<string, mixed>
     *
     * @throws ValidationException with each message at the field it belongs to
     */
    public function settings(array $typed, array $base): array
    {
        $settings = ['exercise' => $base['exercise'] ?? null, 'load_shed' => null];
        $errors = [];
        foreach ($this->fields() as $field) {
            $text = $typed[$field->path] ?? '';
            $text = is_scalar($text) ? trim(str_replace(',', '.', (string) $text)) : 'a list';
            if ($text === '' && $field->unit !== 'check') {
                if (! $field->mayBeBlank) {
                    $errors["f.$field->path"] = "$field->label is needed.";
                }
                continue;
            }
            $value = $this->value($field, $text);
            if ($value === null) {
                $errors["f.$field->path"] = $field->unit === 's'
                    ? "$field->label must be a time, as 300, 5 min or 5:00, down to a thousandth of a second; \""
                        . mb_substr($text, 0, 20) . '" is not.'
                    : "$field->label must be a number, {$field->range()}.";
            } else {
                $settings = $this->put($settings, explode('/', substr($field->path, 1)), $value);
            }
        }
        if ($errors === []) {
            try {
                return (new SettingsReader())->settings(Node::fromArray($settings), $this->plant)->toWire();
            } catch (BadInput $e) {
                $errors['f.' . $this->nearestField($e->path)] = $e->getMessage();
            }
        }

        throw ValidationException::withMessages($errors);
    }

    private function value(SheetField $field, string $text): int|float|string|bool|null
    {
        if ($field->unit === 'check') {
            return $text === '1' || $text === 'on';
        }
        if ($field->unit === 'choice') {
            return $text;
        }
        if ($field->unit === 's') {
            $ms = TypedTime::ms($text);

            return $ms === null || $ms > Node::YEAR_MS ? null : $ms;
        }
        if (preg_match('/^\d{1,12}(\.\d{1,9})?$/D', $text) !== 1) {
            return null;
        }

        return str_contains($text, '.') ? (float) $text : (int) $text;
    }

    /** A pair that is only half filled in is refused at the missing half, which is a field too. */
    private function nearestField(string $path): string
    {
        foreach ($this->fields() as $field) {
            if ($field->path === $path) {
                return $path;
            }
        }
        foreach ($this->fields() as $field) {
            if (str_starts_with($field->path, $path)) {
                return $field->path;
            }
        }

        return $path;
    }

    /**
     * @param array<string, mixed> $settings
     * @param list<string>         $keys
     *
     * @return array<string, mixed>
     */
    private function put(array $settings, array $keys, int|float|string|bool $value): array
    {
        $key = array_shift($keys);
        $inner = $settings[$key] ?? [];
        $settings[$key] = $keys === [] ? $value : $this->put(is_array($inner) ? $inner : [], $keys, $value);

        return $settings;
    }

    /** @return list<SheetField> */
    private function sensing(string $side, bool $isThreePhase): array
    {
        $fields = [];
        $limits = [
            'under_voltage' => false,
            'over_voltage' => true,
            'under_frequency' => true,
            'over_frequency' => true,
        ] + ($isThreePhase ? ['unbalance' => true] : []);
        foreach ($limits as $limit => $mayBeBlank) {
            foreach (['dropout', 'pickup'] as $end) {
                $path = "/sensing/$side/$limit/{$end}_pct";
                $fields[] = new SheetField($path, $this->named(SheetWords::label($path)), '%', $mayBeBlank);
            }
        }
        if ($isThreePhase) {
            $fields[] = new SheetField("/sensing/$side/rotation_check", 'Phase order checked', 'check');
        }
        $path = "/sensing/$side/dropout_delay_ms";
        $fields[] = new SheetField($path, $this->named(SheetWords::label($path)), 's');

        return $fields;
    }

    /** Where two supplies stand side by side there is no generator to speak of. */
    private function named(string $label): string
    {
        return $this->plant->kind === PlantKind::TwoSource ? str_replace(
            ['Utility', 'Generator'],
            ['First supply', 'Second supply'],
            $label,
        ) : $label;
    }
}
