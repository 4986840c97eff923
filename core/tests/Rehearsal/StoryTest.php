<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\CauseChain;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\RehearsalResult;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Wire\ScenarioReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each story shows what it says it teaches, on a template that it fits. */
final class StoryTest extends TestCase
{
    /** @param callable(RehearsalResult): bool $shows */
    #[Test, DataProvider('lessons')]
    public function a_story_shows_what_it_teaches(Story $story, InstallationKind $kind, callable $shows): void
    {
        self::assertTrue($shows($this->play($story, $kind)), $story->teaches());
    }

    /** @return iterable<string, array{Story, InstallationKind, callable(RehearsalResult): bool}> */
    public static function lessons(): iterable
    {
        $has = static fn(RehearsalResult $r, string $kind): int => count(array_filter(
            $r->events,
            static fn(Event $event): bool => $event->kind()->value === $kind,
        ));
        $house = InstallationKind::WholeHouse;
        $panel = InstallationKind::ContactorGenerator;
        yield 'outage' => [
            Story::Outage,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->busDeadMs === 21_000 && $r->final->engine === 'stopped',
        ];
        yield 'blink' => [
            Story::Blink,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->engineStarts === 0 && $r->metrics->startsAvoided === 1,
        ];
        yield 'false return' => [
            Story::FalseReturn,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->returnResets === 1 && $r->metrics->transfersToNormal === 1,
        ];
        yield 'failed crank' => [
            Story::FailedCrank,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->busDeadMs === 21_000 + 20_000,
        ];
        yield 'trip' => [Story::TripUnderLoad, $house, static fn(RehearsalResult $r): bool => $has($r, 'return_bypassed') === 1];
        yield 'load test' => [
            Story::LoadTest,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 1 && $r->metrics->sagsRidden === 0,
        ];
        yield 'sag' => [
            Story::Sag,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->sagsRidden === 1 && $r->metrics->engineStarts === 0,
        ];
        yield 'brown-out, unseen at 82 %' => [Story::BrownOut, $house, static fn(RehearsalResult $r): bool => $r->events === []];
        yield 'brown-out, seen by a panel that drops out at 85 %' => [
            Story::BrownOut,
            $panel,
            static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 1,
        ];
        yield 'slow return' => [
            Story::SlowReturn,
            $house,
            static fn(RehearsalResult $r): bool => array_values(array_filter(
                $r->events,
                static fn(Event $e): bool => $e->kind()->value === 'source_returned' && $e->keys()['source'] === 'normal',
            ))[0]->tMs === 190_000 + 27_000,
        ];
        yield 'lost leg' => [Story::LostPhase, $house, static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 1];
        yield 'reversed phases' => [
            Story::ReversedPhases,
            $panel,
            static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 1,
        ];
        yield 'frequency, unseen without a limit' => [
            Story::DriftingFrequency,
            $house,
            static fn(RehearsalResult $r): bool => $r->events === [],
        ];
        yield 'frequency, seen between two sources' => [
            Story::DriftingFrequency,
            InstallationKind::ContactorPair,
            static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 1,
        ];
        yield 'lock-out' => [
            Story::LockOut,
            $house,
            static fn(RehearsalResult $r): bool => $has($r, 'engine_locked_out') === 1
                && $has($r, 'engine_reset') === 1
                && $r->metrics->engineStarts === 1,
        ];
        yield 'test overtaken' => [
            Story::TestOvertaken,
            $house,
            static fn(RehearsalResult $r): bool => $has($r, 'test_ended') === 1 && $r->metrics->transfersToEmergency === 1,
        ];
        yield 'exercise collides' => [
            Story::ExerciseCollides,
            $house,
            static fn(RehearsalResult $r): bool => $has($r, 'exercise_skipped') === 1,
        ];
        yield 'overload' => [
            Story::Overload,
            $house,
            static fn(RehearsalResult $r): bool => in_array(
                'overload',
                array_column(array_map(static fn(Event $e): array => $e->keys(), $r->events), 'reason'),
                true,
            ),
        ];
        yield 'selector off' => [Story::SelectorOff, $house, static fn(RehearsalResult $r): bool => $r->metrics->busDeadMs > 120_000];
        yield 'by hand in a vehicle' => [
            Story::GeneratorRunsByHand,
            InstallationKind::Mobile50,
            static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 1 && $r->metrics->transfersToNormal === 1,
        ];
        yield 'by hand at a house' => [
            Story::GeneratorRunsByHand,
            $house,
            static fn(RehearsalResult $r): bool => $r->metrics->transfersToEmergency === 0,
        ];
    }

