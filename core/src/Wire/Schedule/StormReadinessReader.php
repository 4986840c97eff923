<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Readiness\Criterion;
use Escapement\Core\Schedule\Readiness\ReadinessAction;
use Escapement\Core\Schedule\Readiness\ReadinessInput;
use Escapement\Core\Schedule\Readiness\ReadinessSite;
use Escapement\Core\Schedule\Readiness\StormReadiness;
use Escapement\Core\Wire\InputReader;

/** `storm_readiness` on the wire. Rule: docs/rules.md#storm-readiness. */
final class StormReadinessReader implements InputReader
{
    private const SITE = [
        'id', 'priority', 'school', 'selector', 'open_stops', 'outage_test', 'load_test', 'fuel_piped', 'fuel_days', 'battery_installed',
        'battery_rest_v', 'battery_nominal_v', 'settings_proven', 'settings_now', 'last_exercise', 'exercise_every_days', 'alarms_active',
        'service_overdue',
    ];
    private const SCHOOLS = ['critical' => 1, 'quarterly' => 3, 'semi_annual' => 6, 'annual' => 12];

    /** @var list<array{int, Node}> days that must not lie in the future */
    private array $past = [];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new StormReadiness())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): ReadinessInput
    {
        $in = (new Fields($node))->only(['today', 'target', 'fuel_days_wanted', 'weights', 'minutes', 'sites']);
        $today = ScheduleFields::day($in, 'today');
        $target = $in->number('target', 0, 100, 85.0);
        $wanted = $in->np('fuel_days_wanted', 3.0);
        $weights = $minutes = [];
        $typed = $in->maybeObject('weights')?->only(array_column(Criterion::cases(), 'value'));
        foreach (Criterion::cases() as $criterion) {
            $weights[$criterion->value] = $typed?->maybeN0($criterion->value) ?? $criterion->usualWeight();
        }
        $typed = $in->maybeObject('minutes')?->only(array_column(ReadinessAction::cases(), 'value'));
        foreach (ReadinessAction::cases() as $action) {
            $minutes[$action->value] = $typed?->maybeNp($action->value) ?? $action->usualMinutes();
        }
        $sites = $in->each('sites', 1, 500, $this->site(...), isOptional: false);
        if (array_sum($weights) <= 0) {
            throw $in->at('weights')->bad('At least one criterion has a weight.');
        }
        foreach ($this->past as [$day, $at]) {
            if ($day > $today) {
                throw $at->bad('This day is not in the future.');
            }
        }

        return new ReadinessInput($today, $target, $wanted, $weights, $minutes, $sites);
    }

    private function site(Fields $in): ReadinessSite
    {
        $in->only(self::SITE);

        return new ReadinessSite(
            $in->text('id'),
            $in->int('priority', 1, 5, 3),
            self::SCHOOLS[$in->oneOf('school', array_keys(self::SCHOOLS), 'quarterly')],
            $in->maybeOneOf('selector', ['auto', 'off', 'manual', 'test']),
            $in->maybeInt('open_stops', 0, 999),
            $this->test($in, 'outage_test'),
            $this->test($in, 'load_test'),
            $in->bool('fuel_piped', false),
            $in->maybeN0('fuel_days'),
            $this->day($in, 'battery_installed'),
            $in->maybeN0('battery_rest_v'),
            ScheduleFields::nominalV($in, 'battery_nominal_v'),
            $in->maybeText('settings_proven'),
            $in->maybeText('settings_now'),
            $this->day($in, 'last_exercise'),
            $in->int('exercise_every_days', 1, 366, 7),
            $in->maybeInt('alarms_active', 0, 999),
            $in->maybeInt('service_overdue', 0, 999),
        );
    }

    /** @return ?array{int, bool} */
    private function test(Fields $in, string $key): ?array
    {
        $test = $in->maybeObject($key)?->only(['date', 'result']);
        if ($test === null) {
            return null;
        }
        $day = ScheduleFields::day($test, 'date');
        $this->past[] = [$day, $test->at('date')];

        return [$day, $test->oneOf('result', ['pass', 'fail']) === 'pass'];
    }

    private function day(Fields $in, string $key): ?int
    {
        if (! $in->has($key)) {
            return null;
        }
        $day = ScheduleFields::day($in, $key);
        $this->past[] = [$day, $in->at($key)];

        return $day;
    }
}
