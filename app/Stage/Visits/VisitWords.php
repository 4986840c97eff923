<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Models\Visit;

/** The words for visits, the same on every page. */
final readonly class VisitWords
{
    /** @var array<string, array{string, string}> why a visit is not placed, and what helps */
    public const UNPLACED = [
        'no-skill' => ['Nobody has the skill', 'Enter it with a person who has it, or take it off the visit.'],
        'no-day' => ['No day fits', 'Widen its days, or plan farther ahead.'],
        'too-long' => ['Too long for one day', 'Split it, or start with somebody nearer.'],
        'lock' => ['It cannot stand where it is locked', 'Unlock it, or choose another day.'],
        'no-room' => ['No room in these days', 'Plan farther ahead, or leave something less urgent.'],
        'no-plan' => ['Nobody works yet', 'Enter who works when, on the calendar.'],
        'nowhere' => ['Its place is not known', 'Enter latitude and longitude on its Schedule page.'],
    ];
    /** @var array<string, string> why a slot cannot be chosen */
    public const REFUSED = [
        'not-in-range' => 'That day is outside of the plan.', 'no-skill' => 'That person does not have the skill it asks.',
        'absent' => 'That person is away on that day.', 'not-working' => 'That person does not work on that day.',
        'too-early' => 'It may not be done before its first day.', 'too-late' => 'It has to be done by its last day.',
        'too-long' => 'With the way there and back it does not fit into that day, or into the hours of the site.',
    ];

    public static function of(Visit $visit): string
    {
        return implode(', ', array_map(self::item(...), $visit->items));
    }

    public static function item(string $item): string
    {
        return preg_match('/^[a-z_]+$/D', $item) === 1 ? str_replace('_', ' ', $item) : $item;
    }
}
