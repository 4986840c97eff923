<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\LoadTestRecord;
use Escapement\Core\Record\LogbookRecord;
use Escapement\Core\Tests\Leaves;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The export of a load test and of a logbook: it says what its record says, and its verdict follows from what was read. */
final class LoadTestRecordTest extends TestCase
{
    #[Test]
    public function a_whole_export_is_found_whole(): void
    {
        $told = LoadTestRecord::verification(self::node(self::export()));
        self::assertSame([3, 'pass', 9], [$told['readings'], $told['signed'], $told['entries']]);
        $record = LoadTestRecord::ofExport(self::node(self::export()));
        self::assertSame(['Noor', '2026-11-20T09:00:00.000Z'], [$record->plannedBy, $record->plannedAt]);
        self::assertSame('slipped', $record->readings['r2']['struck_why']);
        self::assertSame('too early', $record->marks['m1']['struck_why']);
        self::assertSame('Noor', $record->readings['r1']['who']);
        self::assertSame(['p1'], array_keys($record->photos));
    }

    #[Test]
    public function a_test_that_nobody_has_signed_yet_is_whole_too(): void
    {
        $entries = array_slice(self::entries(), 0, -1);
        $told = LoadTestRecord::verification(self::node(self::export($entries, ['signature' => null])));
        self::assertNull($told['signed']);
        $none = self::export($entries, ['signature' => null, 'evaluation' => null]);
        self::assertNull(LoadTestRecord::verification(self::node($none))['signed']);
    }

    /** @return iterable<string, array{list<int|string>}> each value of the tables; what only names the site is no part of the record */
    public static function places(): iterable
    {
        foreach (Leaves::of(array_diff_key(self::export(), ['record' => true])) as $path) {
            yield implode('/', $path) => [$path];
        }
    }

    /** @param list<int|string> $path */
    #[Test, DataProvider('places')]
    public function another_value_in_the_tables_is_refused(array $path): void
    {
        $this->expectException(BadInput::class);
        LoadTestRecord::verification(self::node(Leaves::changed(self::export(), $path)));
    }

