<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every default that a published schema states: left out or written out, the same is read. */
final class SchemaDefaultsTest extends TestCase
{
    /** Cases in which a default is tried; in some of them it makes no difference. */
    private const TRIES = 12;
    /** It makes no other figure, and says that it is a generic one. */
    private const TOLD = ['motor_start /source#0/x_pu'];

    /** @param list<\stdClass> $inputs */
    #[Test, DataProviderExternal(SchemaLimitsTest::class, 'calculations')]
    public function a_default_of_the_schema_is_the_default_of_the_reader(string $calc, array $inputs): void
    {
        $places = SchemaPlaces::ofCalculation($calc);
        $wrong = $tried = [];
        foreach ($inputs as $input) {
            foreach ($places->of($input) as $place => [$path, $says]) {
                if (! array_key_exists('default', $says) || ($tried[$place] ?? 0) >= self::TRIES || ! self::isReached($input, $path)) {
                    continue;
                }
                $without = self::read($calc, self::without($input, $path));
                $with = self::read($calc, self::with($input, $path, $says['default']));
                if ($without === null || $with === null) {
                    continue; // here it goes with another that needs it, or that forbids it
                }
                $tried[$place] = ($tried[$place] ?? 0) + 1;
                if ($without != $with && ! in_array("$calc $place", self::TOLD, true)) {
                    $wrong[$place] = "$place is not " . json_encode($says['default']) . ' where it is left out';
                }
            }
        }
        self::assertSame([], array_values($wrong));
    }

    /**
     * What the key stands in is there.
     *
     * @param list<string|int> $path
     */
    private static function isReached(\stdClass $input, array $path): bool
    {
        $at = $input;
        foreach (array_slice($path, 0, -1) as $key) {
            $at = is_int($key) ? $at[$key] ?? null : $at->{$key} ?? null;
        }

        return $at instanceof \stdClass;
    }

    /** @return null|object|string what is read of it, or what is answered where a reader hands nothing out; null where it is refused */
    private static function read(string $calc, \stdClass $input): null|object|string
    {
        try {
            $read = Document::read($calc, new Node($input));
        } catch (BadInput) {
            return null;
        }

        return is_object($read) ? $read : json_encode($read, JSON_THROW_ON_ERROR | JSON_PARTIAL_OUTPUT_ON_ERROR);
    }

    /** @param non-empty-list<string|int> $path */
    private static function without(\stdClass $input, array $path): \stdClass
    {
        $copy = unserialize(serialize($input));
        unset(self::parent($copy, $path)->{end($path)});

        return $copy;
    }

    /** @param non-empty-list<string|int> $path */
    private static function with(\stdClass $input, array $path, mixed $value): \stdClass
    {
        $copy = unserialize(serialize($input));
        self::parent($copy, $path)->{end($path)} = json_decode(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

        return $copy;
    }

    /** @param non-empty-list<string|int> $path */
    private static function parent(\stdClass $copy, array $path): \stdClass
    {
        $at = $copy;
        foreach (array_slice($path, 0, -1) as $key) {
            $at = is_int($key) ? $at[$key] : $at->{$key};
        }

        return $at;
    }
}
