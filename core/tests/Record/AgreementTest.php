<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\Agreement;
use Escapement\Core\Record\RunRecord;
use Escapement\Core\Tests\Leaves;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** An export says what its record says: whatever else is written into it is found, and named by its place. */
final class AgreementTest extends TestCase
{
    #[Test]
    public function a_whole_export_is_found_whole(): void
    {
        $told = RunRecord::verification(self::node(self::export()));
        self::assertSame(['pass', 'states', 'pass'], [$told['timing'], $told['procedure'], $told['signed']]);
        self::assertSame(count(self::export()['record']['entries']), $told['entries']);
    }

    #[Test]
    public function of_steps_that_another_edition_asked_only_the_answers_are_held_against_the_record(): void
    {
        $export = self::export();
        $export['procedure'][0]['expected'] = 'something else';
        self::assertSame('answers', RunRecord::verification(self::node($export))['procedure'], 'one step is asked otherwise');
        $export = self::export();
        $export['procedure'][0]['expect'] = 'Other words for the same.';
        self::assertSame('answers', RunRecord::verification(self::node($export))['procedure'], 'words that nobody ever said');
        $export = self::export();
        unset($export['procedure'][0]['expected']);
        self::assertSame('states', RunRecord::verification(self::node($export))['procedure'], 'an export of before, in the same words');
        array_pop($export['procedure']);
        self::assertSame('answers', RunRecord::verification(self::node($export))['procedure'], 'a step less, which nobody answered');
    }

    /** @return iterable<string, array{list<int|string>}> one place of each kind */
    public static function places(): iterable
    {
        $places = [];
        foreach (Leaves::of(self::export()) as $path) {
            $kind = implode('/', array_map(static fn(int|string $step): string => is_int($step) ? '*' : $step, $path));
            $places[$kind] ??= [$path];
        }

        return $places;
    }

    /** @param list<int|string> $path */
    #[Test, DataProvider('places')]
    public function another_value_is_noticed_wherever_it_stands(array $path): void
    {
        $whole = RunRecord::verification(self::node(self::export()));
        try {
            $isNoticed = RunRecord::verification(self::node(Leaves::changed(self::export(), $path))) !== $whole;
        } catch (BadInput $e) {
            self::assertStringStartsWith('/', $e->path);
            $isNoticed = true;
        }
        $isWord = $path[0] === 'procedure' && in_array($path[2], ['title'], true) || $path[0] === 'timing' && $path[1] === 'working';
        self::assertSame(! $isWord, $isNoticed, 'words and working are left to the edition that wrote them');
    }

