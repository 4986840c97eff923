<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use Illuminate\Support\Str;

/** An answer as a form brings it: everything is text, and what is not filled in is not there. */
final readonly class TypedAnswer
{
    private const MOST = 600;
    private const MOST_DRAWN = 20_000;

    /** @var array<string, string> what was typed, by field */
    public array $typed;

    /** @param array<mixed> $fields id, step, so, value, choice, note, name, drawing, skip */
    public function __construct(array $fields)
    {
        $typed = [];
        foreach (['id', 'step', 'so', 'value', 'choice', 'note', 'name', 'drawing', 'skip'] as $key) {
            $text = is_scalar($fields[$key] ?? null) ? mb_substr(
                trim((string) $fields[$key]),
                0,
                $key === 'drawing' ? self::MOST_DRAWN : self::MOST,
            ) : '';
            if ($text !== '') {
                $typed[$key] = $text;
            }
        }
        $this->typed = $typed;
    }

    public function isEmpty(): bool
    {
        return array_diff_key($this->typed, ['id' => true, 'step' => true, 'name' => true]) === [];
    }

    /** @return array<string, mixed> as KeepAnswers takes it */
    public function answer(): array
    {
        $value = str_replace(',', '.', $this->typed['value'] ?? '');

        return [
            'id' => Str::isUuid($this->typed['id'] ?? null) ? $this->typed['id'] : (string) Str::uuid(),
            'step' => $this->typed['step'] ?? '',
            'client_wall' => now()->toIso8601ZuluString('millisecond'),
        ] + (isset($this->typed['so']) ? ['so' => $this->typed['so'] === '1'] : [])
          + ($value === '' ? [] : ['value' => is_numeric($value) ? (float) $value : $value])
          + array_intersect_key($this->typed, array_flip(['choice', 'note', 'name', 'drawing']))
          + (($this->typed['skip'] ?? '') === '1' ? ['skip_reason' => $this->typed['note'] ?? ''] : []);
    }
}
