<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Record;

use Eris\Generator;
use Eris\TestTrait;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Record\RunRecord;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A run told by its record and by nothing else. */
final class RunRecordTest extends TestCase
{
    use TestTrait;

    private const TIMES = [
        'utility_off' => 0,
        'start_signal' => 5600,
        'engine_running' => 11_300,
        'transferred' => 21_200,
        'utility_on' => 180_000,
        'retransferred' => 480_400,
        'engine_stopped' => 606_900,
    ];

    #[Test]
    public function marks_answers_pictures_and_signature_are_told_in_their_order(): void
    {
        $run = RunRecord::ofExport(Node::fromArray(self::export([
            ...self::marks(),
            [
                'kind' => 'mark_edited',
                'what' => [
                    'id' => 'm-utility_off',
                    'before' => ['note' => null, 'is_undone' => false],
                    'after' => ['note' => 'It hummed.', 'is_undone' => false],
                ],
            ],
            [
                'kind' => 'answer',
                'what' => [
                    'id' => 'a-1',
                    'step' => 'isolate/briefing',
                    'title' => 'Say it',
                    'expected' => 'All know.',
                    'given' => ['so' => true],
                    'verdict' => 'as_expected',
                ],
            ],
            [
                'kind' => 'answer',
                'what' => [
                    'id' => 'a-2',
                    'step' => 'isolate/briefing',
                    'title' => 'Say it',
                    'expected' => 'All know.',
                    'given' => ['so' => false, 'note' => 'One was away.'],
                    'verdict' => 'not_so',
                ],
            ],
            ['kind' => 'photo', 'what' => ['id' => 'p-1', 'step' => 'inspect/photo-open', 'sha256' => str_repeat('a', 64)]],
            ['kind' => 'note', 'what' => ['text' => 'Windy.']],
            [
                'kind' => 'signed',
                'what' => ['name' => 'Ana Quist', 'drawing' => null, 'verdict' => 'pass', 'timing' => 'pass', 'findings' => []],
            ],
            ['kind' => 'amendment', 'what' => ['text' => 'A lamp was out.']],
        ])));
        self::assertSame(
            array_keys(self::TIMES),
            array_map(static fn($one): string => $one->mark->event->value, array_values($run->marks)),
        );
        self::assertSame('It hummed.', $run->marks['m-utility_off']->note);
        self::assertSame([Verdict::AsExpected, Verdict::NotSo], array_column($run->answers, 'verdict'));
        self::assertSame('One was away.', $run->answers[1]->given['note']);
        self::assertSame('inspect/photo-open', $run->photos[0]['step']);
        self::assertSame(['Ana Quist', 'pass'], [$run->signature['name'] ?? null, $run->signature['verdict'] ?? null]);
        self::assertSame('pass', $run->timing()->verdict);
        self::assertSame(['Rosa', 500], [$run->begunBy, $run->reactionMs]);
    }

    #[Test]
    public function a_newer_sheet_that_was_followed_is_what_counts(): void
    {
        $settings = ['return_delay_ms' => 600_000] + self::settings();
        $run = RunRecord::ofExport(Node::fromArray(self::export(
            [
                [
                    'kind' => 'sheet_followed',
                    'what' => [
                        'from_version' => 2,
                        'to_version' => 3,
                        'settings' => $settings,
                        'work' => ['kind' => 'K2'],
                        'reopened' => [],
                    ],
                ],
                ...self::marks(),
            ],
            ['settings' => $settings, 'settings_version' => 3],
        )));
        self::assertSame(3, $run->settingsVersion);
        self::assertSame('K2', $run->work?->value->kind);
        self::assertSame('fail', $run->timing()->verdict, 'it came back before the longer delay');
    }

    #[Test]
    public function a_mark_that_was_struck_out_is_there_and_does_not_count(): void
    {
        $run = RunRecord::ofExport(Node::fromArray(self::export([
            ...self::marks(),
            [
                'kind' => 'mark_edited',
                'what' => ['id' => 'm-transferred', 'before' => [], 'after' => ['note' => null, 'is_undone' => true]],
            ],
        ])));
        self::assertTrue($run->marks['m-transferred']->mark->isUndone);
        self::assertSame('incomplete', $run->timing()->verdict);
    }