    /** @return iterable<string, array{\Closure(array<string, mixed>): array<string, mixed>, string}> */
    public static function spoilt(): iterable
    {
        $less = static fn(string $key): \Closure => static function (array $export) use ($key): array {
            array_pop($export[$key]);

            return $export;
        };
        yield 'a mark is missing' => [$less('marks'), '/marks'];
        yield 'a mark stands twice' => [
            static fn(array $export): array => ['marks' => [...$export['marks'], ['id' => 'x'] + $export['marks'][0]]] + $export,
            '/marks/',
        ];
        yield 'the signature is gone' => [static fn(array $export): array => ['signature' => null] + $export, '/signature'];
        yield 'no step is listed' => [static fn(array $export): array => ['procedure' => []] + $export, '/procedure'];
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $spoil */
    #[Test, DataProvider('spoilt')]
    public function what_is_missing_or_too_much_is_named(\Closure $spoil, string $at): void
    {
        try {
            RunRecord::verification(self::node($spoil(self::export())));
            self::fail('nobody noticed');
        } catch (BadInput $e) {
            self::assertStringStartsWith($at, $e->path);
        }
    }

    #[Test]
    public function keys_in_another_order_say_the_same(): void
    {
        $export = self::export();
        foreach ($export['procedure'] as $i => $line) {
            $export['procedure'][$i] = array_reverse($line, true);
        }
        $export['timing'] = array_reverse($export['timing'], true);
        self::assertSame(RunRecord::verification(self::node(self::export())), RunRecord::verification(self::node($export)));
    }

    #[Test]
    public function tables_are_held_against_the_record_whatever_this_edition_computes(): void
    {
        $export = ['timing' => ['verdict' => 'something else']] + self::export();
        (new Agreement(RunRecord::ofExport(self::node(self::export()))))->onTables(self::node($export));
        $this->expectException(BadInput::class);
        array_pop($export['marks']);
        (new Agreement(RunRecord::ofExport(self::node(self::export()))))->onTables(self::node($export));
    }

    /**
     * @param list<string> $field of the first entry of that kind
     * @param mixed        $least that is refused
     */
    #[Test, DataProvider('limits')]
    public function a_record_is_read_up_to_its_limits(string $kind, array $field, mixed $most, mixed $least): void
    {
        $entries = self::export()['record']['entries'];
        $entries[] = ['kind' => 'photo', 'what' => ['id' => 'p', 'step' => 's', 'sha256' => 'a']] + $entries[1];
        $place = (int) array_search($kind, array_column($entries, 'kind'), true);
        foreach ([[$most, true], [$least, false]] as [$value, $isRead]) {
            $at = &$entries[$place];
            foreach ($field as $key) {
                $at = &$at[$key];
            }
            $at = $value;
            unset($at);
            try {
                new RunRecord(Node::fromJson(json_encode(['entries' => $entries], JSON_THROW_ON_ERROR)));
                self::assertTrue($isRead, 'beyond the limit it is refused');
            } catch (BadInput $e) {
                self::assertFalse($isRead, 'on the limit it is read');
                self::assertSame("/entries/$place/" . implode('/', $field), $e->path);
            }
        }
    }

    /** @return iterable<string, array{string, list<string>, mixed, mixed}> */
    public static function limits(): iterable
    {
        $text = static fn(string $kind, array $field, int $most): array => [
            $kind, $field, str_repeat('x', $most), str_repeat('x', $most + 1),
        ];
        yield 'hand' => ['run_begun', ['what', 'reaction_ms'], 60_000, 60_001];
        yield 'no hand' => ['run_begun', ['what', 'reaction_ms'], 0, -1];
        yield 'version' => ['run_begun', ['what', 'sheet_version'], 1_000_000, 1_000_001];
        yield 'first version' => ['run_begun', ['what', 'sheet_version'], 1, 0];
        yield 'who' => $text('mark', ['who'], 200);
        yield 'by the clock of the server' => $text('mark', ['server_time'], 40);
        yield 'by the clock of the phone' => $text('mark', ['device_time'], 40);
        yield 'note of a mark' => $text('mark', ['what', 'note'], 500);
        yield 'why it came late' => $text('mark', ['what', 'late_reason'], 200);
        yield 'flag' => $text('mark', ['what', 'flag'], 200);
        yield 'note that was mended' => $text('mark_edited', ['what', 'after', 'note'], 500);
        yield 'answer' => $text('answer', ['what', 'id'], 40);
        yield 'step' => $text('answer', ['what', 'step'], 120);
        yield 'what was expected' => $text('answer', ['what', 'expected'], 6000);
        yield 'what was asked' => $text('answer', ['what', 'asked'], 1000);
        yield 'picture' => $text('photo', ['what', 'id'], 40);
        yield 'step of a picture' => $text('photo', ['what', 'step'], 120);
        yield 'sum of a picture' => $text('photo', ['what', 'sha256'], 64);
        yield 'name' => $text('signed', ['what', 'name'], 120);
        yield 'drawing' => $text('signed', ['what', 'drawing'], 20_000);
    }

    /** @return array<string, mixed> of a run that was worked through, pictured and signed */
    private static function export(): array
    {
        static $export = null;

        return $export ??= json_decode((string) file_get_contents(dirname(__DIR__) . '/data/run.json'), true, 512, JSON_THROW_ON_ERROR);
    }

    /** @param array<string, mixed> $export */
    private static function node(array $export): Node
    {
        $export['switch']['rated_kw'] = (object) $export['switch']['rated_kw'];
        $export['sheet']['habits'] = (object) $export['sheet']['habits'];
        foreach ($export['procedure'] as $i => $line) {
            $export['procedure'][$i]['given'] = $line['given'] === null ? null : (object) $line['given'];
        }

        return Node::fromArray($export);
    }
}