    #[Test]
    public function the_chain_of_causes_leads_from_the_transfer_back_to_the_loss(): void
    {
        $events = $this->play(Story::Outage, InstallationKind::WholeHouse)->events;
        $chainOf = static function (string $kind, int $nth) use ($events): array {
            $places = array_keys(array_filter($events, static fn(Event $event): bool => $event->kind()->value === $kind));

            return array_map(
                static fn(Event $event): string => $event->kind()->value
                    . (isset($event->keys()['timer']) ? ' ' . $event->keys()['timer'] : ''),
                (new CauseChain($events))->of($places[$nth]),
            );
        };
        self::assertSame([
            'switch_closed',
            'switch_opened',
            'timer_expired transfer_delay',
            'timer_started transfer_delay',
            'source_returned',
            'engine_fired',
            'crank_started',
            'start_contact_closed', 'timer_expired start_delay', 'timer_started start_delay', 'source_lost',
        ], $chainOf('switch_closed', 0));
        self::assertSame(
            ['switch_closed', 'switch_opened', 'timer_expired return_delay', 'timer_started return_delay', 'source_returned'],
            $chainOf('switch_closed', 1),
        );
        self::assertSame('source_returned', $chainOf('engine_stopped', 0)[count($chainOf('engine_stopped', 0)) - 1]);
    }

    #[Test, DataProvider('kinds')]
    public function every_chain_ends_and_never_runs_forward(InstallationKind $kind): void
    {
        foreach (Story::cases() as $story) {
            $template = new SheetTemplate($kind);
            if (! $story->fits($template->plant(), $this->sheet($template), self::loads())) {
                continue;
            }
            $events = $this->play($story, $kind)->events;
            foreach (array_keys($events) as $place) {
                $times = array_map(static fn(Event $event): int => $event->tMs, (new CauseChain($events))->of($place));
                $sorted = $times;
                rsort($sorted);
                self::assertSame($sorted, $times);
            }
            self::assertGreaterThan(
                $events === [] ? 0 : $events[count($events) - 1]->tMs,
                $this->play($story, $kind)->final->tMs,
                'the story is long enough to come to rest',
            );
        }
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    private function play(Story $story, InstallationKind $kind): RehearsalResult
    {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();
        $numbers = [];
        foreach ($story->numbers() as $number) {
            $numbers[$number->name] = $number->default;
        }
        $settings = $story === Story::Overload ? $this->sheet($template) : $template->settings();
        self::assertTrue($story->fits($plant, $settings, self::loads()));

        return Rehearsal::play((new ScenarioReader())->scenario(Node::fromArray([
            'system' => $plant->toArray(),
            'settings' => $story->sheet($settings, $numbers)->toWire(),
            'loads' => array_map(static fn(Load $load): array => $load->toArray(), self::loads()),
            'events' => $story->events($numbers, $plant, self::loads()), 'until_ms' => $story->untilMs($numbers, $plant, $settings),
        ])));
    }

    private function sheet(SheetTemplate $template): Settings
    {
        return $template->settings()->withLoadShed(new LoadShedding(10, 5000, 5000, 2000, 30_000));
    }

    /** @return list<Load> */
    private static function loads(): array
    {
        return [new Load('always', 4, 1, false), new Load('dryer', 5, 3, true)];
    }
}
