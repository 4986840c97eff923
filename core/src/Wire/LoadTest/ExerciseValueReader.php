<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\ExerciseInput;
use Escapement\Core\LoadTest\ExerciseRun;
use Escapement\Core\LoadTest\ExerciseValue;
use Escapement\Core\LoadTest\RunType;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Dates;

/** `exercise_value` on the wire. Rule: docs/rules.md#exercise-value. */
final readonly class ExerciseValueReader implements InputReader
{
    private const KEYS = ['today', 'school', 'intervals', 'monthly_met', 'last_done', 'runs', 'soon_days'];
    private const SCHOOLS = ['critical', 'quarterly', 'semi_annual', 'annual', 'custom'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new ExerciseValue($this->input($node)))->result());
    }

    /** @throws BadInput */
    public function input(Node $node): ExerciseInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $rules = new LaterRules();
        $today = Dates::read($in, 'today');
        $school = $in->oneOf('school', self::SCHOOLS, 'quarterly');
        $own = $this->intervals($in);
        $rules->add(static function () use ($in, $school, $own): void {
            if (($school === 'custom') !== ($own !== null && $own !== [])) {
                throw $in->at('intervals')->bad('Intervals of its own has the custom school, and no other.');
            }
            if ($school !== 'custom' && $own !== null) {
                throw $in->at('intervals')->bad('Intervals of its own has the custom school, and no other.');
            }
        });
        $isMet = $in->bool('monthly_met', false);
        $lastDone = $this->lastDone($in, $today, $rules);
        $runs = array_map(static fn(Node $one): ExerciseRun => self::run($one, $today, $rules), $in->maybeList('runs', 0, 5000) ?? []);
        $soonDays = $in->int('soon_days', 0, 365, ExerciseInput::SOON_DAYS);
        $rules->check();
        $intervals = $school === 'custom' ? $own ?? [] : RunType::intervals($school);
        if ($school === ExerciseInput::CRITICAL && $isMet) {
            unset($intervals[RunType::LoadBank->value]);
        }

        return new ExerciseInput($today, $school === ExerciseInput::CRITICAL, $intervals, $lastDone, $runs, $soonDays);
    }

    /** @return null|array<string, int> */
    private function intervals(Fields $in): ?array
    {
        $fields = $in->maybeObject('intervals')?->only(self::types());
        if ($fields === null) {
            return null;
        }
        $intervals = [];
        foreach (self::types() as $type) {
            $months = $fields->maybeInt($type, 1, 120);
            if ($months !== null) {
                $intervals[$type] = $months;
            }
        }

        return $intervals;
    }

    /** @return array<string, string> */
    private function lastDone(Fields $in, string $today, LaterRules $rules): array
    {
        $fields = $in->maybeObject('last_done')?->only(self::types());
        $dates = [];
        foreach (self::types() as $type) {
            if ($fields?->has($type) === true) {
                $dates[$type] = $date = Dates::read($fields, $type);
                $rules->add(static fn() => $date > $today ? throw $fields->at($type)->bad('This date is still to come.') : null);
            }
        }

        return $dates;
    }

    private static function run(Node $node, string $today, LaterRules $rules): ExerciseRun
    {
        $in = (new Fields($node))->only(['type', 'date', 'verdict', 'with_readings']);
        $type = $in->oneOf('type', [...self::types(), 'real_outage']);
        $date = Dates::read($in, 'date');
        $rules->add(static fn() => $date > $today ? throw $in->at('date')->bad('This date is still to come.') : null);

        return new ExerciseRun(
            $type,
            $date,
            $in->oneOf('verdict', ['pass', 'fail', 'not_proven'], 'pass'),
            $in->bool('with_readings', false),
        );
    }

    /** @return non-empty-list<string> */
    private static function types(): array
    {
        return array_column(RunType::cases(), 'value');
    }
}
