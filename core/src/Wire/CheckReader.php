<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Settings\QuietHours;
use Escapement\Core\Settings\SiteExercise;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\SettingsCheck\CheckInput;
use Escapement\Core\SettingsCheck\FrequencyShedding;
use Escapement\Core\SettingsCheck\SettingsCheck;

/** Reads the input of `settings_check`. Rule: docs/rules.md#demand. */
final readonly class CheckReader implements InputReader
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
    private const EVERY = ['weekly' => 7, 'biweekly' => 14, 'monthly' => 31, 'quarterly' => 92, 'yearly' => 366];
    private const MOST = 1_000_000_000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new SettingsCheck())->check($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): CheckInput
    {
        $object = $node->object();
        $object->only([
            'application',
            'system',
            'settings',
            'loads',
            'source_kw',
            'demand_kw',
            'largest_motor_hp',
            'has_compressor',
            'frequency_shedding',
            'site',
        ]);
        $applicationNode = $object->required('application');
        $application = $applicationNode->enum(Application::class);
        $plantReader = new PlantReader();
        $plant = $plantReader->plant($object->required('system'));
        $settings = (new SettingsReader())->settings($object->required('settings'), $plant);
        $loads = ($loadsNode = $object->optional('loads')) === null ? [] : $plantReader->loads($loadsNode);
        $sourceKw = $object->optional('source_kw')?->number(0, self::MOST, aboveMin: true);
        $demandKw = $object->optional('demand_kw')?->number(0, self::MOST);
        $motorHp = $object->optional('largest_motor_hp')?->number(0, self::MOST) ?? 0;
        $hasCompressor = $object->optional('has_compressor')?->bool() ?? false;
        $modulesNode = $object->optional('frequency_shedding');
        $modules = $modulesNode === null ? null : $this->frequencyShedding($modulesNode);
        $site = ($siteNode = $object->optional('site')) === null ? new SiteHabits() : $this->site($siteNode);
        if (($application === Application::Mobile) !== ($plant->kind === PlantKind::Mobile)) {
            throw $applicationNode->bad('The application mobile and the kind mobile belong together.');
        }
        if ($application === Application::TwoSource && $plant->kind !== PlantKind::TwoSource) {
            throw $applicationNode->bad('The application two_source needs the kind two_source.');
        }
        if ($modulesNode !== null && $modules !== null) {
            $this->refuseModules($modulesNode, $modules, $plant->kind, array_map(static fn(Load $load): string => $load->id, $loads));
        }

        return new CheckInput($application, $plant, $settings, $loads, $sourceKw, $motorHp, $hasCompressor, $site, $demandKw, $modules);
    }

    private function frequencyShedding(Node $node): FrequencyShedding
    {
        $object = $node->object();
        $object->only(['loads', 'trip_pct', 'trip_ms']);
        $loads = array_map(static fn(Node $one): string => $one->text(), $object->required('loads')->list(1, 500));
        if ($loads === []) {
            throw new \LogicException('The list has one item at least.');
        }

        return new FrequencyShedding($loads, $object->required('trip_pct')->number(80, 100), $object->required('trip_ms')->ms());
    }

    /** @param list<string> $known */
    private function refuseModules(Node $node, FrequencyShedding $modules, PlantKind $kind, array $known): void
    {
        if ($kind === PlantKind::TwoSource) {
            throw $node->bad('Without a generator nothing slows down.');
        }
        foreach ($modules->loads as $i => $id) {
            if (! in_array($id, $known, true) || array_search($id, $modules->loads, true) !== $i) {
                throw $node->at('loads', null)->at($i, null)->bad("\"$id\" is no load of the list, or is named twice.");
            }
        }
    }

    /** @throws BadInput */
    public function site(Node $node): SiteHabits
    {
        $object = $node->object();
        $object->only(['timezone', 'quiet_hours', 'exercise', 'load_tests_per_year', 'fuel']);
        $timezone = $object->optional('timezone')?->text();
        $quiet = [];
        foreach ($object->optional('quiet_hours')?->list(0, 50) ?? [] as $item) {
            $quiet[] = $this->quietHours($item);
        }
        $exercise = ($exerciseNode = $object->optional('exercise')) === null ? null : $this->exercise($exerciseNode);
        $tests = $object->optional('load_tests_per_year')?->integer(0, 366) ?? 0;
        $fuel = $object->optional('fuel')?->enum(Fuel::class);

        return new SiteHabits($timezone, $quiet, $exercise, $tests, $fuel);
    }

    private function quietHours(Node $node): QuietHours
    {
        $object = $node->object();
        $object->only(['days', 'from', 'to']);
        $days = [];
        foreach ($object->required('days')->list(1, 7) as $item) {
            $day = $this->day($item);
            if (in_array($day, $days, true)) {
                throw $item->bad('This day is in the list already.');
            }
            $days[] = $day;
        }
        $quiet = new QuietHours($days, $this->clock($object->required('from')), $this->clock($object->required('to')));

        return $quiet;
    }

    private function exercise(Node $node): SiteExercise
    {
        $object = $node->object();
        $object->only(['day', 'time', 'every', 'for_min', 'with_load']);
        $day = $this->day($object->required('day'));
        $minute = $this->clock($object->required('time'));
        $everyNode = $object->required('every');
        $isNamed = is_string($everyNode->value);
        $everyDays = $isNamed ? self::EVERY[$everyNode->oneOf(array_keys(self::EVERY))] : $everyNode->integer(1, 3660);
        $forMinutes = $object->required('for_min')->integer(1, 1440);
        $withLoad = $object->required('with_load')->bool();

        return new SiteExercise($day, $minute, $everyDays, $isNamed || $everyDays % 7 === 0, $forMinutes, $withLoad);
    }

    private function day(Node $node): int
    {
        return (int) array_search($node->oneOf(self::DAYS), self::DAYS, true);
    }

    /** @return int minutes of the day */
    private function clock(Node $node): int
    {
        $text = $node->text();
        if (preg_match('/^([01]\d|2[0-3]):([0-5]\d)$/D', $text, $parts) !== 1) {
            throw $node->bad('This must be a time of day from 00:00 to 23:59, such as 06:30.');
        }

        return 60 * (int) $parts[1] + (int) $parts[2];
    }
}
