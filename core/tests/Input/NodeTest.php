<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Input;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Texts;
use Escapement\Core\Plant\PlantKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** One value of an input: what is taken, and what is refused, at its own place and in plain words. */
final class NodeTest extends TestCase
{
    /**
     * @param \Closure(Node): mixed $read
     * @param mixed                 $is   what comes out
     */
    #[Test, DataProvider('taken')]
    public function what_is_inside_is_taken(mixed $value, \Closure $read, mixed $is): void
    {
        self::assertSame($is, $read(new Node($value, '/here')));
    }

    /** @return iterable<string, array{mixed, \Closure(Node): mixed, mixed}> */
    public static function taken(): iterable
    {
        $integer = static fn(Node $node): int => $node->integer(-2, 9);
        yield 'the least' => [-2, $integer, -2];
        yield 'the most' => [9, $integer, 9];
        yield 'a whole number written with a point' => [3.0, $integer, 3];
        $any = static fn(Node $node): int => $node->integer(0, PHP_INT_MAX);
        yield 'a large one' => [8_999_999_999_999_998.0, $any, 8_999_999_999_999_998];
        yield 'a year' => [31_536_000_000, static fn(Node $node): int => $node->ms(), 31_536_000_000];
        yield 'no time' => [0, static fn(Node $node): int => $node->ms(), 0];
        $number = static fn(Node $node): int|float => $node->number(0, 100);
        yield 'a number at its least' => [0, $number, 0];
        yield 'at its most' => [100.0, $number, 100.0];
        yield 'just above' => [1e-12, static fn(Node $node): int|float => $node->number(0, 1, aboveMin: true), 1e-12];
        yield 'true' => [true, static fn(Node $node): bool => $node->bool(), true];
        yield 'false' => [false, static fn(Node $node): bool => $node->bool(), false];
        yield 'characters, not bytes' => ['éü€', static fn(Node $node): string => $node->text(3), 'éü€'];
        yield 'one character' => ['x', static fn(Node $node): string => $node->text(1), 'x'];
        yield 'as long as usual' => [str_repeat('x', 64), static fn(Node $node): string => $node->text(), str_repeat('x', 64)];
        yield 'a word' => ['b', static fn(Node $node): string => $node->oneOf(['a', 'b']), 'b'];
        yield 'a case' => ['mobile', static fn(Node $node): PlantKind => $node->enum(PlantKind::class), PlantKind::Mobile];
        yield 'nothing' => [null, static fn(Node $node): bool => $node->isNull(), true];
        yield 'a list of two' => [[1, 2], static fn(Node $node): array => array_column($node->list(2, 2), 'path'), ['/here/0', '/here/1']];
        yield 'an empty list' => [[], static fn(Node $node): array => $node->list(), []];
        yield 'special characters in a key' => [1, static fn(Node $node): string => $node->at('a/b~c', 1)->path, '/here/a~1b~0c'];
        yield 'a place in a list' => [1, static fn(Node $node): string => $node->at(3, 1)->path, '/here/3'];
    }

    /** @param \Closure(Node): mixed $read */
    #[Test, DataProvider('refused')]
    public function what_is_outside_is_refused_at_its_place(mixed $value, \Closure $read, string $message): void
    {
        try {
            $read(new Node($value, '/here'));
            self::fail('it was taken');
        } catch (BadInput $e) {
            self::assertSame(['/here', $message], [$e->path, $e->getMessage()]);
            self::assertSame(['error' => ['path' => '/here', 'message' => $message]], $e->toArray());
        }
    }

