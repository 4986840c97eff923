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
