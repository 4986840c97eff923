<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Device\FeedReader;
use Escapement\Core\Wire\Exported;
use Escapement\Core\Wire\LoadTest\LoadTestReader;
use Escapement\Core\Wire\LoadTest\LoadTestResultReader;
use Escapement\Core\Wire\Panel\FeederScheduleReader;
use Escapement\Core\Wire\SchemaHelp;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a reader takes without being told, and where it stops, where no schema says it. */
final class WireEdgesTest extends TestCase
{
    /** Of what a device of a fleet may say: least and most. */
    private const FED = [
        'hz' => [0, 100], 'kw' => [-100_000, 100_000], 'battery_v' => [0, 60], 'fuel_pct' => [0, 100], 'run_h' => [0, 1_000_000],
        'oil_kpa' => [0, 2000], 'coolant_c' => [-60, 400],
    ];

    #[Test, DataProvider('fed')]
    public function a_figure_of_a_feed_stays_within_what_can_be(string $key, float $value, bool $isTaken): void
    {
        $json = json_encode(['seq' => 1, 'at' => '2026-11-27T14:35:00Z', $key => $value], JSON_THROW_ON_ERROR);
        try {
            self::assertSame($isTaken ? $value : null, (new FeedReader())->line($json)->state[$key]);
        } catch (BadInput $bad) {
            self::assertFalse($isTaken, $bad->getMessage());
            self::assertSame("/$key", $bad->path);
        }
    }

    /** @return iterable<string, array{string, float, bool}> */
    public static function fed(): iterable
    {
        foreach (self::FED as $key => [$least, $most]) {
            yield "$key at least" => [$key, $least, true];
            yield "$key below" => [$key, $least - 0.5, false];
            yield "$key at most" => [$key, $most, true];
            yield "$key beyond" => [$key, $most + 0.5, false];
        }
    }

    /** @param array<string, mixed> $more */
    #[Test, DataProvider('ways')]
    public function a_way_is_to_be_off_within_the_time_of_its_kind(string $style, array $more, float $seconds): void
    {
        $example = self::example('feeder_schedule3', $style);
        $kept = array_flip(['id', 'poles', 'load_a', 'breaking_ka', 'length_m', 'breaker_a', 'phase']);
        $example['ways'] = [$more + array_intersect_key($example['ways'][0], $kept)];
        $read = (new FeederScheduleReader())->input(Node::fromArray($example));
        self::assertSame($seconds, $read->ways[0]->disconnectS);
    }

    /** @return iterable<string, array{string, array<string, mixed>, float}> */
    public static function ways(): iterable
    {
        yield 'a final circuit' => ['iec', ['final' => true], 0.4];
        yield 'a feeder' => ['iec', [], 5.0];
        yield 'what is asked for' => ['iec', ['disconnect_s' => 0.2], 0.2];
        yield 'by the American style' => ['nec', [], 5.0];
    }

    /** @return array<string, mixed> the first case of the rules of that style */
    private static function example(string $calc, string $style): array
    {
        foreach (SchemaTest::cases() as [$name, $input]) {
            $is = $input->style ?? $input->system ?? null;
            if ($name === $calc && ($is === $style || $is === null && $style === 'nec')) {
                return json_decode(json_encode($input, JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
            }
        }
        self::fail("No case of $calc, $style.");
    }

    /** @param list<string> $dates */
    #[Test, DataProvider('weeks')]
    public function a_technician_works_from_monday_to_friday(string $start, array $dates): void
    {
        $visits = array_map(static fn(int $i): array => ['id' => "v$i", 'lat' => 0, 'lon' => 0, 'duration_min' => 500], range(1, 7));
        $answer = (new Calculations())->calc('visit_plan', Node::fromArray([
            'start' => $start, 'days' => 7, 'technicians' => [['id' => 'ann', 'lat' => 0, 'lon' => 0]], 'visits' => $visits,
        ]));
        self::assertSame($dates, array_column($answer['routes'], 'date'));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function weeks(): iterable
    {
        $days = static fn(int ...$days): array => array_map(static fn(int $day): string => sprintf('2026-06-%02d', $day), $days);
        yield 'from a Monday' => ['2026-06-01', $days(1, 2, 3, 4, 5)];
        yield 'from a Thursday' => ['2026-06-04', $days(4, 5, 8, 9, 10)];
        yield 'from a Saturday' => ['2026-06-06', $days(8, 9, 10, 11, 12)];
    }

    #[Test]
    public function the_help_of_a_calculation_names_every_field_with_its_limits(): void
    {
        $help = (new SchemaHelp([
            'title' => 'A thing', 'required' => ['v'],
            'properties' => [
                'v' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 1000],
                'pct' => ['type' => ['number', 'null'], 'minimum' => 1],
                'list' => ['type' => 'array', 'items' => ['$ref' => '#/$defs/one']],
                'words' => ['type' => 'array', 'items' => ['enum' => ['a', 'b']], 'default' => []],
                'is' => ['const' => true], 'least' => ['type' => 'integer', 'maximum' => 5],
                'far' => ['$ref' => 'https://elsewhere.example/schema'],
            ],
            'oneOf' => [['properties' => ['this' => ['type' => 'string']]], ['properties' => []]],
            '$defs' => ['one' => ['type' => 'object', 'properties' => ['load_kw' => ['type' => 'number', 'default' => 2.5]]]],
        ]))->text();
        $line = static fn(string $field, string $says): string => rtrim(sprintf('  %-44s %s', $field, $says));
        self::assertSame(implode("\n", [
            'A thing', '', '  either:', $line('/this', 'string'), $line('/v *', 'number, above 0 to 1000, V'),
            $line('/pct', 'number or null, 1 at least, %'), $line('/list[]', 'list of object'),
            $line('/list[]/load_kw', 'number, kW, default 2.5'), $line('/words[]', 'list of one of, a, b, default []'),
            $line('/is', 'always, true'), $line('/least', 'integer, up to 5'), $line('/far', ''), '',
            '* is required. The whole schema: bin/escapement schema NAME', '',
        ]), $help);
    }

    #[Test]
    public function an_answer_that_was_kept_is_read_to_its_last_letter(): void
    {
        $input = self::example('load_test_evaluate', 'nec');
        $answer = (new LoadTestReader())->answer(Node::fromArray($input));
        $answer['requirements'][0]['reason'] = str_repeat('x', 2000);
        $node = static fn(array $kept): Node => Node::fromJson(json_encode($kept, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        $read = (new LoadTestResultReader())->result($node($answer));
        self::assertSame($answer['requirements'][0]['reason'], $read->requirements[0]->reason);
        $answer['requirements'][0]['reason'] .= 'x';
        try {
            (new LoadTestResultReader())->result($node($answer));
            self::fail('It was taken.');
        } catch (BadInput $bad) {
            self::assertSame('/requirements/0/reason', $bad->path);
        }
    }

    #[Test]
    public function a_sheet_of_the_app_is_the_input_of_its_check(): void
    {
        $check = ['application' => 'residential'];
        $sheet = ['format' => 'escapement/settings-sheet/1', 'check' => $check, 'settings' => []];
        $plain = (object) ['application' => 'mobile'];
        self::assertEquals($plain, Exported::input('settings_check', new Node($plain))->value);
        self::assertEquals((object) $check, Exported::input('settings_check', Node::fromArray($sheet))->value);
        $other = Node::fromArray(['check' => $check]);
        self::assertEquals($other->value, Exported::input('settings_check', $other)->value);
        self::assertObjectHasProperty('format', Exported::input('demand', Node::fromArray($sheet))->value);
    }
}
