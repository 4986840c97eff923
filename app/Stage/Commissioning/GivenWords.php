<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use Escapement\Core\Commissioning\Procedure\Step;

/** What was answered, in words: the figure with its unit, the choice, the name; then the note. */
final readonly class GivenWords
{
    /** @param array<string, mixed> $given as a StepAnswer keeps it */
    public static function of(array $given, Step $step): string
    {
        $text = static fn(string $key): string => is_scalar($given[$key] ?? null) && ! is_bool($given[$key]) ? (string) $given[$key] : '';
        $words = match (true) {
            isset($given['value']) => trim("{$text('value')} {$step->band?->unit}") . (($given['so'] ?? null) === true ? ', marked' : ''),
            isset($given['choice']) => $step->choices[$text('choice')] ?? $text('choice'),
            isset($given['skip_reason']) => "left out: {$text('skip_reason')}",
            isset($given['name']) && ($given['so'] ?? null) === true => "signed by {$text('name')}",
            ($given['so'] ?? null) === true => 'as expected',
            ($given['so'] ?? null) === false => 'does not match',
            default => '',
        };
        $note = $text('note') === $text('skip_reason') ? '' : $text('note');

        return $words === '' || $note === '' ? $words . $note : "$words. $note";
    }
}
