<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every limit that a published schema states: what stands on it is taken, what lies beyond is refused at its own field. */
final class SchemaLimitsTest extends TestCase
{
    /** The words with which a reader refuses a value for its own sake, and not beside another. */
    private const REFUSED = '/is not in the range|characters; it has|items; it has/';
    /** What is taken depends on another field: 5000 A where conductors are in mm², 6000 A where in AWG; a limit for each leg; its bank. */
    private const BY_ANOTHER = [
        'terminal_list /power/ocpd_a', 'shed_plan /leg_limit_a', 'bench_play /inputs/0#14/element',
        'procedure /panel/supplies/*/v#1',
    ];
    /** A list of more than these is only tried one too long: the calculation would take its time. */
    private const LONGEST = 60;

    /** @param list<\stdClass> $inputs */
    #[Test, DataProvider('calculations')]
    public function a_limit_of_the_schema_is_the_limit_of_the_reader(string $calc, array $inputs): void
    {
        $places = SchemaPlaces::ofCalculation($calc);
        $wrong = $tried = [];
        foreach ($inputs as $input) {
            foreach ($places->of($input) as $place => [$path, $says]) {
                if (isset($tried[$place])) {
                    continue;
                }
                $tried[$place] = true;
                $has = self::at($input, $path);
                foreach (self::beyond($says, $has) as $value) {
                    $refusal = self::refusal($calc, $input, $path, $value);
                    if ($refusal?->path !== self::pointer($path)) {
                        $wrong[] = "$place takes " . substr((string) json_encode($value), 0, 60) . ", refuses $refusal?->path";
                    }
                }
                foreach (in_array("$calc $place", self::BY_ANOTHER, true) ? [] : self::within($says, $has) as $value) {
                    $refusal = self::refusal($calc, $input, $path, $value);
                    if ($refusal?->path === self::pointer($path) && preg_match(self::REFUSED, $refusal->getMessage()) === 1) {
                        $wrong[] = "$place refuses " . substr((string) json_encode($value), 0, 60) . ': ' . $refusal->getMessage();
                    }
                }
            }
        }
        self::assertNotSame([], $tried);
        self::assertSame([], $wrong);
    }

    /** @return iterable<string, array{string, list<\stdClass>}> */
    public static function calculations(): iterable
    {
        $inputs = [];
        foreach (SchemaTest::cases() as [$calc, $input]) {
            $inputs[$calc][] = $input;
        }
        $inputs = array_merge_recursive($inputs, FullInputs::all());
        foreach ($inputs as $calc => $of) {
            yield $calc => [$calc, $of];
        }
    }

    /**
     * @param array<string, mixed> $says
     *
     * @return iterable<mixed>
     */
    private static function beyond(array $says, mixed $has): iterable
    {
        $isWhole = ($says['type'] ?? null) === 'integer';
        $past = static fn(int|float $limit): int|float => $isWhole ? 1 : max(1e-6, abs($limit) * 1e-6);
        if (isset($says['maximum'])) {
            yield $says['maximum'] + $past($says['maximum']);
        }
        if (isset($says['minimum'])) {
            yield $says['minimum'] - $past($says['minimum']);
        }
        if (isset($says['exclusiveMinimum'])) {
            yield $says['exclusiveMinimum'];
        }
        if (isset($says['maxLength'])) {
            yield str_repeat('x', $says['maxLength'] + 1);
            yield '';
        }
        if (isset($says['enum'])) {
            yield 'no such word';
        }
        if (isset($says['maxItems']) && (is_array($has) || $has === null)) {
            yield array_fill(0, $says['maxItems'] + 1, $has[0] ?? self::anItem($says)); // most are counted before they are looked at
        }
        if (($says['minItems'] ?? 0) > 0) {
            yield is_array($has) && $has !== [] ? array_fill(0, $says['minItems'] - 1, $has[0]) : [];
        }
    }

    /**
     * @param array<string, mixed> $says
     *
     * @return iterable<mixed>
     */
    private static function within(array $says, mixed $has): iterable
    {
        yield from array_values(array_intersect_key($says, ['maximum' => 0, 'minimum' => 0]));
        if (isset($says['exclusiveMinimum'])) {
            yield $says['exclusiveMinimum'] + (($says['type'] ?? null) === 'integer' ? 1 : 1e-6);
        }
        if (isset($says['maxLength']) && ! isset($says['pattern'])) {
            yield str_repeat('x', $says['maxLength']);
            yield 'é';
        }
        foreach (['maxItems', 'minItems'] as $limit) {
            if (isset($says[$limit]) && $says[$limit] <= self::LONGEST && (is_array($has) || $has === null)) {
                yield array_fill(0, $says[$limit], $has[0] ?? self::anItem($says));
            }
        }
    }

    /** @param array<string, mixed> $says of a list */
    private static function anItem(array $says): ?int
    {
        return in_array($says['items']['type'] ?? '', ['integer', 'number'], true) ? 1 : null;
    }

    /** @param list<string|int> $path */
    private static function at(mixed $input, array $path): mixed
    {
        foreach ($path as $step) {
            $input = is_int($step) ? $input[$step] ?? null : $input->{$step} ?? null;
        }

        return $input;
    }

    /** @param list<string|int> $path */
    private static function pointer(array $path): string
    {
        return '/' . implode('/', array_map(static fn(string|int $key): string => str_replace('/', '~1', (string) $key), $path));
    }

    /** @param list<string|int> $path */
    private static function refusal(string $calc, \stdClass $input, array $path, mixed $value): ?BadInput
    {
        try {
            Document::answer($calc, new Node(self::with($input, $path, $value)));
        } catch (BadInput $e) {
            return $e;
        }

        return null;
    }

    /** @param list<string|int> $path */
    private static function with(mixed $input, array $path, mixed $value): mixed
    {
        if ($path === []) {
            return $value;
        }
        $step = array_shift($path);
        if (is_int($step)) {
            $input[$step] = self::with($input[$step], $path, $value);

            return $input;
        }
        $copy = clone $input;
        $copy->{$step} = self::with($copy->{$step} ?? new \stdClass(), $path, $value);

        return $copy;
    }
}
