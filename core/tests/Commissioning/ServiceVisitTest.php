<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\AnswerFault;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\Procedure\SubmittedAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\Service\GivenAnswer;
use Escapement\Core\Commissioning\Service\ServiceRows;
use Escapement\Core\Commissioning\Service\VisitEntries;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Schedule\Service\ServiceItem;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\ProcedureReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ServiceVisitTest extends TestCase
{
    #[Test, DataProvider('visits')]
    public function no_step_waits_for_what_comes_later_and_no_id_stands_twice(InstallationKind $kind, bool $isOpened): void
    {
        $before = [];
        foreach (self::steps($kind, self::everyItem(), $isOpened) as $step) {
            self::assertNotContains($step->id, $before);
            self::assertSame([], array_diff($step->dependsOn, $before), $step->id);
            $before[] = $step->id;
        }
        self::assertContains('clean_up/sign-technician', $before);
    }

    #[Test, DataProvider('visits')]
    public function nobody_touches_an_engine_before_it_is_blocked_and_tried(InstallationKind $kind, bool $isOpened): void
    {
        $steps = self::steps($kind, self::everyItem(), $isOpened);
        $work = array_filter($steps, static fn(Step $step): bool => str_starts_with($step->id, 'engine_service/'));
        self::assertCount(16, $work);
        foreach ($work as $step) {
            self::assertNotNull($step->hazard, $step->id);
            self::assertContains('isolate/engine-still', $step->dependsOn, $step->id);
            self::assertSame(StepState::Locked, self::after($steps, ['as_found/briefing'])->states[$step->id]);
        }
        $places = array_column($steps, 'id');
        self::assertLessThan(array_search('isolate/engine-still', $places, true), array_search('isolate/block-engine', $places, true));
    }

    #[Test, DataProvider('kinds')]
    public function nobody_reaches_into_a_switch_that_is_not_proved_dead(InstallationKind $kind): void
    {
        $steps = self::steps($kind, self::everyItem(), true);
        foreach (['switch_service/switch_inspection', 'switch_service/torque_witness'] as $id) {
            self::assertContains('isolate/proved-dead', $steps[$id]->dependsOn);
            self::assertNotNull($steps[$id]->hazard);
        }
        self::assertTrue($steps['isolate/proved-dead']->isHold);
        self::assertContains('switch_service/closed', $steps['watched_run/energise']->dependsOn);
    }

    #[Test]
    public function a_visit_that_opens_nothing_asks_for_nothing_inside_even_where_it_is_due(): void
    {
        $ids = array_keys(self::steps(InstallationKind::WholeHouse, self::everyItem(), false));

        self::assertSame([], array_filter($ids, static fn(string $id): bool => str_starts_with($id, 'switch_service/')));
        self::assertNotContains('isolate/proved-dead', $ids);
    }

    #[Test]
    public function what_is_inside_of_the_enclosure_is_known_by_its_rows(): void
    {
        self::assertSame(['switch_inspection', 'torque_witness'], ServiceRows::inside());
    }

    #[Test]
    public function two_supplies_have_no_engine_to_serve_and_none_to_start(): void
    {
        $ids = array_keys(self::steps(InstallationKind::ContactorPair, ['switch_inspection'], true, hasEngine: false));

        self::assertSame([], array_intersect(
            ['as_found/hours', 'isolate/block-engine', 'isolate/engine-still', 'watched_run/start', 'as_left/charger-float'],
            $ids,
        ));
        self::assertContains('isolate/proved-dead', $ids);
    }

    #[Test]
    public function only_the_work_that_is_chosen_is_asked_for(): void
    {
        $ids = array_keys(self::steps(InstallationKind::WholeHouse, ['oil_and_filter', 'air_filter'], false));

        self::assertSame(
            ['engine_service/oil_and_filter', 'engine_service/air_filter'],
            array_values(array_filter($ids, static fn(string $id): bool => str_starts_with($id, 'engine_service/'))),
        );
    }

    #[Test]
    public function every_item_of_service_has_its_step(): void
    {
        $steps = self::steps(InstallationKind::WholeHouse, self::everyItem(), true);
        foreach (self::everyItem() as $item) {
            $of = array_filter(array_keys($steps), static fn(string $id): bool => explode('/', $id)[1] === $item);
            self::assertCount(1, $of, $item);
        }
    }

    #[Test]
    public function what_was_found_and_put_right_closes_its_step_with_a_note_and_what_is_left_so_does_not(): void
    {
        $steps = self::steps(InstallationKind::WholeHouse, [], false);
        $judge = new AnswerJudge();
        $note = 'since Tuesday';

        $found = $steps['as_found/selector'];
        self::assertSame(Verdict::Noted, $judge->judge($found, new SubmittedAnswer(choice: 'off', note: $note)));
        self::assertSame(Verdict::NotSo, $judge->judge($steps['as_left/selector'], new SubmittedAnswer(choice: 'off', note: $note)));
        $this->expectException(AnswerFault::class);
        $judge->judge($found, new SubmittedAnswer(choice: 'off'));
    }

    /** @param list<array{kind: string, fields: array<string, mixed>}> $entries */
    #[Test, DataProvider('visitsAndTheirEntries')]
    public function a_visit_writes_into_the_logbook_what_was_done_and_nothing_else(array $given, array $entries): void
    {
        $made = (new VisitEntries($given, 'version 3'))->entries();

        self::assertSame($entries, array_map(
            static fn(array $one): array => ['kind' => $one['kind'], 'fields' => $one['fields']],
            $made,
        ));
        $logbook = array_map(
            static fn(array $one): array => ['at' => '2026-11-20T10:00:00Z', 'kind' => $one['kind']] + $one['fields'],
            $made,
        );
        $summary = (new Calculations())->calc('logbook_summary', Node::fromJson(json_encode([
            'from' => '2026-01-01T00:00:00Z', 'to' => '2026-12-01T00:00:00Z', 'entries' => $logbook,
        ], JSON_THROW_ON_ERROR)));
        self::assertArrayHasKey('findings', $summary); // the core reads what it wrote
    }

    /** @return iterable<string, array{array<string, GivenAnswer>, list<array{kind: string, fields: array<string, mixed>}>}> */
    public static function visitsAndTheirEntries(): iterable
    {
        $so = new GivenAnswer(Verdict::AsExpected);
        yield 'nothing answered' => [[], []];
        yield 'oil changed, plugs left out, filter not so' => [
            [
                'engine_service/oil_and_filter' => $so, 'engine_service/spark_plugs' => new GivenAnswer(Verdict::Skipped),
                'engine_service/air_filter' => new GivenAnswer(Verdict::NotSo, note: 'none in the van'),
            ],
            [['kind' => 'service', 'fields' => ['items' => ['oil_and_filter']]]],
        ];
        yield 'marks that had moved' => [
            ['switch_service/torque_witness' => new GivenAnswer(Verdict::Noted, choice: 'moved'), 'switch_service/closed' => $so],
            [
                ['kind' => 'service', 'fields' => ['items' => ['torque_witness']]],
                ['kind' => 'witness', 'fields' => ['terminal' => 'all lugs', 'moved' => true]],
            ],
        ];
        yield 'a whole visit, in its order' => [
            [
                'watched_run/start' => new GivenAnswer(Verdict::AsExpected, choice: 'first'),
                'watched_run/run-minutes' => new GivenAnswer(Verdict::AsExpected, 20.0),
                'watched_run/load-kw' => new GivenAnswer(Verdict::Skipped),
                'as_found/hours' => new GivenAnswer(Verdict::AsExpected, 212.5),
                'as_found/alarms' => new GivenAnswer(Verdict::Noted, choice: 'alarm', note: 'Low battery'),
                'as_found/settings' => new GivenAnswer(Verdict::Noted, choice: 'other'),
                'as_left/settings' => new GivenAnswer(Verdict::AsExpected, choice: 'same'),
                'engine_service/battery_test' => new GivenAnswer(Verdict::AsExpected, 12.6),
            ],
            [
                ['kind' => 'alarm', 'fields' => ['code' => 'Low battery']],
                ['kind' => 'hours', 'fields' => ['hours' => 212.5]],
                ['kind' => 'settings', 'fields' => ['when' => 'found', 'hash' => 'not version 3']],
                ['kind' => 'battery', 'fields' => ['v' => 12.6, 'state' => 'rest']],
                ['kind' => 'service', 'fields' => ['items' => ['battery_test']]],
                ['kind' => 'exercise', 'fields' => ['done' => true, 'run_min' => 20.0]],
                ['kind' => 'settings', 'fields' => ['when' => 'left', 'hash' => 'version 3']],
            ],
        ];
        yield 'it did not start, and nobody could read the settings' => [
            [
                'watched_run/start' => new GivenAnswer(Verdict::NotSo, choice: 'no'),
                'as_left/settings' => new GivenAnswer(Verdict::Noted, choice: 'not-read'),
            ],
            [['kind' => 'exercise', 'fields' => ['done' => false]]],
        ];
    }

    /** @return iterable<string, array{InstallationKind, bool}> */
    public static function visits(): iterable
    {
        foreach (self::kinds() as $name => [$kind]) {
            yield "$name, closed" => [$kind, false];
            yield "$name, opened" => [$kind, true];
        }
    }

    /** @return iterable<string, array{InstallationKind}> with an engine */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            if ($kind->hasGenerator()) {
                yield $kind->value => [$kind];
            }
        }
    }

    /** @return list<string> */
    private static function everyItem(): array
    {
        $items = [];
        foreach (['natural_gas', 'petrol', 'diesel'] as $fuel) {
            array_push($items, ...array_keys(ServiceItem::generic(true, $fuel)), ...array_keys(ServiceItem::generic(false, $fuel)));
        }

        return array_values(array_unique($items));
    }

    /**
     * @param list<string> $items
     *
     * @return array<string, Step>
     */
    private static function steps(InstallationKind $kind, array $items, bool $isOpened, bool $hasEngine = true): array
    {
        $steps = [];
        foreach (self::procedure($kind, $items, $isOpened, $hasEngine)->steps() as $step) {
            $steps[$step->id] = $step;
        }

        return $steps;
    }

    /** @param list<string> $items */
    private static function procedure(InstallationKind $kind, array $items, bool $isOpened, bool $hasEngine): Procedure
    {
        $template = new SheetTemplate($kind);

        return (new ProcedureReader())->procedure(Node::fromArray([
            'kind' => $kind->value, 'system' => $template->plant()->toArray(), 'settings' => $template->settings()->toWire(),
            'options' => ['service' => ['engine' => $hasEngine, 'enclosure' => $isOpened, 'items' => $items]],
        ])->object());
    }

    /**
     * @param array<string, Step> $steps
     * @param list<string>        $done
     */
    private static function after(array $steps, array $done): Progress
    {
        return Progress::of(array_values($steps), array_map(
            static fn(string $id): JudgedAnswer => new JudgedAnswer(
                $id,
                $steps[$id]->expectation,
                Verdict::AsExpected,
                $steps[$id]->expected,
            ),
            $done,
        ));
    }
}
