<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Device;

use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Device\Register\RegisterType;
use Escapement\Core\Device\Register\SettingsBlock;
use Escapement\Core\Input\Decimal;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class RegisterTest extends TestCase
{
    #[Test, DataProvider('types')]
    public function each_type_tells_every_number_it_can_and_the_unknown_apart(RegisterType $type, int $least, int $most): void
    {
        foreach ([$least, $least + 1, 0, 1, intdiv($most, 2), $most - 1, $most] as $raw) {
            self::assertSame($raw, $type->raw($type->words($raw)));
            self::assertSame($raw, $type->clamped($raw));
        }
        self::assertNull($type->raw($type->words(null)));
        self::assertSame($most, $type->clamped($most + 1));
        self::assertSame($least, $type->clamped($least - 1));
        self::assertCount($type->width(), $type->words(null));
    }

    /** @return iterable<string, array{RegisterType, int, int}> */
    public static function types(): iterable
    {
        yield 'u16' => [RegisterType::U16, 0, 65_534];
        yield 's16' => [RegisterType::S16, -32_767, 32_767];
        yield 'u32' => [RegisterType::U32, 0, 4_294_967_294];
        yield 's32' => [RegisterType::S32, -2_147_483_647, 2_147_483_647];
        yield 'u48' => [RegisterType::U48, 0, 281_474_976_710_654];
    }

    #[Test, DataProvider('decimals')]
    public function half_a_unit_goes_away_from_zero_by_the_decimal_as_written(int|float $number, int $places, int $units): void
    {
        self::assertSame($units, Decimal::units($number, $places));
        self::assertSame(-$units, Decimal::units(-$number, $places));
    }

    /** @return iterable<array{int|float, int, int}> */
    public static function decimals(): iterable
    {
        yield [120.05, 1, 1201];
        yield [120.049999, 1, 1200];
        yield [1.005, 2, 101];
        yield [0.5, 0, 1];
        yield [0.49, 0, 0];
        yield [0.05, 0, 0];
        yield [5e-7, 2, 0];
        yield [7, 2, 700];
        yield [1e12, 3, 1_000_000_000_000_000];
        yield [1.25e7, 2, 1_250_000_000];
    }

    #[Test, DataProvider('kinds')]
    public function the_template_of_every_type_comes_back_as_it_went(InstallationKind $kind): void
    {
        $template = new SheetTemplate($kind);
        $sheet = $template->settings()->toWire();
        $written = $this->ask(['mode' => 'settings_encode', 'system' => $template->plant()->toArray(), 'settings' => $sheet]);
        self::assertCount(SettingsBlock::REGISTERS, $written['registers']);
        $read = $this->ask([
            'mode' => 'settings_decode', 'system' => $template->plant()->toArray(), 'registers' => $written['registers'],
        ]);
        self::assertNull($read['fault']);
        self::assertEquals($sheet, $read['settings']);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /** @param array<int, int> $changed by offset */
    #[Test, DataProvider('faults')]
    public function the_first_fault_of_a_block_is_told_with_its_offset(array $changed, string $path, int $offset): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $system = $template->plant()->toArray();
        $registers = array_replace($this->ask([
            'mode' => 'settings_encode', 'system' => $system, 'settings' => $template->settings()->toWire(),
        ])['registers'], $changed);
        $read = $this->ask(['mode' => 'settings_decode', 'system' => $system, 'registers' => $registers]);
        self::assertSame(['path' => $path, 'offset' => $offset], $read['fault']);
        self::assertNull($read['settings']);
        self::assertSame('refused', $read['findings'][0]['id']);
    }

    /** @return iterable<string, array{array<int, int>, string, int}> */
    public static function faults(): iterable
    {
        $absent = static fn(int $at): array => array_fill($at, 3, 0xFFFF);
        yield 'another layout' => [[0 => 2], '/layout', 0];
        yield 'an unknown flag' => [[1 => 0x80], '/flags', 1];
        yield 'layout before flags' => [[0 => 2, 1 => 0x80], '/layout', 0];
        yield 'no return delay' => [$absent(8), '/settings/return_delay_ms', 8];
        yield 'what is missing comes before what is wrong' => [[30 => 1] + $absent(11), '/settings/cooldown_ms', 11];
        yield 'no limit at all' => [[29 => 0, 30 => 0], '/settings/sensing/normal/under_voltage', 29];
        yield 'drop-out too small' => [[29 => 99], '/settings/sensing/normal/under_voltage/dropout_pct', 29];
        yield 'pick-up below drop-out' => [[30 => 101], '/settings/sensing/normal/under_voltage/pickup_pct', 30];
        yield 'unbalance of two legs' => [[37 => 1, 38 => 1], '/settings/sensing/normal/unbalance', 37];
        yield 'rotation of two legs' => [[1 => 4], '/settings/sensing/normal/rotation_check', 1];
        yield 'a delay of years' => [[5 => 9], '/settings/transfer_delay_ms', 5];
        yield 'a delay that cannot be absent' => [$absent(17), '/settings/travel_ms', 17];
        yield 'an exercise every nothing' => [[1 => 0x10, 52 => 0, 53 => 0, 54 => 0], '/settings/exercise/every_ms', 52];
    }

    #[Test]
    public function a_moment_that_nobody_knows_is_told_as_unknown(): void
    {
        $all = array_fill(0, LiveImage::REGISTERS, 0xFFFF);
        foreach ([29, 31, 34, 36, 39, 41, 43] as $double) {
            [$all[$double], $all[$double + 1]] = [0x8000, 0];
        }
        foreach ([33, 38, 46, 47, 48] as $signed) {
            $all[$signed] = 0x8000;
        }
        $sample = $this->ask(['mode' => 'live_decode', 'registers' => [1] + $all])['sample'];
        array_walk_recursive($sample, static fn(mixed $value, string|int $key) => self::assertNull($value, (string) $key));
        self::assertNull($this->ask(['mode' => 'live_decode', 'registers' => [1 => 3, 3 => 7, 0 => 1] + $all])['sample']['position']);
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private function ask(array $input): array
    {
        if (is_array($input['registers'] ?? null)) {
            ksort($input['registers']);
        }
        $answer = (new Calculations())->calc('register_image', Node::fromJson((string) json_encode($input)));

        return json_decode((string) json_encode($answer), true);
    }
}
