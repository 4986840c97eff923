<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Recording\Climate;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\Series;
use Escapement\Core\Recording\UtilityTrace;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ReductionTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function the_controller_answers_the_reduced_recording_as_it_answers_the_whole(): void
    {
        $template = new SheetTemplate(InstallationKind::ContactorGenerator); // three phases, unbalance, all limits
        $plant = $template->plant();
        $sheet = $template->settings();
        $this->limitTo(60)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed) use ($plant, $sheet): void {
            $random = new Randomizer(new Mt19937($seed));
            $series = new Series($plant->normal->phases);
            for ($t = 0; $t < 60_000; $t += $random->getInt(20, 900)) {
                $percent = [100, 99.5, 100.7, 96, 91, 85, 86, 84.9, 40, 0, 112][$random->getInt(0, 10)];
                $v = array_map(
                    static fn(): float => $plant->normal->nominalV * ($percent + $random->getInt(0, 30) / 10) / 100,
                    range(1, $plant->normal->phases),
                );
                $series->add($t, $v, $plant->normal->nominalHz * [1.0, 1.001, 0.97, 0.93][$random->getInt(0, 3)]);
            }
            $all = [];
            foreach ($series->atMs as $i => $atMs) {
                $all[] = new ScenarioEvent($atMs, Verb::SetSource, Side::Normal, $series->at($i), $series->hz[$i]);
            }
            $few = (new Reduction($plant->normal, [$sheet->normal]))->events($series);
            self::assertLessThanOrEqual(count($all), count($few));
            $play = static fn(array $events): array => array_map(
                static fn(Event $event): array => [$event->tMs, $event->kind()->value, $event->keys()],
                Rehearsal::play(new Scenario($plant, $sheet, $events, 200_000))->events,
            );
            self::assertSame($play($all), $play($few));
        });
    }

    #[Test]
    public function wobbling_about_nominal_is_nothing(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $series = new Series(2);
        for ($i = 0; $i < 500; $i++) {
            $series->add($i * 17, [120 + sin($i), 120 + cos($i)], 60 + 0.05 * sin($i));
        }
        self::assertSame([], (new Reduction($template->plant()->normal, [$template->settings()->normal]))->events($series));
    }

    #[Test]
    public function a_ramp_is_traced_once_a_cycle_and_ends_where_it_should(): void
    {
        $plant = (new SheetTemplate(InstallationKind::WholeHouse))->plant();
        $v = array_fill(0, $plant->normal->phases, 0);
        $events = [
            new ScenarioEvent(1000, Verb::SetSource, Side::Normal, $v),
            new ScenarioEvent(
                2000,
                Verb::RampSource,
                Side::Normal,
                array_fill(0, $plant->normal->phases, $plant->normal->nominalV),
                overMs: 500,
            ),
        ];
        $series = (new UtilityTrace($plant->normal, $events, 5000))->series();
        self::assertSame([0, 1000], array_slice($series->atMs, 0, 2));
        self::assertEqualsWithDelta($plant->normal->nominalV / 2, $series->v[0][array_search(2255, $series->atMs, true)], 1.3);
        self::assertSame((float) $plant->normal->nominalV, $series->v[0][count($series->atMs) - 1]);
        self::assertEqualsWithDelta(2500, $series->atMs[count($series->atMs) - 1], 17);
    }

    #[Test]
    public function a_climate_repeats_itself_by_its_seed_and_keeps_its_rates(): void
    {
        $climate = static fn(int $seed): array => (new Climate(200, 3, 100, 40, 2, 20, 60, 14_400, 0.3, 3650, $seed))->disturbances(120);
        self::assertSame($climate(5), $climate(5));
        self::assertNotSame($climate(5), $climate(6));
        self::assertEqualsWithDelta(3200, count($climate(5)), 300, '320 a year for ten years');
        $before = -1;
        foreach ($climate(5) as $disturbance) {
            self::assertGreaterThan($before, $disturbance['at_ms']);
            $before = $disturbance['at_ms'] + $disturbance['events'][count($disturbance['events']) - 1]['at_ms'];
        }
        self::assertSame([], (new Climate(0, 1, 0, 40, 1, 0, 60, 120, 0, 365, 1))->disturbances(120), 'a supply that never fails');
    }
}
