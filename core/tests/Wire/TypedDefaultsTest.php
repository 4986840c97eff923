<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\Node;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a caller in PHP leaves out is what a document leaves out: the defaults of an input are those of its reader. */
final class TypedDefaultsTest extends TestCase
{
    private const LOAD = ['id' => 'a', 'kw' => 1];

    /**
     * @param array<string, mixed> $document with nothing that may be left out
     * @param array<string, mixed> $asked    what the constructor asks for and does not keep by that name, null: as it was read
     */
    #[Test, DataProvider('documents')]
    public function an_input_made_of_nothing_but_what_is_needed_is_what_is_read(string $calc, array $document, array $asked = []): void
    {
        $read = Document::read($calc, Node::fromArray($document));
        foreach (is_object($read) ? self::parts($read) : [] as $part) {
            $needed = [];
            foreach ((new \ReflectionClass($part))->getConstructor()?->getParameters() ?? [] as $parameter) {
                $name = $parameter->getName();
                if (array_key_exists($name, $asked)) {
                    $needed[$name] = $asked[$name] ?? $part->{$name};
                } elseif (! $parameter->isOptional()) {
                    $needed[$name] = $part->{$name};
                }
            }
            self::assertEquals(new ($part::class)(...$needed), $part);
        }
        self::assertIsObject($read);
    }

    /**
     * The input, or the sections of one that has only such.
     *
     * @return list<object>
     */
    private static function parts(object $read): array
    {
        $sections = array_filter([$read->calculated ?? null, $read->measured ?? null, $read->egc ?? null], is_object(...));

        return $sections === [] ? [$read] : array_values($sections);
    }

    /** @return iterable<string, array{0: string, 1: array<string, mixed>, 2?: array<string, mixed>}> */
    public static function documents(): iterable
    {
        yield 'a demand by calculation' => ['demand', ['calculated' => new \stdClass()]];
        yield 'a demand by its schedule' => ['demand', ['schedule' => ['loads' => [self::LOAD]]], ['schedule' => null]];
        yield 'a battery' => ['battery_runtime', ['battery_kwh' => 5, 'loads' => [self::LOAD]]];
        yield 'a jumper' => ['single_leg_jumper', [
            'maker_allows' => 'yes', 'alternate_ever_240' => false, 'inverter_kw' => 3, 'inverter_a' => 30, 'feeder_neutral_a' => 55,
            'loads' => [self::LOAD + ['connect' => 'L1']],
        ]];
        yield 'a sizing' => ['sizing', ['usable_kw' => 10, 'loads' => [self::LOAD]]];
        yield 'a restart' => ['step_sequence', ['usable_kw' => 10, 'k_kva' => 50, 'loads' => [self::LOAD]]];
        yield 'a generator' => [
            'source_rating', ['kind' => 'generator', 'generator' => ['fuel' => 'diesel', 'ratings_kw' => ['diesel' => 10]]],
            ['fuel' => 'diesel', 'ratingsKw' => ['diesel' => 10.0]],
        ];
        yield 'an inverter' => ['source_rating', ['kind' => 'inverter', 'inverter' => ['continuous_kw' => 3, 'battery_kwh' => 0]]];
        yield 'a drop' => ['voltage_drop', [
            'circuit' => 'single_phase', 'material' => 'cu', 'size' => '6', 'v' => 240, 'current_a' => 20, 'length_ft' => 50,
        ]];
        yield 'a conductor in AWG' => ['conductor', ['material' => 'cu', 'noncontinuous_a' => 1], ['noncontinuousA' => 1.0]];
        yield 'a conductor in mm²' => [
            'conductor', ['system' => 'iec', 'material' => 'cu', 'noncontinuous_a' => 1], ['noncontinuousA' => 1.0],
        ];
        yield 'a ground' => ['grounding', ['egc' => ['ocpd_a' => 100, 'material' => 'cu']]];
        yield 'a box' => ['pull_box', [
            'mode' => 'volume', 'box_volume_in3' => 20, 'conductors' => [['size' => '12', 'qty' => 2]],
        ]];
        yield 'colors' => ['colours', ['system' => 'us_split_120_240', 'landings' => [
            ['conductor' => 'L1', 'terminal' => 'L1', 'colour' => 'black'],
        ]]];
        yield 'torque' => ['torque', [
            'work_date' => '2026-05-01', 'points' => [['id' => 'a', 'conductor_size' => '6', 'screw' => 'slotted_large']],
        ]];
        yield 'a raceway' => ['raceway_fill', [
            'raceway' => ['type' => 'emt', 'trade_size' => '1'], 'items' => [['kind' => 'thhn', 'size' => '6', 'qty' => 3]],
        ]];
        yield 'a trend' => ['load_test_trend', ['tests' => [
            ['date' => '2026-05-01', 'verdict' => 'pass', 'fuel' => 'diesel', 'load_pct' => 80],
        ]]];
        yield 'exercises' => ['exercise_value', ['today' => '2026-05-01']];
        yield 'loads to be left off' => ['shed_plan', ['usable_kw' => 10, 'loads' => [self::LOAD + ['priority' => 1]]]];
        yield 'fuel' => ['fuel', ['fuel' => 'diesel', 'rated_kw' => 10, 'load_kw' => 5], ['use' => null]];
    }
}