    /** @return iterable<string, array{mixed, \Closure(Node): mixed, string}> */
    public static function refused(): iterable
    {
        $integer = static fn(Node $node): int => $node->integer(-2, 9);
        yield 'less' => [-3, $integer, '-3 is not in the range from -2 to 9.'];
        yield 'more' => [10, $integer, '10 is not in the range from -2 to 9.'];
        yield 'a part' => [1.5, $integer, 'This must be a whole number from -2 to 9.'];
        yield 'a number too large to be whole' => [9e15, $integer, 'This must be a whole number from -2 to 9.'];
        yield 'a text that looks like one' => ['3', $integer, 'This must be a whole number from -2 to 9.'];
        yield 'more than a year' => [
            31_536_000_001, static fn(Node $node): int => $node->ms(), '31536000001 is not in the range from 0 to 31536000000.',
        ];
        yield 'less than asked' => [4, static fn(Node $node): int => $node->ms(5), '4 is not in the range from 5 to 31536000000.'];
        $number = static fn(Node $node): int|float => $node->number(0, 100);
        yield 'a number below' => [-0.5, $number, '-0.5 is not in the range from 0 to 100.'];
        yield 'a number above' => [100.5, $number, '100.5 is not in the range from 0 to 100.'];
        yield 'no number' => ['7', $number, 'This must be a number from 0 to 100.'];
        yield 'no finite one' => [INF, $number, 'This must be a number from 0 to 100.'];
        $above = static fn(Node $node): int|float => $node->number(0, INF, aboveMin: true);
        yield 'not above' => [0, $above, '0 is not in the range above 0.'];
        yield 'nothing without an end' => [null, $above, 'This must be a number above 0.'];
        yield 'below without an end' => [-1, static fn(Node $node): int|float => $node->number(0, INF), '-1 is not in the range from 0.'];
        yield 'a one for yes' => [1, static fn(Node $node): bool => $node->bool(), 'This must be true or false.'];
        $text = static fn(Node $node): string => $node->text(3);
        yield 'an empty text' => ['', $text, 'This text must have 1 to 3 characters; it has 0.'];
        yield 'a long text' => ['éüß€', $text, 'This text must have 1 to 3 characters; it has 4.'];
        yield 'a number for a text' => [3, $text, 'This must be a text.'];
        yield 'longer than usual' => [
            str_repeat('x', 65), static fn(Node $node): string => $node->text(), 'This text must have 1 to 64 characters; it has 65.',
        ];
        yield 'another word' => ['c', static fn(Node $node): string => $node->oneOf(['a', 'b']), 'This must be one of: a, b.'];
        yield 'no word' => [null, static fn(Node $node): string => $node->oneOf(['a', 'b']), 'This must be one of: a, b.'];
        yield 'no case' => [
            'boat', static fn(Node $node): PlantKind => $node->enum(PlantKind::class), 'This must be one of: standby, two_source, mobile.',
        ];
        $list = static fn(Node $node): array => $node->list(1, 2);
        yield 'too few' => [[], $list, 'This list must have 1 to 2 items; it has 0.'];
        yield 'too many' => [[1, 2, 3], $list, 'This list must have 1 to 2 items; it has 3.'];
        yield 'no list' => [new \stdClass(), $list, 'This must be a list.'];
        yield 'no object' => [[], static fn(Node $node): mixed => $node->object(), 'This must be an object.'];
    }

    #[Test]
    public function what_is_no_json_is_refused_as_a_whole(): void
    {
        try {
            Node::fromJson('{"a":');
            self::fail('it was read');
        } catch (BadInput $e) {
            self::assertSame('', $e->path);
            self::assertStringStartsWith('This is not JSON that can be read: ', $e->getMessage());
        }
        self::assertSame(4.0, Node::fromArray(['a' => 4.0])->object()->required('a')->value, 'a point stays a point');
    }

    #[Test]
    public function a_field_has_its_default_only_where_it_is_not_there(): void
    {
        $in = new Fields(Node::fromArray(['zero' => 0, 'no' => false, 'word' => 'b', 'text' => 'x', 'half' => 0.5]));
        self::assertSame([0.0, 7.0], [$in->n0('zero', 7.0), $in->n0('none', 7.0)]);
        self::assertSame([false, true], [$in->bool('no', true), $in->bool('none', true)]);
        self::assertSame(['b', 'a'], [$in->oneOf('word', ['a', 'b'], 'a'), $in->oneOf('none', ['a', 'b'], 'a')]);
        self::assertSame([0, 5], [$in->int('zero', 0, 9, 5), $in->int('none', 0, 9, 5)]);
        self::assertSame([0.5, 50.0], [$in->pct('half', 50.0), $in->pct('none', 50.0)]);
        self::assertSame([0.5, 3.0], [$in->np('half', 3.0), $in->np('none', 3.0)]);
        self::assertSame([null, null, null, null, null, null, null], [
            $in->maybeN0('none'), $in->maybeNp('none'), $in->maybeInt('none', 0, 1), $in->maybeText('none'), $in->maybeOneOf('none', ['a']),
            $in->maybeObject('none'), $in->maybeList('none', 0, 1),
        ]);
        self::assertTrue($in->has('zero'));
        self::assertFalse($in->has('none'));
    }

    /** @param \Closure(Fields): mixed $read */
    #[Test, DataProvider('missing')]
    public function what_is_required_is_missed_by_its_own_name(\Closure $read): void
    {
        $this->expectExceptionObject(new BadInput('/key', 'This key is required and is not there.'));
        $read(new Fields(Node::fromArray((object) [])));
    }

    /** @return iterable<string, array{\Closure(Fields): mixed}> */
    public static function missing(): iterable
    {
        yield 'number' => [static fn(Fields $in): float => $in->number('key', 0, 1)];
        yield 'from 0' => [static fn(Fields $in): float => $in->n0('key')];
        yield 'above 0' => [static fn(Fields $in): float => $in->np('key')];
        yield 'percent' => [static fn(Fields $in): float => $in->pct('key')];
        yield 'whole' => [static fn(Fields $in): int => $in->int('key', 0, 1)];
        yield 'yes or no' => [static fn(Fields $in): bool => $in->bool('key')];
        yield 'text' => [static fn(Fields $in): string => $in->text('key')];
        yield 'word' => [static fn(Fields $in): string => $in->oneOf('key', ['a'])];
        yield 'object' => [static fn(Fields $in): Fields => $in->object('key')];
        yield 'list' => [static fn(Fields $in): array => $in->list('key', 0, 1)];
    }