    /** @param array<string, mixed> $export */
    #[Test, DataProvider('spoilt')]
    public function what_does_not_fit_is_named_at_its_place(array $export, string $at): void
    {
        try {
            LoadTestRecord::verification(self::node($export));
            self::fail('nobody noticed');
        } catch (BadInput $e) {
            self::assertStringStartsWith($at, $e->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function spoilt(): iterable
    {
        $entries = self::entries();
        $with = static fn(int $place, array $what): array => array_replace($entries, [
            $place => ['what' => $what + $entries[$place]['what']] + $entries[$place],
        ]);
        yield 'a reading left out' => [self::export(changed: ['readings' => array_slice(self::readings(), 1)]), '/readings'];
        yield 'a reading twice' => [self::export(changed: ['readings' => [...self::readings(), self::readings()[0]]]), '/readings/3'];
        yield 'a mark left out' => [self::export(changed: ['marks' => []]), '/marks'];
        yield 'a picture left out' => [self::export(changed: ['photos' => []]), '/photos'];
        yield 'the signature left out' => [self::export(changed: ['signature' => null]), '/signature'];
        yield 'no plan first' => [self::export(array_slice($entries, 1)), '/record/entries/0'];
        yield 'a second plan' => [self::export([...$entries, $entries[0]]), '/record/entries/9'];
        yield 'a mark of no kind' => [self::export($with(4, ['kind' => 'soon'])), '/record/entries/4/what/kind'];
        yield 'what was never read is struck' => [self::export($with(5, ['id' => 'r9'])), '/record/entries/5/what/id'];
        yield 'a verdict of no kind' => [self::export($with(8, ['verdict' => 'good'])), '/record/entries/8/what/verdict'];
        yield 'a verdict that does not follow' => [
            self::export($with(8, ['verdict' => 'fail']), ['signature' => ['verdict' => 'fail'] + self::signature()]), '/evaluation',
        ];
        $hotter = self::evaluation();
        $hotter['readings'][1]['kw'] = 4.5;
        yield 'readings in the verdict that nobody took' => [
            self::export($with(8, ['evaluation' => $hotter]), ['evaluation' => $hotter]), '/evaluation/readings',
        ];
        yield 'another evaluation than was signed' => [
            self::export(changed: ['evaluation' => ['fuel' => 'lp'] + self::evaluation()]), '/evaluation',
        ];
        yield 'of another format' => [self::export(changed: ['format' => LogbookRecord::FORMAT]), '/format'];
        yield 'a struck reading in the verdict' => [
            self::export(array_values(array_diff_key($entries, [5 => true])), [
                'readings' => array_map(static fn(array $one): array => ['struck_why' => null] + $one, self::readings()),
                'signature' => ['signed_at' => '2026-11-20T09:07:00.000Z'] + self::signature(),
            ]), '/evaluation/readings',
        ];
    }

    /**
     * @param class-string<LoadTestRecord>|class-string<LogbookRecord> $record
     * @param list<array<string, mixed>>                               $entries
     * @param list<string>                                             $field   of the entry at that place
     */
    #[Test, DataProvider('lengths')]
    public function a_text_may_be_so_long_and_no_longer(string $record, array $entries, int $place, array $field, int $most): void
    {
        $chained = Chained::of($entries);
        foreach ([$most, $most + 1] as $length) {
            $at = &$chained['entries'][$place];
            foreach ($field as $key) {
                $at = &$at[$key];
            }
            $at = str_repeat('x', $length);
            unset($at);
            try {
                new $record(Node::fromArray($chained));
                self::assertSame($most, $length, 'beyond the limit it is refused');
            } catch (BadInput $e) {
                self::assertSame($most + 1, $length, 'on the limit it is read');
                self::assertSame("/entries/$place/" . implode('/', $field), $e->path);
            }
        }
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, int, list<string>, int}> */
    public static function lengths(): iterable
    {
        $test = static fn(int $place, array $field, int $most): array => [LoadTestRecord::class, self::entries(), $place, $field, $most];
        yield 'who planned' => $test(0, ['who'], 200);
        yield 'when it was planned' => $test(0, ['server_time'], 40);
        yield 'who read' => $test(1, ['who'], 200);
        yield 'reading' => $test(1, ['what', 'id'], 40);
        yield 'what nobody knows' => $test(7, ['kind'], 40);
        yield 'why it was struck' => $test(5, ['what', 'why'], 300);
        yield 'picture' => $test(7, ['what', 'id'], 40);
        yield 'who signed' => $test(8, ['what', 'name'], 120);
        yield 'the drawing of a signature' => $test(8, ['what', 'drawing'], 20_000);
        yield 'when it was signed' => $test(8, ['server_time'], 40);
        $line = static fn(int $place, array $field, int $most): array => [
            LogbookRecord::class, self::written(), $place, $field, $most,
        ];
        yield 'who wrote' => $line(0, ['who'], 200);
        yield 'who wrote it for another' => $line(1, ['what', 'who'], 200);
        yield 'line' => $line(1, ['what', 'id'], 40);
        yield 'why a line was struck' => $line(2, ['what', 'why'], 300);
        yield 'a kind that nobody knows' => $line(3, ['kind'], 40);
    }

    #[Test]
    public function of_two_readings_at_one_moment_the_first_is_judged(): void
    {
        $entries = self::entries();
        $second = ['id' => 'r4', 'kw' => 9.9] + self::readings()[2];
        array_splice($entries, 8, 0, [['kind' => 'reading', 'what' => array_diff_key($second, ['who' => 0])]]);
        $export = self::export($entries, [
            'readings' => [...self::readings(), $second],
            'signature' => ['signed_at' => '2026-11-20T09:09:00.000Z'] + self::signature(),
        ]);
        self::assertSame(4, LoadTestRecord::verification(self::node($export))['readings']);
    }

    #[Test]
    public function a_logbook_is_whole_and_its_struck_lines_say_why(): void
    {
        $export = self::logbook();
        self::assertSame(2, LogbookRecord::verification(Node::fromArray($export))['lines']);
        foreach (Leaves::of(array_diff_key($export, ['record' => true])) as $path) {
            try {
                LogbookRecord::verification(Node::fromArray(Leaves::changed($export, $path)));
                self::fail('nobody noticed ' . implode('/', $path));
            } catch (BadInput $e) {
                self::assertStringStartsWith("/$path[0]", $e->path);
            }
        }
        $this->expectExceptionMessage('The record has one entry more than these');
        array_pop($export['entries']);
        LogbookRecord::verification(Node::fromArray($export));
    }

    #[Test]
    public function what_was_never_written_cannot_be_struck(): void
    {
        $export = self::logbook();
        $export['record'] = Chained::of([['kind' => 'struck', 'what' => ['id' => 'e1', 'why' => 'x']]]);
        $this->expectExceptionMessage('The record has no such entry yet.');
        LogbookRecord::verification(Node::fromArray($export));
    }

    /** @return array<string, mixed> */
    private static function logbook(): array
    {
        [$first, $second] = self::lines();

        return [
            'format' => LogbookRecord::FORMAT,
            'entries' => [
                $first + ['struck_why' => 'twice', 'who' => 'Noor'], $second + ['struck_why' => null, 'who' => 'Ivo'],
            ],
            'record' => Chained::of(self::written()),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function written(): array
    {
        [$first, $second] = self::lines();

        return [
            ['kind' => 'written', 'what' => $first], ['kind' => 'written', 'what' => $second + ['who' => 'Ivo']],
            ['kind' => 'struck', 'what' => ['id' => 'e1', 'why' => 'twice']], ['kind' => 'another', 'what' => ['x' => 1]],
        ];
    }

    /** @return array{array<string, mixed>, array<string, mixed>} */
    private static function lines(): array
    {
        $first = [
            'id' => 'e1', 'kind' => 'oil', 'at' => '2026-11-01T08:00:00.000Z', 'fields' => ['litres' => 4.5], 'note' => 'Changed.',
            'source' => 'app',
        ];

        return [$first, ['id' => 'e2', 'kind' => 'note', 'fields' => ['text' => 'Quiet.'], 'note' => 'None.'] + $first];
    }

    /**
     * @param null|list<array<string, mixed>> $entries
     * @param array<string, mixed>            $changed
     *
     * @return array<string, mixed>
     */
    private static function export(?array $entries = null, array $changed = []): array
    {
        return $changed + [
            'format' => LoadTestRecord::FORMAT, 'readings' => self::readings(),
            'marks' => [
                ['id' => 'm1', 'kind' => 'step_up', 'at' => '2026-11-20T09:00:30Z', 'level_pct' => 50, 'note' => 'late', 'who' => 'Noor']
                + ['struck_why' => 'too early'],
            ],
            'photos' => [['id' => 'p1', 'reading' => 'r1', 'sha256' => 'abc']],
            'evaluation' => self::evaluation(), 'signature' => self::signature(),
            'record' => Chained::of($entries ?? self::entries()),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function entries(): array
    {
        $reading = static fn(int $i): array => [
            'kind' => 'reading', 'what' => ['struck_why' => null] + array_diff_key(self::readings()[$i], ['who' => 0]),
        ];

        return [
            ['kind' => 'test_planned', 'what' => ['plan' => ['fuel' => 'petrol']]],
            $reading(0), $reading(1), $reading(2),
            [
                'kind' => 'test_mark',
                'what' => ['id' => 'm1', 'kind' => 'step_up', 'at' => '2026-11-20T09:00:30Z', 'level_pct' => 50, 'note' => 'late'],
            ],
            ['kind' => 'struck', 'what' => ['id' => 'r2', 'why' => 'slipped']],
            ['kind' => 'struck', 'what' => ['id' => 'm1', 'why' => 'too early']],
            ['kind' => 'photo', 'what' => ['id' => 'p1', 'reading' => 'r1', 'sha256' => 'abc']],
            [
                'kind' => 'signed',
                'what' => ['name' => 'Noor', 'drawing' => 'M0 0', 'verdict' => 'pass', 'evaluation' => self::evaluation()],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function signature(): array
    {
        return ['name' => 'Noor', 'drawing' => 'M0 0', 'verdict' => 'pass', 'signed_at' => '2026-11-20T09:08:00.000Z'];
    }

    /** @return list<array<string, mixed>> the second was struck out */
    private static function readings(): array
    {
        $reading = static fn(string $id, string $at, float $kw, float $amps, float $hz): array => [
            'id' => $id, 'taken_at' => "2026-11-20T09:$at.000Z", 'v_v' => [120, 120], 'a_a' => [$amps, $amps], 'hz' => $hz, 'kw' => $kw,
            'oil_kpa' => 300, 'coolant_c' => 80, 'exhaust_c' => 400, 'battery_v' => 13.5, 'note' => 'even', 'source' => 'typed',
            'struck_why' => $id === 'r2' ? 'slipped' : null, 'who' => 'Noor',
        ];

        return [
            $reading('r1', '01:00', 0.4, 1.7, 62.4), $reading('r2', '01:30', 7.0, 90.0, 58.0), $reading('r3', '21:00', 4.0, 16.7, 60.6),
        ];
    }

    /** @return array<string, mixed> the input of load_test_evaluate */
    private static function evaluation(): array
    {
        $figures = static fn(int $i, int $s): array => ['t_s' => $s]
            + array_intersect_key(self::readings()[$i], array_flip(LoadTestRecord::FIGURES));

        return [
            'profile' => 'quarterly_house', 'fuel' => 'petrol', 'nameplate_kw' => 8, 'governor' => 'droop',
            'readings' => [$figures(0, 0), $figures(2, 1200)],
        ];
    }

    /** @param array<string, mixed> $export */
    private static function node(array $export): Node
    {
        return Node::fromJson(json_encode($export, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}
