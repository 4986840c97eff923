<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\FinerInput;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use Escapement\Core\Wire\ScenarioReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is finer than is computed with is named, and nothing else. */
final class FinerInputTest extends TestCase
{
    /** @return iterable<string, array{list<ScenarioEvent>, list<Load>, float, list<string>}> script, loads, limit of shedding, named */
    public static function inputs(): iterable
    {
        $volts = static fn(float ...$v): ScenarioEvent => new ScenarioEvent(0, Verb::SetSource, Side::Normal, array_values($v));
        $hertz = static fn(float $hz): ScenarioEvent => new ScenarioEvent(0, Verb::SetSource, Side::Normal, null, $hz);
        yield 'all on the steps' => [[$volts(119.9999, 120.0), $hertz(59.9999)], [new Load('a', 1.000001, 1, false)], 10.5, []];
        yield 'volts' => [[$volts(120.0, 119.99995)], [], 10, ['/events/0']];
        yield 'hertz of the second' => [[$volts(120.0, 120.0), $hertz(59.99995)], [], 10, ['/events/1']];
        yield 'kilowatts of a load' => [[], [new Load('a', 1, 1, false), new Load('b', 1.0000005, 1, false)], 10, ['/loads/1/kw']];
        yield 'the limit of shedding' => [[], [], 10.0000005, ['/settings/load_shed/limit_kw']];
        $five = array_fill(0, 5, $volts(120.00001, 120.0));
        yield 'five are named' => [$five, [], 10, ['/events/0', '/events/1', '/events/2', '/events/3', '/events/4']];
    }

    /**
     * @param list<ScenarioEvent> $script
     * @param list<Load>          $loads
     * @param list<string>        $named
     */
    #[Test, DataProvider('inputs')]
    public function what_is_finer_is_named(array $script, array $loads, float $limitKw, array $named): void
    {
        $finding = self::finding($script, $loads, $limitKw);
        if ($named === []) {
            self::assertNull($finding);

            return;
        }
        self::assertStringContainsString(implode(', ', $named), (string) $finding);
        self::assertStringNotContainsString('…', (string) $finding);
    }

    #[Test]
    public function the_sixth_is_not_named_any_more(): void
    {
        $six = array_fill(0, 6, new ScenarioEvent(0, Verb::SetSource, Side::Normal, [120.00001, 120.0]));
        $finding = (string) self::finding($six, [], 10);
        self::assertStringContainsString('/events/4 …', $finding);
        self::assertStringNotContainsString('/events/5', $finding);
    }

    /** @param array<string, mixed> $change of the sheet and of the plant */
    #[Test, DataProvider('sheets')]
    public function a_sheet_and_a_plant_are_looked_through_on_both_sides(array $change, string $named): void
    {
        $template = new SheetTemplate(InstallationKind::ContactorPair);
        $wire = ['system' => $template->plant()->toArray(), 'settings' => $template->settings()->toWire()];
        $read = (new ScenarioReader())->scenario(Node::fromArray(
            MergePatch::apply($wire, $change) + ['events' => [], 'until_ms' => 1000],
        ));
        $finding = json_encode(FinerInput::finding($read)?->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
        self::assertStringContainsString($named, $finding);
        self::assertStringNotContainsString(', /', $finding, 'nothing else');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function sheets(): iterable
    {
        foreach (['normal', 'emergency'] as $side) {
            foreach (['under_voltage', 'over_voltage', 'under_frequency', 'over_frequency', 'unbalance'] as $limit) {
                foreach (['dropout_pct', 'pickup_pct'] as $end) {
                    $fine = ['under_voltage' => 85.00001, 'over_voltage' => 112.00001, 'under_frequency' => 96.00001,
                        'over_frequency' => 107.00001, 'unbalance' => 4.00001][$limit];
                    yield "$side, $limit, $end" => [
                        ['settings' => ['sensing' => [$side => [$limit => [$end => $fine]]]]], "/settings/sensing/$side/$limit",
                    ];
                }
            }
            foreach (['nominal_v' => 120.00001, 'nominal_hz' => 60.00001] as $key => $fine) {
                yield "$side, $key" => [['system' => ['sources' => [$side => [$key => $fine]]]], "/system/sources/$side/$key"];
            }
        }
    }

    /**
     * @param list<ScenarioEvent> $script
     * @param list<Load>          $loads
     */
    private static function finding(array $script, array $loads, float $limitKw): ?string
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $settings = $template->settings()->withLoadShed(new LoadShedding($limitKw, 5000, 5000, 2000, 30_000));
        $finding = FinerInput::finding(new Scenario($template->plant(), $settings, $script, 60_000, $loads));

        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE;

        return $finding === null ? null : json_encode($finding->toArray(), $flags);
    }
}