    /** @param \Closure(Fields): mixed $read */
    #[Test, DataProvider('ranges')]
    public function the_usual_ranges_end_where_they_are_said_to(\Closure $read, float $least, float $most, bool $isAbove): void
    {
        $at = static fn(float $value): mixed => $read(new Fields(Node::fromArray(['key' => $value])));
        self::assertSame($most, $at($most));
        self::assertSame($isAbove ? 1e-9 : $least, $at($isAbove ? 1e-9 : $least));
        foreach ([$most * (1 + 1e-9) + 1e-9, $isAbove ? $least : $least - 1e-9] as $beyond) {
            try {
                $at($beyond);
                self::fail("$beyond was taken");
            } catch (BadInput $e) {
                self::assertSame('/key', $e->path);
            }
        }
    }

    /** @return iterable<string, array{\Closure(Fields): mixed, float, float, bool}> */
    public static function ranges(): iterable
    {
        yield 'from 0' => [static fn(Fields $in): float => $in->n0('key'), 0.0, 1e9, false];
        yield 'from 0, where it is there' => [static fn(Fields $in): ?float => $in->maybeN0('key'), 0.0, 1e9, false];
        yield 'above 0' => [static fn(Fields $in): float => $in->np('key'), 0.0, 1e9, true];
        yield 'above 0, where it is there' => [static fn(Fields $in): ?float => $in->maybeNp('key'), 0.0, 1e9, true];
        yield 'percent' => [static fn(Fields $in): float => $in->pct('key'), 0.0, 100.0, false];
    }

    #[Test]
    public function a_key_that_nobody_knows_is_refused_by_its_name(): void
    {
        $node = Node::fromArray(['a' => 1, 'b' => 2, 'c' => 3]);
        foreach ([
            static fn(): mixed => (new Fields($node))->only(['a', 'c']),
            static function () use ($node): void {
                $in = new Fields($node);
                $in->int('a', 0, 9);
                $in->close();
            },
        ] as $read) {
            try {
                $read();
                self::fail('it was taken');
            } catch (BadInput $e) {
                self::assertSame('/b', $e->path);
                self::assertStringContainsString('not known here', $e->getMessage());
            }
        }
        $in = (new Fields($node))->only(['a', 'b', 'c']);
        array_map(static fn(string $key): int => $in->int($key, 0, 9), ['a', 'b', 'c']);
        $in->close();
    }

    /** @param list<array<string, mixed>> $items */
    #[Test, DataProvider('lists')]
    public function the_ids_of_a_list_are_each_there_once(array $items, bool $idsLast, ?string $path): void
    {
        $read = static fn(Fields $one): int => $one->text('id') === '' ? 0 : $one->int('n', 0, 9);
        $in = new Fields(Node::fromArray(['key' => $items]));
        try {
            self::assertSame(array_column($items, 'n'), $in->each('key', 0, 9, $read, idsLast: $idsLast));
            self::assertNull($path);
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>, bool, ?string}> */
    public static function lists(): iterable
    {
        $one = static fn(string $id, int $n, array $more = []): array => ['id' => $id, 'n' => $n] + $more;
        yield 'each once' => [[$one('a', 1), $one('b', 2)], false, null];
        yield 'twice' => [[$one('a', 1), $one('a', 2), $one('b', 99)], false, '/key/1/id'];
        yield 'twice, and the items first' => [[$one('a', 1), $one('a', 2), $one('b', 99)], true, '/key/2/n'];
        yield 'twice, and nothing else' => [[$one('a', 1), $one('a', 2), $one('a', 3)], true, '/key/1/id'];
        yield 'a key too many' => [[$one('a', 1, ['m' => 1])], false, '/key/0/m'];
    }

    #[Test]
    public function a_list_that_may_be_missing_is_empty_and_one_that_may_not_is_missed(): void
    {
        $in = new Fields(Node::fromArray((object) []));
        $read = static fn(Fields $one): int => $one->int('n', 0, 9);
        self::assertSame([], $in->each('key', 1, 9, $read));
        $this->expectExceptionObject(new BadInput('/key', 'This key is required and is not there.'));
        $in->each('key', 0, 9, $read, isOptional: false);
    }

    #[Test]
    public function texts_of_a_map_are_read_by_their_keys(): void
    {
        self::assertSame([], Texts::map(null, 3));
        self::assertSame(['a' => 'x', '7' => 'yyy'], Texts::map(Node::fromArray(['a' => 'x', '7' => 'yyy']), 3));
        $this->expectExceptionObject(new BadInput('/a', 'This text must have 1 to 3 characters; it has 4.'));
        Texts::map(Node::fromArray(['a' => 'xxxx']), 3);
    }

    #[Test]
    public function rules_between_fields_are_broken_in_their_order(): void
    {
        $rules = new LaterRules();
        $rules->add(static fn(): mixed => null);
        $rules->check();
        $rules->add(static fn(): mixed => throw new BadInput('/first', ''));
        $rules->add(static fn(): mixed => throw new BadInput('/second', ''));
        try {
            $rules->check();
            self::fail('nothing was broken');
        } catch (BadInput $e) {
            self::assertSame('/first', $e->path);
        }
    }
}
