<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Several fields at once at the ends of what they may be: an answer that can be written as JSON, or a fault at a field. */
final class ExtremesTest extends TestCase
{
    private const TRIES = 60;
    /** These play through time, and the ends of theirs are years. */
    private const PLAYED = ['rehearse', 'settings_compare', 'bench_play', 'relay_play', 'exercise_calendar', 'exercise_clashes'];

    /** @param list<\stdClass> $inputs */
    #[Test, DataProviderExternal(SchemaLimitsTest::class, 'calculations')]
    public function the_ends_of_several_fields_make_an_answer_or_a_fault(string $calc, array $inputs): void
    {
        if (! in_array($calc, Calculations::NAMES, true) || in_array($calc, self::PLAYED, true)) {
            self::assertNotSame([], $inputs);

            return;
        }
        $random = new Randomizer(new Mt19937(crc32($calc)));
        $places = SchemaPlaces::ofCalculation($calc);
        for ($i = 0; $i < self::TRIES; $i++) {
            $input = unserialize(serialize($inputs[$random->getInt(0, count($inputs) - 1)]));
            $ends = self::ends($places, $input);
            $tried = [];
            foreach ($ends === [] ? [] : (array) $random->pickArrayKeys($ends, min(count($ends), $random->getInt(1, 6))) as $key) {
                [$path, $values] = $ends[$key];
                $value = $values[$random->getInt(0, count($values) - 1)];
                $tried['/' . implode('/', $path)] = $value;
                self::put($input, $path, $value);
            }
            try {
                $answer = (new Calculations())->calc($calc, new Node($input));
                self::assertIsString(json_encode($answer, JSON_THROW_ON_ERROR), json_encode($tried, JSON_THROW_ON_ERROR));
            } catch (BadInput $bad) {
                self::assertNotSame('', $bad->getMessage());
            } catch (\Throwable $fault) {
                self::fail($fault::class . " {$fault->getMessage()} at {$fault->getFile()}:{$fault->getLine()} with "
                    . json_encode($tried, JSON_THROW_ON_ERROR) . ' in ' . substr(json_encode($input, JSON_THROW_ON_ERROR), 0, 600));
            }
        }
    }

    /** @return list<array{list<string|int>, list<mixed>}> */
    private static function ends(SchemaPlaces $places, \stdClass $input): array
    {
        $ends = [];
        foreach ($places->of($input) as [$path, $says]) {
            $values = array_values(array_intersect_key($says, ['minimum' => 0, 'maximum' => 0]));
            if (isset($says['exclusiveMinimum'])) {
                $values[] = ($says['type'] ?? '') === 'integer' ? 1 : 1e-9;
            }
            array_push($values, ...$says['enum'] ?? []);
            if (in_array('null', (array) ($says['type'] ?? []), true)) {
                $values[] = null;
            }
            if ($values !== []) {
                $ends[] = [$path, $values];
            }
        }

        return $ends;
    }

    /** @param list<string|int> $path */
    private static function put(\stdClass $input, array $path, mixed $value): void
    {
        $at = &$input;
        foreach ($path as $key) {
            if (is_int($key)) {
                $at = &$at[$key];
            } else {
                $at ??= new \stdClass();
                $at = &$at->{$key};
            }
        }
        $at = $value;
    }
}
