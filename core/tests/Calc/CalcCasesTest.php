<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Calc;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every public case of loads, wiring and topology; numbers to a billionth, findings by id and severity. */
final class CalcCasesTest extends TestCase
{
    /** Calculations whose findings stand at a place, and are compared in no order. */
    private const PLACED = [
        'topology', 'bonding', 'relay_check', 'one_line_layout', 'wiring_view', 'neutral_earth', 'phase_balance', 'feeder_schedule3',
        'relay_play', 'terminal_list',
    ];

    #[Test, DataProvider('cases')]
    public function it_answers_as_the_reference_does(\stdClass $case): void
    {
        $expected = CaseFile::asArray($case->expect);
        try {
            $result = CaseFile::asArray((new Calculations())->calc($case->calc, new Node($case->input)));
        } catch (BadInput $e) {
            self::assertSame($expected['error']['path'] ?? null, $e->path, $e->getMessage());

            return;
        }
        self::assertArrayNotHasKey('error', $expected, 'this input is bad');
        self::assertArrayHasKey('working', $result);
        unset($result['working'], $expected['working']);
        foreach (array_keys($result['requirements'] ?? []) as $i) {
            self::assertNotSame('', $result['requirements'][$i]['reason']);
            unset($result['requirements'][$i]['reason']); // words, not compared
        }
        foreach (array_keys($result['events'] ?? []) as $i) {
            self::assertNotSame('', $result['events'][$i]['because']);
            unset($result['events'][$i]['because']); // words, not compared
        }
        if ($case->calc === 'visit_plan') { // equal plans may differ in their routes: those are judged by their figures
            $result = array_intersect_key($result, $expected);
        }
        $expected['findings'] = self::told($expected['findings'], $case->calc);
        foreach ($result['findings'] as $finding) {
            self::assertNotSame('', $finding['because']);
        }
        $result['findings'] = self::told($result['findings'], $case->calc);
        $this->compare($expected, $result, '');
    }

    /** @return iterable<string, array{\stdClass}> */
    public static function cases(): iterable
    {
        foreach (['loads', 'wiring', 'topology', 'panel', 'schedule', 'bench'] as $chapter) {
            foreach (CaseFile::read($chapter) as $name => $case) {
                if (in_array($case[0]->calc, Calculations::NAMES, true)) {
                    yield "$chapter, $name" => $case;
                }
            }
        }
    }

    /**
     * Id and severity, in the order of the answer; of a drawing with the place, in no order.
     *
     * @param list<array<string, mixed>> $findings
     *
     * @return list<array<string, mixed>>
     */
    private static function told(array $findings, string $calc): array
    {
        $isPlaced = in_array($calc, self::PLACED, true);
        $told = array_map(
            static fn(array $f): array => ['id' => $f['id'], 'severity' => $f['severity']] + ($isPlaced ? ['at' => $f['at'] ?? null] : []),
            $findings,
        );
        if ($isPlaced) {
            sort($told);
        }

        return $told;
    }

    private function compare(mixed $expected, mixed $actual, string $path): void
    {
        if (is_array($expected)) {
            self::assertIsArray($actual, $path);
            self::assertSame(
                array_is_list($expected) ? count($expected) : self::sorted($expected),
                array_is_list($expected) ? count($actual) : self::sorted($actual),
                "$path has " . json_encode($actual),
            );
            foreach ($expected as $key => $value) {
                $this->compare($value, $actual[$key] ?? null, "$path/$key");
            }
        } elseif (is_float($expected) || is_int($expected)) {
            self::assertTrue(is_float($actual) || is_int($actual), "$path is " . json_encode($actual) . ', should be ' . $expected);
            self::assertEqualsWithDelta($expected, $actual, 1e-9 * max(1, abs($expected)), $path);
        } else {
            self::assertSame($expected, $actual, $path);
        }
    }

    /**
     * @param array<array-key, mixed> $object
     *
     * @return list<array-key>
     */
    private static function sorted(array $object): array
    {
        $keys = array_keys($object);
        sort($keys);

        return $keys;
    }
}
