<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Clash\ClashGroup;
use Escapement\Core\Schedule\Clash\ClashInput;
use Escapement\Core\Schedule\Clash\ClashPerson;
use Escapement\Core\Schedule\Clash\ClashSwitch;
use Escapement\Core\Schedule\Clash\ExerciseClashes;
use Escapement\Core\Schedule\Clash\PlacedRun;
use Escapement\Core\Schedule\Clash\Spans;
use Escapement\Core\Schedule\Clash\WeeklyHours;
use Escapement\Core\Schedule\SwitchCalendar;
use Escapement\Core\Schedule\SwitchExercise;
use Escapement\Core\Schedule\Zone;
use Escapement\Core\Wire\InputReader;

/** `exercise_clashes` on the wire. Rule: docs/rules.md#exercise-clashes. */
final class ExerciseClashesReader implements InputReader
{
    private const KEYS = ['from', 'to', 'people', 'groups', 'switches', 'blocks', 'search'];
    private const SWITCH = ['id', 'zone', 'exercise', 'person', 'group', 'quiet_hours', 'sleep_hours', 'business_hours'];
    private const MOST_DAYS = 92;
    private const MOST_RUNS = 2000;

    private ExerciseReader $exercises;

    public function __construct()
    {
        $this->exercises = new ExerciseReader();
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new ExerciseClashes($this->input($node)))->result()->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): ClashInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $from = ScheduleFields::day($in, 'from');
        $to = ScheduleFields::day($in, 'to');
        $people = array_column($in->each('people', 0, 50, self::person(...)), null, 'id');
        $groups = array_column($in->each('groups', 0, 50, self::group(...)), null, 'id');
        $switches = $in->each('switches', 1, 60, fn(Fields $one): array => $this->switch($one, $people, $groups), isOptional: false);
        $blocks = $in->each('blocks', 0, 100, self::block(...));
        $search = $in->maybeObject('search')?->only(['step_min', 'days']);
        $stepMin = $search?->int('step_min', 5, 240, 15) ?? 15;
        $days = $search?->int('days', 0, 14, 7) ?? 7;
        if ($to < $from || $to > $from + self::MOST_DAYS) {
            throw $in->at('to')->bad('The last day is not before the first, and ' . self::MOST_DAYS . ' days after it at most.');
        }
        foreach (array_values($people) as $i => $person) {
            foreach ($person['absences'] as $j => [$first, $last]) {
                if ($last < $first) {
                    throw $in->at('people')->at($i, null)->at('absences', null)->at($j, null)->at('to', null)
                        ->bad('An absence does not end before it begins.');
                }
            }
        }
        $this->exercises->check();
        self::judgeBlocks($in, $blocks, array_column($switches, 'id'));
        $runs = self::runs($switches, $from, $to);
        if (count($runs) > self::MOST_RUNS) {
            throw $in->at('to')->bad('That is more than ' . self::MOST_RUNS . ' exercises.');
        }

        return new ClashInput(self::built($switches, $people, $groups, $blocks, $from, $to), $runs, $stepMin, $days);
    }

    /** @return array{id: string, zone: Zone, hours: WeeklyHours, absences: list<array{int, int}>, between: int} */
    private static function person(Fields $in): array
    {
        $in->only(['id', 'zone', 'hours', 'absences', 'between_min']);

        return [
            'id' => $in->text('id'), 'zone' => ScheduleFields::zone($in, 'zone'), 'hours' => self::weekly($in, 'hours', 1, 20),
            'absences' => $in->each('absences', 0, 100, static function (Fields $one): array {
                $one->only(['from', 'to']);

                return [ScheduleFields::day($one, 'from'), ScheduleFields::day($one, 'to')];
            }),
            'between' => $in->int('between_min', 0, 1440, 0),
        ];
    }

    private static function group(Fields $in): ClashGroup
    {
        $in->only(['id', 'max_together', 'gap_min']);

        return new ClashGroup($in->text('id'), $in->int('max_together', 1, 100, 1), 60 * $in->int('gap_min', 0, 1440, 0));
    }

    /**
     * @param array<string, mixed> $people
     * @param array<string, mixed> $groups
     *
     * @return array{id: string, of: SwitchExercise, person: ?string, group: ?string, quiet: WeeklyHours, sleep: WeeklyHours,
     *     business: WeeklyHours}
     */
    private function switch(Fields $in, array $people, array $groups): array
    {
        $in->only(self::SWITCH);
        $id = $in->text('id');
        $zone = ScheduleFields::zone($in, 'zone');
        $exercise = $this->exercises->read($in->object('exercise'));
        $person = $in->maybeText('person');
        $group = $in->maybeText('group');
        $this->exercises->later(static function () use ($in, $person, $group, $people, $groups): void {
            if ($person !== null && ! isset($people[$person])) {
                throw $in->at('person')->bad('There is no such person.');
            }
            if ($group !== null && ! isset($groups[$group])) {
                throw $in->at('group')->bad('There is no such group.');
            }
        });

        return [
            'id' => $id, 'of' => new SwitchExercise($id, $zone, $exercise), 'person' => $person, 'group' => $group,
            'quiet' => self::weekly($in, 'quiet_hours', 0, 50), 'sleep' => self::weekly($in, 'sleep_hours', 0, 50),
            'business' => self::weekly($in, 'business_hours', 0, 50),
        ];
    }

    /** @return array{id: string, from: int, to: int, switches: ?list<string>} */
    private static function block(Fields $in): array
    {
        $in->only(['id', 'from', 'to', 'switches']);
        $switches = $in->maybeList('switches', 1, 60);

        return [
            'id' => $in->text('id'), 'from' => ScheduleFields::instant($in, 'from'), 'to' => ScheduleFields::instant($in, 'to'),
            'switches' => $switches === null ? null : array_map(static fn(Node $one): string => $one->text(), $switches),
        ];
    }

    private static function weekly(Fields $in, string $key, int $min, int $max): WeeklyHours
    {
        $read = static function (Fields $one): array {
            $one->only(['days', 'from', 'to']);

            return [
                'days' => ScheduleFields::weekdays($one, 'days'), 'from' => ScheduleFields::clock($one, 'from'),
                'to' => ScheduleFields::clock($one, 'to'),
            ];
        };

        return new WeeklyHours($in->each($key, $min, $max, $read, isOptional: $min === 0));
    }

    /**
     * @param list<array{id: string, from: int, to: int, switches: ?list<string>}> $blocks
     * @param list<string>                                                         $known
     */
    private static function judgeBlocks(Fields $in, array $blocks, array $known): void
    {
        foreach ($blocks as $i => $block) {
            $at = $in->at('blocks')->at($i, null);
            if ($block['to'] <= $block['from']) {
                throw $at->at('to', null)->bad('The end comes after the beginning.');
            }
            foreach ($block['switches'] ?? [] as $j => $switch) {
                if (! in_array($switch, $known, true)) {
                    throw $at->at('switches', null)->at($j, null)->bad('There is no such switch.');
                }
            }
        }
    }

    /**
     * @param list<array{id: string, of: SwitchExercise, person: ?string, group: ?string, quiet: WeeklyHours, sleep: WeeklyHours,
     *     business: WeeklyHours}> $switches
     *
     * @return list<PlacedRun>
     */
    private static function runs(array $switches, int $from, int $to): array
    {
        $runs = [];
        foreach ($switches as $at => $switch) {
            foreach ((new SwitchCalendar($switch['of'], $from, $to))->occurrences as $one) {
                $runs[] = new PlacedRun($at, $one->utcS, $one->endUtcS - $one->utcS, $one->utcS + $one->offsetS);
            }
        }

        return $runs;
    }

    /**
     * @param list<array{id: string, of: SwitchExercise, person: ?string, group: ?string, quiet: WeeklyHours, sleep: WeeklyHours,
     *     business: WeeklyHours}> $switches
     * @param array<string, array{id: string, zone: Zone, hours: WeeklyHours, absences: list<array{int, int}>, between: int}> $people
     * @param array<string, ClashGroup>                                                                                    $groups
     * @param list<array{id: string, from: int, to: int, switches: ?list<string>}>                                          $blocks
     *
     * @return list<ClashSwitch>
     */
    private static function built(array $switches, array $people, array $groups, array $blocks, int $from, int $to): array
    {
        $persons = array_map(static fn(array $one): ClashPerson => new ClashPerson(
            $one['id'],
            $one['hours']->spans($one['zone'], $from, $to, $one['absences']),
            60 * $one['between'],
        ), $people);

        return array_map(static function (array $switch) use ($persons, $groups, $blocks, $from, $to): ClashSwitch {
            $zone = $switch['of']->zone;
            $held = array_filter($blocks, static fn(array $one): bool => $one['switches'] === null
                || in_array($switch['id'], $one['switches'], true));

            return new ClashSwitch(
                $switch['of'],
                $switch['person'] === null ? null : $persons[$switch['person']],
                $switch['group'] === null ? null : $groups[$switch['group']],
                $switch['quiet']->spans($zone, $from, $to),
                $switch['sleep']->spans($zone, $from, $to),
                $switch['business']->spans($zone, $from, $to),
                new Spans(array_map(static fn(array $one): array => [$one['from'], $one['to']], array_values($held))),
            );
        }, $switches);
    }
}
