<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Device;

use Escapement\Core\Device\Profile\DeviceProfile;
use Escapement\Core\Device\Profile\Place;
use Escapement\Core\Device\Profile\PlaceTable;
use Escapement\Core\Device\Profile\PlaceType;
use Escapement\Core\Device\Profile\Quantity;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Device\ProfileReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A register table of somebody else's device, read into our quantities. */
final class ProfileTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, list<int>, ?float, string}> row, words there, value, working */
    public static function places(): iterable
    {
        $coolant = ['quantity' => 'coolant_c', 'table' => 'input', 'address' => 1];
        $bit = ['quantity' => 'on_normal', 'table' => 'holding', 'address' => 0, 'type' => 'bit', 'bit' => 3];
        $volts = ['quantity' => 'v_l1', 'table' => 'holding', 'address' => 10];
        yield 'tenths of a volt' => [$volts + ['type' => 'u16', 'scale' => 0.1], [2304], 230.4, '2304 × 0.1 V'];
        yield 'millivolts in two words' => [$volts + ['type' => 'u32', 'unit' => 'mV'], [3, 33792], 230.4, '230400 mV, in V'];
        yield 'the same, low word first' => [$volts + ['type' => 'u32', 'unit' => 'mV', 'order' => 'low'], [33792, 3], 230.4,
            '230400 mV, in V'];
        yield 'a float' => [$volts + ['type' => 'f32'], [0x4366, 0x6666], 230.399994, '230.399994 V'];
        yield 'no number' => [$volts + ['type' => 'f32'], [0x7FC0, 0], null, ''];
        yield 'below zero' => [$coolant + ['type' => 's16'], [0xFFF6], -10.0, '-10 °C'];
        yield 'fahrenheit' => [$coolant + ['type' => 'u16', 'unit' => '°F'], [212], 100.0,
            '212 °F, in °C'];
        yield 'with an offset' => [$coolant + ['type' => 'u16', 'offset' => -40], [130],
            90.0, '130 − 40 °C'];
        yield 'two words below zero' => [['quantity' => 'kvar', 'table' => 'input', 'address' => 0, 'type' => 's32', 'unit' => 'var'],
            [0xFFFF, 0xFC18], -1.0, '-1000 var, in kvar'];
        yield 'pounds' => [['quantity' => 'oil_kpa', 'table' => 'input', 'address' => 0, 'type' => 'u16', 'unit' => 'psi'], [50],
            344.73786465, '50 psi, in kPa'];
        yield 'minutes' => [['quantity' => 'run_h', 'table' => 'input', 'address' => 0, 'type' => 'u32', 'unit' => 'min'], [0, 90], 1.5,
            '90 min, in h'];
        yield 'a coil' => [['quantity' => 'fault', 'table' => 'coil', 'address' => 0, 'type' => 'bit'], [1], 1.0, '1'];
        yield 'a bit that is set' => [$bit, [8], 1.0,
            '8'];
        yield 'a bit that is not' => [$bit, [7], 0.0,
            '7'];
        yield 'a register that counts as so' => [['quantity' => 'fault', 'table' => 'holding', 'address' => 0, 'type' => 'u16'], [12], 1.0,
            '12'];
    }

    /**
     * @param array<string, mixed> $row
     * @param list<int>            $words
     */
    #[Test, DataProvider('places')]
    public function a_place_is_read_by_its_type_scale_and_unit(array $row, array $words, ?float $value, string $working): void
    {
        $profile = self::profile([$row]);
        $image = [];
        foreach ($words as $i => $word) {
            $image[$row['table']][$row['address'] + $i] = $word;
        }
        $reading = $profile->read($image)[0];
        self::assertSame($value === null, $reading->value === null);
        self::assertEqualsWithDelta($value ?? 0.0, $reading->value ?? 0.0, 1e-6);
        self::assertSame($value !== null, $reading->isGood());
        $working === '' || self::assertSame($working, $reading->place->working($reading->raw ?? 0));
    }

    #[Test]
    public function what_cannot_be_is_doubted_and_what_is_not_answered_is_not_known(): void
    {
        $profile = self::profile([
            ['quantity' => 'hz', 'table' => 'holding', 'address' => 0, 'type' => 'u16'],
            ['quantity' => 'v_l1', 'table' => 'holding', 'address' => 1, 'type' => 'u32'],
        ]);
        [$hertz, $volts] = $profile->read(['holding' => [0 => 5000, 1 => 0]]);
        self::assertSame([5000.0, false], [$hertz->value, $hertz->isGood()]);
        self::assertStringContainsString('between 0 and 100 Hz', (string) $hertz->doubt);
        self::assertSame([null, false], [$volts->value, $volts->isGood()], 'half of a number is none');
    }

    /** @return iterable<string, array{list<array{string, int, string}>, list<array{string, int, int}>}> */
    public static function tables(): iterable
    {
        yield 'side by side' => [[['holding', 0, 'u16'], ['holding', 1, 'u32']], [['holding', 0, 3]]];
        yield 'a small gap is read along' => [[['holding', 0, 'u16'], ['holding', 9, 'u16']], [['holding', 0, 10]]];
        yield 'a wide one is not' => [[['holding', 0, 'u16'], ['holding', 10, 'u16']], [['holding', 0, 1], ['holding', 10, 1]]];
        yield 'tables apart' => [[['input', 5, 'u16'], ['holding', 5, 'u16']], [['holding', 5, 1], ['input', 5, 1]]];
        yield 'in any order' => [[['holding', 4, 'u32'], ['holding', 0, 'u16']], [['holding', 0, 6]]];
        $many = array_map(static fn(int $i): array => ['holding', $i * 9, 'u16'], range(0, 12));
        yield 'no more than is answered at once' => [$many, [['holding', 0, 100], ['holding', 108, 1]]];
        yield 'one inside of another' => [[['holding', 0, 'u32'], ['holding', 1, 'u16']], [['holding', 0, 2]]];
    }

    /**
     * @param list<array{string, int, string}> $places
     * @param list<array{string, int, int}>    $expected
     */
    #[Test, DataProvider('tables')]
    public function places_are_asked_for_in_few_requests(array $places, array $expected): void
    {
        $profile = new DeviceProfile(array_map(static fn(array $one, int $i): Place => new Place(
            Quantity::cases()[$i],
            PlaceTable::from($one[0]),
            $one[1],
            PlaceType::from($one[2]),
        ), $places, array_keys($places)));
        self::assertSame($expected, array_map(
            static fn(array $one): array => [$one['table']->value, $one['from'], $one['count']],
            $profile->requests(),
        ));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what differs from a good row, and where the fault is */
    public static function faults(): iterable
    {
        yield 'no such quantity' => [['quantity' => 'mood'], 'quantity'];
        yield 'no such table' => [['table' => 'files'], 'table'];
        yield 'no such type' => [['type' => 'u24'], 'type'];
        yield 'below the first' => [['address' => -1], 'address'];
        yield 'beyond the last' => [['address' => 65_536], 'address'];
        yield 'its second word beyond the last' => [['address' => 65_535, 'type' => 'u32'], 'address'];
        yield 'a scale of nothing' => [['scale' => 0], 'scale'];
        yield 'a unit of something else' => [['unit' => 'psi'], 'unit'];
        yield 'a number in a bit' => [['type' => 'bit', 'bit' => 1], 'bit'];
        yield 'a number in a table of bits' => [['table' => 'coil'], 'type'];
        yield 'a bit of a register without its number' => [['quantity' => 'fault', 'type' => 'bit'], 'bit'];
        yield 'a bit that is none' => [['quantity' => 'fault', 'type' => 'bit', 'bit' => 16], 'bit'];
        yield 'a unit of what is so or not' => [['quantity' => 'fault', 'unit' => 'V'], 'unit'];
        yield 'a word that is not known' => [['factor' => 2], 'factor'];
        yield 'an order that is none' => [['order' => 'middle'], 'order'];
    }

    /** @param array<string, mixed> $other */
    #[Test, DataProvider('faults')]
    public function a_fault_is_named_by_its_place(array $other, string $at): void
    {
        try {
            self::profile([$other + ['quantity' => 'v_l1', 'table' => 'holding', 'address' => 0, 'type' => 'u16']]);
            self::fail('it was taken');
        } catch (BadInput $fault) {
            self::assertSame("/rows/0/$at", $fault->path);
        }
    }

    #[Test]
    public function a_quantity_is_read_at_one_place(): void
    {
        $this->expectExceptionMessage('stands in an earlier row');
        self::profile(array_fill(0, 2, ['quantity' => 'hz', 'table' => 'holding', 'address' => 0, 'type' => 'u16']));
    }

    #[Test]
    public function csv_and_json_are_the_same_and_come_back_as_they_were(): void
    {
        $csv = "\u{FEFF}Quantity;Table;Address;Type;Scale;Unit;Bit;Meaning\nv_l1;holding;0x10;u16;0,1;V;;\"Phase; one\"\n"
            . "fault;holding;3;bit;;;15;\n\n";
        $read = ProfileReader::fromCsv($csv, 'Panel meter');
        $profile = (new ProfileReader())->profile(Node::fromArray($read));
        self::assertSame([
            ['quantity' => 'v_l1', 'table' => 'holding', 'address' => 16, 'type' => 'u16', 'scale' => 0.1, 'unit' => 'V',
                'meaning' => 'Phase; one'],
            ['quantity' => 'fault', 'table' => 'holding', 'address' => 3, 'type' => 'bit', 'bit' => 15],
        ], array_map(ProfileReader::row(...), $profile->places));
        $this->expectExceptionMessage('The first line names the columns');
        ProfileReader::fromCsv("what,where\nv_l1,3\n", 'x');
    }

    /** @param list<array<string, mixed>> $rows */
    private static function profile(array $rows): DeviceProfile
    {
        return (new ProfileReader())->profile(Node::fromArray(['format' => ProfileReader::FORMAT, 'name' => 'A meter', 'rows' => $rows]));
    }
}
