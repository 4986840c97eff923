<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\CheckReader;
use Illuminate\Validation\ValidationException;

/** What is agreed with the people on site: when it may run by itself, and how often it is load-tested. */
final readonly class HabitsRequest
{
    /**
     * @param array<string, mixed> $typed day, time, every, for_min, with_load, load_tests_per_year
     * @param array<string, mixed> $base  the habits so far: what the form does not show is kept
     *
     * @return array<string, mixed> `site` of the settings check
     *
     * @throws ValidationException
     */
    public function habits(array $typed, array $base): array
    {
        $text = static fn(string $key): string => is_scalar($typed[$key] ?? '') ? trim((string) ($typed[$key] ?? '')) : '';
        $number = static fn(string $key): int|string => ctype_digit($text($key)) ? (int) $text($key) : $text($key);
        $habits = array_intersect_key($base, ['timezone' => true, 'quiet_hours' => true, 'fuel' => true]);
        $habits += ['load_tests_per_year' => $text('load_tests_per_year') === '' ? 0 : $number('load_tests_per_year')];
        if ($text('day') !== '') {
            $habits['exercise'] = [
                'day' => $text('day'), 'time' => $text('time'), 'every' => $text('every') === '' ? 'weekly' : $number('every'),
                'for_min' => $number('for_min'), 'with_load' => $text('with_load') === '1',
            ];
        }
        try {
            (new CheckReader())->site(Node::fromArray($habits));
        } catch (BadInput $e) {
            $parts = explode('/', $e->path);
            throw ValidationException::withMessages(['h.' . $parts[count($parts) - 1] => $e->getMessage()]);
        }

        return $habits;
    }
}
