<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\Script\Block;
use Escapement\Core\Rehearsal\Script\BlockKind;
use Escapement\Core\Rehearsal\Script\Script;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Rehearsal\StoryNumber;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use Escapement\Core\Wire\EventReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The editor's pieces and the engine's events are two tellings of one scenario. */
final class ScriptTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function nothing_in_it_is_over_at_once_and_plays(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        self::assertSame(0, (new Script([]))->endMs());
        $playback = new Playback(new Scenario($template->plant(), $template->settings(), [], 60_000));
        self::assertSame([[], 9_000], [$playback->momentsMs, $playback->untilMs]);
    }

    /**
     * @param list<array{int, string}>       $turns  milliseconds, rotation
     * @param list<array{string, int, ?int}> $pieces kind, from, for
     */
    #[Test, DataProvider('rotations')]
    public function turned_phases_are_a_piece_that_ends_as_they_are_put_right(string $own, array $turns, array $pieces): void
    {
        $source = new Source(3, 230, 50, $own);
        $plant = new Plant(PlantKind::TwoSource, $source, $source, null);
        $events = array_map(
            static fn(array $turn): ScenarioEvent => new ScenarioEvent($turn[0], Verb::SetSource, Side::Normal, rotation: $turn[1]),
            $turns,
        );
        $script = Script::read($events, $plant);
        $read = array_map(static fn(Block $one): array => [$one->kind->value, $one->atMs, $one->lastsMs], $script->blocks);
        self::assertSame($pieces, $read);
        self::assertSame($turns, array_map(static fn(ScenarioEvent $one): array => [$one->atMs, $one->rotation], $script->events($plant)));
    }

    /** @return iterable<string, array{string, list<array{int, string}>, list<array{string, int, ?int}>}> */
    public static function rotations(): iterable
    {
        yield 'turned and put right' => ['abc', [[100, 'acb'], [300, 'abc']], [['reversed', 100, 200]]];
        yield 'turned, and it stays' => ['abc', [[100, 'acb']], [['reversed', 100, null]]];
        yield 'where the other way is right' => ['acb', [[100, 'abc'], [300, 'acb']], [['reversed', 100, 200]]];
        yield 'right already' => ['abc', [[100, 'abc']], [['other', 100, null]]];
    }

    #[Test]
    public function what_happens_as_the_picture_ends_is_in_it(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $at = static fn(int $ms): ScenarioEvent => new ScenarioEvent($ms, Verb::Selector, to: 'off');
        $playback = new Playback(new Scenario($template->plant(), $template->settings(), [$at(1000), $at(5000), $at(5001)], 5000));
        self::assertContains(5000, $playback->momentsMs);
        self::assertNotContains(5001, $playback->momentsMs);
    }

    #[Test]
    public function a_ramp_of_a_millisecond_is_a_ramp(): void
    {
        $plant = (new SheetTemplate(InstallationKind::WholeHouse))->plant();
        $verb = static fn(int $fallMs): Verb => (new Script([new Block(BlockKind::Volts, 10, 990, v: [0, 0], fallMs: $fallMs)]))
            ->events($plant)[0]->do;
        self::assertSame([Verb::SetSource, Verb::RampSource], [$verb(0), $verb(1)]);
    }

    #[Test]
    public function a_script_is_over_with_its_last_ramp(): void
    {
        self::assertSame(10, (new Script([new Block(BlockKind::EngineReset, 10, null)]))->endMs());
        self::assertSame(1_500, (new Script([new Block(BlockKind::Volts, 10, 990, v: [0], fallMs: 300, backMs: 500)]))->endMs());
        self::assertSame(1_600, (new Script([new Block(BlockKind::Volts, 10, 990, v: [0], fallMs: 600, backMs: 500)]))->endMs());
    }

    #[Test]
    public function reading_pieces_out_of_events_and_making_events_of_them_loses_and_adds_nothing(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $again = Script::read($scenario->events, $scenario->plant)->events($scenario->plant);
            self::assertSame($this->told($scenario->events), $this->told($again));
        });
    }

    #[Test, DataProvider('stories')]
    public function every_story_plays_the_same_from_its_pieces(Story $story): void
    {
        foreach ([InstallationKind::WholeHouse, InstallationKind::Mobile50] as $kind) {
            $template = new SheetTemplate($kind);
            $plant = $template->plant();
            $loads = [new Load('pump', 2.5, 3, true)];
            if (! $story->fits($plant, $template->settings(), $loads)) {
                continue;
            }
            $numbers = array_column(array_map(static fn(StoryNumber $n): array => [$n->name, $n->default], $story->numbers()), 1, 0);
            $events = (new EventReader($plant, $loads))->events(Node::fromArray($story->events($numbers, $plant, $loads)));
            $sheet = $story->sheet($template->settings(), $numbers);
            $play = static fn(array $script): array => Rehearsal::play(new Scenario($plant, $sheet, $script, 900_000, $loads))->toArray();
            self::assertEquals($play($events), $play(Script::read($events, $plant)->events($plant)));
        }
        $this->addToAssertionCount(1);
    }

    /** @return iterable<string, array{Story}> */
    public static function stories(): iterable
    {
        foreach (Story::cases() as $story) {
            yield $story->value => [$story];
        }
    }

    /** @param list<array{int, string, mixed}> $expected */
    #[Test, DataProvider('overlaps')]
    public function a_later_piece_on_the_same_quantity_takes_the_place_of_the_earlier(Script $script, array $expected): void
    {
        $plant = (new SheetTemplate(InstallationKind::WholeHouse))->plant();
        self::assertEquals(
            $expected,
            array_map(static fn(ScenarioEvent $e): array => [$e->atMs, $e->do->value, $e->v ?? $e->hz], $script->events($plant)),
        );
    }

    /** @return iterable<string, array{Script, list<array{int, string, mixed}>}> */
    public static function overlaps(): iterable
    {
        $nominal = self::house()->normal->nominalV;
        $good = array_fill(0, self::house()->normal->phases, $nominal);
        $dead = array_map(static fn(): int => 0, $good);
        $low = array_map(static fn(): int => 90, $good);
        $outage = new Block(BlockKind::Volts, 1000, 5000, v: $dead);
        yield 'alone' => [new Script([$outage]), [[1000, 'set_source', $dead], [6000, 'set_source', $good]]];
        yield 'a sag within an outage ends it' => [
            new Script([$outage, new Block(BlockKind::Volts, 3000, 1000, v: $low)]),
            [[1000, 'set_source', $dead], [3000, 'set_source', $low], [4000, 'set_source', $good]],
        ];
        yield 'a sag that follows at once' => [
            new Script([$outage, new Block(BlockKind::Volts, 6000, 1000, v: $low)]),
            [[1000, 'set_source', $dead], [6000, 'set_source', $low], [7000, 'set_source', $good]],
        ];
        yield 'another quantity does not touch it' => [
            new Script([$outage, new Block(BlockKind::Hertz, 3000, 1000, hz: 57)]),
            [
                [1000, 'set_source', $dead],
                [3000, 'set_source', 57],
                [4000, 'set_source', self::house()->normal->nominalHz],
                [6000, 'set_source', $good],
            ],
        ];
        yield 'slow return' => [
            new Script([new Block(BlockKind::Volts, 0, 500, v: $dead, backMs: 3000)]),
            [[0, 'set_source', $dead], [500, 'ramp_source', $good]],
        ];
        yield 'to the end' => [new Script([new Block(BlockKind::Volts, 0, null, v: $low, fallMs: 10)]), [[0, 'ramp_source', $low]]];
    }

    private static function house(): Plant
    {
        return (new SheetTemplate(InstallationKind::WholeHouse))->plant();
    }

    /**
     * Every change of every quantity, however the events bundle them; of several in one millisecond the last holds.
     *
     * @param list<ScenarioEvent> $events
     *
     * @return list<string>
     */
    private function told(array $events): array
    {
        $told = [];
        foreach ($events as $event) {
            $said = $event->toArray();
            if ($event->do !== Verb::SetSource && $event->do !== Verb::RampSource) {
                $told[] = json_encode($said, JSON_THROW_ON_ERROR);
            }
            foreach (['v', 'hz', 'rotation'] as $quantity) {
                if (isset($said[$quantity])) {
                    $told["$event->atMs {$event->source?->value} $quantity"] = json_encode(
                        [$event->atMs, $event->do, $event->source, $event->overMs, $quantity, $said[$quantity]],
                        JSON_THROW_ON_ERROR,
                    );
                }
            }
        }
        sort($told);

        return $told;
    }

    #[Test]
    public function each_piece_is_offered_where_it_can_happen(): void
    {
        $plants = [
            'house' => (new SheetTemplate(InstallationKind::WholeHouse))->plant(),
            'shop' => (new SheetTemplate(InstallationKind::ContactorGenerator))->plant(),
            'two' => (new SheetTemplate(InstallationKind::ContactorPair))->plant(),
            'van' => (new SheetTemplate(InstallationKind::Mobile30))->plant(),
        ];
        $where = [
            'volts' => 'house shop two van', 'hertz' => 'house shop two van', 'reversed' => 'shop two',
            'crank_failures' => 'house shop van', 'engine_trip' => 'house shop van', 'engine_reset' => 'house shop van',
            'by_hand' => 'house shop van', 'test' => 'house shop two', 'selector_off' => 'house shop two', 'load' => 'house shop two van',
            'other' => '',
        ];
        $lasts = ['volts', 'hertz', 'reversed', 'by_hand', 'test', 'selector_off'];
        $ofEngine = ['crank_failures', 'engine_trip', 'engine_reset', 'by_hand'];
        self::assertSame(array_keys($where), array_column(BlockKind::cases(), 'value'));
        foreach (BlockKind::cases() as $kind) {
            $fits = array_keys(array_filter($plants, static fn(Plant $plant): bool => $kind->fits($plant, true)));
            self::assertSame($where[$kind->value], implode(' ', $fits), $kind->value);
            self::assertSame(in_array($kind->value, $lasts, true), $kind->lasts(), $kind->value);
            self::assertSame(in_array($kind->value, $ofEngine, true), $kind->isOfEngine(), $kind->value);
            self::assertSame(! in_array($kind->value, ['load', 'other'], true) && $fits !== [], $kind->fits($plants['shop'], false));
        }
        $labels = array_map(static fn(BlockKind $one): string => $one->label(), BlockKind::cases());
        self::assertCount(count($labels), array_unique(array_filter($labels)));
    }
}