    #[Test]
    public function whatever_is_marked_the_verdict_of_the_record_is_that_of_the_marks(): void
    {
        $this->forAll(Generator\seq(Generator\tuple(
            Generator\choose(0, count(self::TIMES) - 1),
            Generator\choose(0, 700_000),
        )))->then(function (array $drawn): void {
            $events = array_keys(self::TIMES);
            $marks = array_map(
                static fn(array $one, int $i): array => self::mark("m-$i", $events[$one[0]], $one[1]),
                $drawn,
                array_keys($drawn),
            );
            $export = self::export($marks);
            $run = new RunRecord(Node::fromArray($export['record']));
            self::assertCount(count($marks), RunRecord::ofExport(Node::fromArray($export))->marks);
            foreach (array_diff(['pass', 'fail', 'incomplete'], [$run->timing()->verdict]) as $wrong) {
                try {
                    RunRecord::ofExport(Node::fromArray(['timing' => ['verdict' => $wrong] + $export['timing']] + $export));
                    self::fail("a wrong verdict passed: $wrong");
                } catch (BadInput $e) {
                    self::assertSame('/timing/verdict', $e->path);
                }
            }
        });
    }

    /**
     * @param list<array<string, mixed>> $entries
     * @param array<string, mixed>       $beside  the record
     */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_told_is_named_where_it_stands(array $entries, array $beside, string $path): void
    {
        try {
            RunRecord::ofExport(Node::fromArray(self::export($entries, $beside)));
            self::fail("takes a fault at $path");
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'a second beginning' => [[['kind' => 'run_begun', 'what' => []]], [], '/record/entries/1'];
        yield 'an edit of no mark' => [
            [['kind' => 'mark_edited', 'what' => ['id' => 'm-9', 'after' => ['note' => null, 'is_undone' => true]]]],
            [],
            '/record/entries/1/what/id',
        ];
        yield 'an event that is none' => [[self::mark('m-1', 'dawn', 0)], [], '/record/entries/1/what/event'];
        yield 'a time before the run' => [[self::mark('m-1', 'utility_off', -1)], [], '/record/entries/1/what/at_ms'];
        yield 'a note of nothing but length' => [
            [[
                'kind' => 'mark',
                'what' => ['id' => 'm-1', 'event' => 'utility_off', 'at_ms' => 0, 'is_undone' => false, 'note' => str_repeat('x', 501)],
            ]],
            [],
            '/record/entries/1/what/note',
        ];
        yield 'a verdict that is none' => [
            [['kind' => 'answer', 'what' => ['id' => 'a', 'step' => 's', 'expected' => 'e', 'given' => [], 'verdict' => 'splendid']]],
            [],
            '/record/entries/1/what/verdict',
        ];
        yield 'an answer of one word' => [
            [['kind' => 'answer', 'what' => ['id' => 'a', 'step' => 's', 'expected' => 'e', 'given' => 'yes', 'verdict' => 'as_expected']]],
            [],
            '/record/entries/1/what/given',
        ];
        yield 'a picture without its hash' => [
            [['kind' => 'photo', 'what' => ['id' => 'p', 'step' => 's']]],
            [],
            '/record/entries/1/what/sha256',
        ];
        yield 'signed with another word' => [
            [['kind' => 'signed', 'what' => ['name' => 'Ana', 'verdict' => 'fine']]],
            [],
            '/record/entries/1/what/verdict',
        ];
        yield 'signed by nobody' => [
            [['kind' => 'signed', 'what' => ['name' => '', 'verdict' => 'pass']]],
            [],
            '/record/entries/1/what/name',
        ];
        yield 'a followed sheet without its settings' => [
            [['kind' => 'sheet_followed', 'what' => ['to_version' => 3]]],
            [],
            '/record/entries/1/what/settings',
        ];
        yield 'another plant beside it' => [[], ['system' => ['kind' => 'mobile']], '/system'];
        yield 'other settings beside it' => [[], ['settings' => ['return_delay_ms' => 1] + self::settings()], '/settings'];
        yield 'another version beside it' => [[], ['settings_version' => 3], '/settings_version'];
        yield 'another reaction beside it' => [[], ['reaction_ms' => 400], '/reaction_ms'];
        yield 'a mark that the record has not' => [
            [],
            ['marks' => [['id' => 'm-9', 'event' => 'utility_off', 'at_ms' => 0, 'undone' => false]]],
            '/marks/0',
        ];
        yield 'another note on a mark' => [
            [self::mark('m-1', 'utility_off', 0)],
            ['marks' => [['id' => 'm-1', 'event' => 'utility_off', 'at_ms' => 0, 'undone' => false, 'note' => 'By ear.']]],
            '/marks/0',
        ];
        yield 'a mark that is missing' => [self::marks(), ['marks' => []], '/marks'];
        yield 'a signature that the record has not' => [
            [],
            ['signature' => ['name' => 'Ana', 'verdict' => 'pass', 'drawing' => null, 'signed_at' => '2026-11-23T09:00:00.000Z']],
            '/signature',
        ];
        $signed = ['kind' => 'signed', 'what' => ['name' => 'Ana', 'drawing' => 'M1 1L2 2', 'verdict' => 'incomplete']];
        yield 'another drawing' => [
            [$signed],
            [
                'signature' => [
                    'name' => 'Ana',
                    'verdict' => 'incomplete',
                    'drawing' => 'M9 9L2 2',
                    'signed_at' => '2026-11-23T09:00:00.000Z',
                ],
            ],
            '/signature',
        ];
        yield 'another hour of signing' => [
            [$signed],
            [
                'signature' => [
                    'name' => 'Ana',
                    'verdict' => 'incomplete',
                    'drawing' => 'M1 1L2 2',
                    'signed_at' => '2026-11-23T08:00:00.000Z',
                ],
            ],
            '/signature',
        ];
        $answer = [
            'kind' => 'answer',
            'what' => [
                'id' => 'a',
                'step' => 'isolate/briefing',
                'title' => 'x',
                'expected' => 'e',
                'given' => ['so' => false, 'note' => 'Live.'],
                'verdict' => 'not_so',
            ],
        ];
        $line = ['id' => 'isolate/briefing', 'given' => $answer['what']['given'], 'who' => 'Rosa', 'expect' => 'e', 'state' => 'not_so'];
        yield 'another answer beside it' => [[$answer], ['procedure' => [['given' => ['so' => true]] + $line]], '/procedure/0/given'];
        yield 'another one who answered' => [[$answer], ['procedure' => [['who' => 'Ana'] + $line]], '/procedure/0/who'];
        yield 'an answer that the record has not' => [[], ['procedure' => [['given' => ['so' => true]] + $line]], '/procedure/0/given'];
        yield 'an answer left out' => [[$answer], ['procedure' => [['given' => null] + $line]], '/procedure/0/given'];
        $photo = ['kind' => 'photo', 'what' => ['id' => 'p', 'step' => 's', 'sha256' => str_repeat('a', 64)]];
        yield 'another picture beside it' => [
            [$photo],
            ['photos' => [['id' => 'p', 'step' => 's', 'sha256' => str_repeat('b', 64)]]],
            '/photos/0',
        ];
        yield 'the picture of another step' => [
            [$photo],
            ['photos' => [['id' => 'p', 'step' => 't', 'sha256' => str_repeat('a', 64)]]],
            '/photos/0',
        ];
        yield 'a picture left out' => [[$photo], ['photos' => []], '/photos'];
        yield 'another format' => [[], ['format' => 'escapement/run/1'], '/format'];
    }

    #[Test]
    public function an_empty_record_and_one_without_a_beginning_are_none(): void
    {
        foreach ([
            ['/entries', []],
            ['/entries/0', [['seq' => 1, 'kind' => 'note', 'who' => 'Rosa', 'server_time' => 'now', 'what' => ['text' => 'x']]]],
        ] as [$path, $entries]) {
            try {
                new RunRecord(Node::fromArray(['entries' => $entries]));
                self::fail('no run');
            } catch (BadInput $e) {
                self::assertSame($path, $e->path);
            }
        }
    }

    #[Test]
    public function a_bare_record_is_verified_by_its_chain_alone(): void
    {
        $export = self::export(self::marks());
        self::assertSame(8, RunRecord::verification(Node::fromArray(['record' => $export['record']]))['entries']);
        self::assertArrayNotHasKey('timing', RunRecord::verification(Node::fromArray(['record' => $export['record']])));
        self::assertSame('pass', RunRecord::verification(Node::fromArray($export))['timing']);
    }

    /**
     * @param list<array<string, mixed>> $entries
     *
     * @return array<string, mixed> what the marks come to; nothing where they cannot be read
     */
    private static function timing(string $head, array $entries): array
    {
        try {
            return (new RunRecord(Node::fromArray(['head' => $head, 'entries' => $entries])))->timing()->toArray();
        } catch (BadInput) {
            return ['verdict' => 'incomplete', 'runs' => [], 'findings' => []];
        }
    }

    /** @return list<array<string, mixed>> */
    private static function marks(): array
    {
        return array_map(
            static fn(string $event, int $atMs): array => self::mark("m-$event", $event, $atMs),
            array_keys(self::TIMES),
            self::TIMES,
        );
    }

    /** @return array<string, mixed> */
    private static function mark(string $id, string $event, int $atMs): array
    {
        return [
            'kind' => 'mark',
            'what' => [
                'id' => $id,
                'event' => $event,
                'at_ms' => $atMs,
                'is_undone' => false,
                'note' => null,
                'late_reason' => null,
                'flag' => null,
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function settings(): array
    {
        return (new SheetTemplate(InstallationKind::WholeHouse))->settings()->toWire();
    }

    /**
     * @param list<array<string, mixed>> $entries behind the beginning
     * @param array<string, mixed>       $beside  what is another way beside the record
     *
     * @return array<string, mixed> an export whose chain is whole and which says what its record says
     */
    private static function export(array $entries, array $beside = []): array
    {
        $plant = (new SheetTemplate(InstallationKind::WholeHouse))->plant()->toArray();
        $begun = [
            'kind' => 'run_begun',
            'what' => ['system' => $plant, 'settings' => self::settings(), 'sheet_version' => 2, 'reaction_ms' => 500],
        ];
        $chain = new RecordChain();
        $hash = RecordChain::GENESIS;
        $chained = $marks = $photos = [];
        $signature = null;
        foreach ([$begun, ...$entries] as $i => $entry) {
            $entry = ['seq' => $i + 1, 'who' => 'Rosa', 'server_time' => '2026-11-23T09:00:00.000Z', 'device_time' => null] + $entry;
            // As the wire has it: an empty map and an empty list are the same in the chain.
            $hash = $chain->hash($hash, $entry);
            $chained[] = ['hash' => $hash] + $entry;
            $what = $entry['what'];
            if ($entry['kind'] === 'mark' && MarkEvent::tryFrom($what['event']) !== null) {
                $marks[$what['id']] = [
                    'id' => $what['id'],
                    'event' => $what['event'],
                    'at_ms' => $what['at_ms'],
                    'undone' => false,
                    'note' => null,
                ];
            }
            if ($entry['kind'] === 'mark_edited' && isset($marks[$what['id']])) {
                $marks[$what['id']] = ['undone' => $what['after']['is_undone'], 'note' => $what['after']['note']] + $marks[$what['id']];
            }
            if ($entry['kind'] === 'photo' && isset($what['sha256'])) {
                $photos[] = $what;
            }
            if ($entry['kind'] === 'signed') {
                $signature = [
                    'name' => $what['name'],
                    'verdict' => $what['verdict'],
                    'drawing' => $what['drawing'] ?? null,
                    'signed_at' => $entry['server_time'],
                ];
            }
        }

        return $beside + [
            'format' => RunRecord::FORMAT,
            'system' => $plant,
            'settings' => self::settings(),
            'settings_version' => 2,
            'reaction_ms' => 500,
            'marks' => array_values($marks),
            'procedure' => [],
            'photos' => $photos,
            'timing' => self::timing($hash, $chained), 'signature' => $signature, 'record' => ['head' => $hash, 'entries' => $chained],
        ];
    }
}
