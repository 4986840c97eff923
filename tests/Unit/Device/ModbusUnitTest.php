<?php

declare(strict_types=1);

namespace Tests\Unit\Device;

use App\Device\ModbusFrames;
use App\Device\ModbusUnit;
use Escapement\Core\Bench\Coil;
use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Device\Register\SettingsBlock;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The tables of the protocol as a contract: what each request is answered, and what it changes. */
final class ModbusUnitTest extends TestCase
{
    use StandsBench;

    private const FAULT = 0x80;

    #[Test, DataProvider('refused')]
    public function what_cannot_be_answered_gets_its_exception_and_changes_nothing(string $pdu, int $exception): void
    {
        $installation = $this->installation();
        $before = $installation->kept();
        $answer = $this->unit($installation)->answer($pdu);

        self::assertSame(bin2hex(chr(ord($pdu[0] ?? "\0") | self::FAULT) . chr($exception)), bin2hex($answer));
        self::assertSame($before, $installation->kept());
    }

    /** @return iterable<string, array{string, int}> */
    public static function refused(): iterable
    {
        yield 'a function that is none' => [pack('Cnn', 7, 0, 1), 1];
        yield 'nothing' => ['', 1];
        yield 'no registers' => [pack('Cnn', 4, 0, 0), 3];
        yield 'too many registers, wherever they lie' => [pack('Cnn', 4, 60_000, 126), 3];
        yield 'too many bits' => [pack('Cnn', 1, 0, 2001), 3];
        yield 'a register behind the last' => [pack('Cnn', 4, 60, 5), 2];
        yield 'a hole among the holding registers' => [pack('Cnn', 3, 1070, 5), 2];
        yield 'a coil in a hole' => [pack('Cnn', 1, 10, 4), 2];
        yield 'a range behind the end of all addresses' => [pack('Cnn', 3, 65_535, 2), 2];
        yield 'a coil that is neither on nor off' => [pack('Cnn', 5, 0, 1), 3];
        yield 'a bank element that is not there' => [pack('Cnn', 5, 18, 0xFF00), 2];
        yield 'an active setting' => [pack('Cnn', 6, 1002, 1), 2];
        yield 'an input register' => [pack('Cnn', 6, 1, 1), 2];
        yield 'a commit with another number' => [pack('Cnn', 6, 1300, 9), 3];
        yield 'a commit without the revision' => [pack('Cnn', 6, 1300, 1), 3];
        yield 'a rate of 61' => [pack('Cnn', 6, 1410, 61), 3];
        yield 'a third phase on a house' => [pack('Cnn', 6, 1402, 1200), 2];
        yield 'half a request' => [pack('Cn', 3, 1000), 3];
        yield 'a request with something behind it' => [pack('CnnC', 3, 1000, 1, 7), 3];
        yield 'a byte count that is not so' => [pack('CnnCn', 16, 1200, 1, 4, 7), 3];
        yield 'too few bytes of bits' => [pack('CnnCC', 15, 0, 9, 1, 7), 3];
        yield 'coils into a hole, of which the first is there' => [pack('CnnCC', 15, 11, 2, 1, 3), 2];
        yield 'an identification of another kind' => [pack('CCCC', 43, 13, 1, 0), 1];
        yield 'an identification that is cut off' => [pack('CC', 43, 14), 3];
        yield 'an object that is not there' => [pack('CCCC', 43, 14, 4, 9), 2];
    }

    #[Test, DataProvider('kinds')]
    public function each_coil_that_is_there_reads_as_it_was_written_and_the_others_are_not_there(InstallationKind $kind): void
    {
        /** @var list<Coil> $coils */
        $coils = require dirname(__DIR__, 3) . '/core/data/bench_coils.php';
        $installation = $this->installation($kind);
        $unit = $this->unit($installation);
        $held = 0;
        foreach ($coils as $coil) {
            $this->monoMs += 1000;
            if (! $installation->takes($coil)) {
                self::assertSame(chr(0x81) . "\x02", $unit->answer(pack('Cnn', 1, $coil->address, 1)), $coil->name);
                continue;
            }
            if ($coil->off === null || in_array($coil->on['do'], ['test', 'hand_start'], true)) {
                continue; // a press, or something that the controller ends
            }
            foreach ([0xFF00, 0] as $value) {
                $request = pack('Cnn', 5, $coil->address, $value);
                self::assertSame($request, $unit->answer($request), $coil->name);
                $read = $unit->answer(pack('Cnn', 1, $coil->address, 1));
                self::assertSame(chr(1) . chr(1) . chr($value === 0 ? 0 : 1), $read, $coil->name);
            }
            $held++;
        }
        self::assertGreaterThan(5, $held);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function an_outage_by_coil_is_seen_in_registers_lamps_and_log(): void
    {
        $installation = $this->installation();
        $unit = $this->unit($installation);
        self::assertSame(1, self::input($unit, 1), 'on the first source');
        $unit->answer(pack('Cnn', 5, 0, 0xFF00));
        $this->monoMs = 60_000;

        self::assertSame(2, self::input($unit, 1), 'on the second');
        self::assertSame(4, self::input($unit, 3), 'the engine runs');
        self::assertSame(0, self::input($unit, 7), 'no volts of the utility');
        self::assertEqualsWithDelta(1200, self::input($unit, 16), 5, 'volts of the set in tenths');
        $lamps = ord($unit->answer(pack('Cnn', 2, 0, 8))[2]);
        self::assertSame(0b0001_1010, $lamps & 0b0001_1111, 'available and on the second, engine running');
        self::assertGreaterThan(5, self::input($unit, 63), 'last number of the log');
    }

    #[Test]
    public function settings_are_taken_whole_with_the_revision_that_was_read_and_read_back(): void
    {
        $installation = $this->installation();
        $unit = $this->unit($installation);
        $found = self::holding($unit, ModbusUnit::ACTIVE, SettingsBlock::REGISTERS);
        self::assertSame($installation->settingsRegisters(), $found);
        $changed = array_replace($found, [8 => 0, 9 => 1, 10 => 0x86A0]); // a return delay of 100 s
        self::assertSame(16, ord($unit->answer(self::writing(ModbusUnit::STAGING, $changed))[0]));
        self::assertSame($found, self::holding($unit, ModbusUnit::ACTIVE, SettingsBlock::REGISTERS), 'staged is not active');
        $unit->answer(self::writing(ModbusUnit::CONTROL + 5, [0, 1]));
        self::assertSame(pack('Cnn', 6, 1300, 1), $unit->answer(pack('Cnn', 6, 1300, 1)));

        self::assertSame($changed, self::holding($unit, ModbusUnit::ACTIVE, SettingsBlock::REGISTERS));
        self::assertSame([0, 1, 0xFFFF, 0, 2, 0xFFFF, 0xFFFF], self::holding($unit, ModbusUnit::CONTROL, 7));
        self::assertSame(100_000, $installation->settings()['return_delay_ms']);
    }

    #[Test]
    public function a_commit_that_is_refused_says_where_and_leaves_active_and_staging_as_they_were(): void
    {
        $installation = $this->installation();
        $unit = $this->unit($installation);
        $found = $installation->settingsRegisters();
        $bad = array_replace($found, [29 => 9500, 30 => 9000]); // picks up below where it drops out
        $unit->answer(self::writing(ModbusUnit::STAGING, $bad));
        $unit->answer(self::writing(ModbusUnit::CONTROL + 5, [0, 1]));
        self::assertSame(chr(0x86) . "\x03", $unit->answer(pack('Cnn', 6, 1300, 1)));

        self::assertSame([2, 30], array_slice(self::holding($unit, ModbusUnit::CONTROL, 3), 1));
        self::assertSame($found, $installation->settingsRegisters());
        self::assertSame($bad, self::holding($unit, ModbusUnit::STAGING, SettingsBlock::REGISTERS));
        $unit->answer(self::writing(ModbusUnit::CONTROL + 5, [0, 7]));
        $unit->answer(pack('Cnn', 6, 1300, 1));
        self::assertSame(3, self::holding($unit, ModbusUnit::CONTROL + 1, 1)[0], 'another revision');
        $unit->answer(pack('Cnn', 6, 1300, 2));
        self::assertSame($found, self::holding($unit, ModbusUnit::STAGING, SettingsBlock::REGISTERS), 'as active');
    }

    #[Test]
    public function settings_are_not_taken_while_the_switch_is_at_work(): void
    {
        $installation = $this->installation();
        $unit = $this->unit($installation);
        $unit->answer(pack('Cnn', 5, 0, 0xFF00));
        $this->monoMs = 60_000;
        $unit->answer(self::writing(ModbusUnit::CONTROL + 5, [0, 1]));

        self::assertSame(chr(0x86) . "\x03", $unit->answer(pack('Cnn', 6, 1300, 1)));
        self::assertSame(1, $installation->revision());
    }

    #[Test]
    public function knobs_written_in_one_request_act_together(): void
    {
        $installation = $this->installation(InstallationKind::ContactorGenerator);
        $unit = $this->unit($installation);
        $unit->answer(self::writing(ModbusUnit::KNOBS, [2300, 1800, 2300, 4990, 1]));

        self::assertSame([2300, 1800, 2300, 4990, 1], self::holding($unit, ModbusUnit::KNOBS, 5));
        self::assertCount(1, $installation->script()['inputs']);
    }

    #[Test]
    public function a_device_says_who_it_is(): void
    {
        $answer = $this->unit($this->installation())->answer(pack('CCCC', 43, 14, 2, 0));

        self::assertSame([43, 14, 2, 0x82, 0, 0, 7], array_values(unpack('C7', $answer) ?: []));
        self::assertStringContainsString('B-1', $answer);
        self::assertStringContainsString('simulated', $answer);
    }

    #[Test, DataProvider('cuts')]
    public function a_stream_is_read_alike_however_it_is_cut(int $size): void
    {
        $stream = '';
        foreach (range(1, 10) as $n) {
            $stream .= pack('nnnC', $n, 0, 6, 1) . pack('Cnn', 4, $n, 1);
        }
        $frames = new ModbusFrames();
        $taken = [];
        foreach (str_split($stream, $size) as $piece) {
            array_push($taken, ...$frames->take($piece) ?? []);
        }

        self::assertSame(range(1, 10), array_column($taken, 'transaction'));
        self::assertFalse($frames->isHalf());
    }

    /** @return iterable<string, array{int}> */
    public static function cuts(): iterable
    {
        foreach ([1, 5, 7, 12, 13, 120] as $size) {
            yield "pieces of $size" => [$size];
        }
    }

    #[Test]
    public function a_stream_that_cannot_be_trusted_is_given_up(): void
    {
        self::assertNull((new ModbusFrames())->take(pack('nnnC', 1, 7, 6, 1)), 'another protocol');
        self::assertNull((new ModbusFrames())->take(pack('nnnC', 1, 0, 1, 1)), 'too short');
        self::assertNull((new ModbusFrames())->take(pack('nnnC', 1, 0, 255, 1)), 'too long');
    }

    #[Test]
    public function no_bytes_at_all_bring_it_down(): void
    {
        mt_srand(20_261_127);
        $installation = $this->installation();
        $unit = $this->unit($installation);
        for ($i = 0; $i < 10_000; $i++) {
            $this->monoMs += mt_rand(0, 50);
            $function = [1, 2, 3, 4, 5, 6, 15, 16, 43, mt_rand(0, 255)][mt_rand(0, 9)];
            $at = [0, 16, 48, 60, 1000, 1200, 1300, 1400, 1410, mt_rand(0, 0xFFFF)][mt_rand(0, 9)];
            $pdu = chr($function) . match (mt_rand(0, 3)) {
                0 => self::bytes(mt_rand(0, 20)),
                1 => pack('nn', $at + mt_rand(0, 6), mt_rand(0, 130)),
                2 => pack('nn', $at + mt_rand(0, 6), mt_rand(0, 1) * 0xFF00),
                default => pack('nnC', $at, 2, 4) . self::bytes(4),
            };
            $answer = $unit->answer($pdu);
            self::assertGreaterThanOrEqual(2, strlen($answer));
            self::assertContains(ord($answer[0]), [$function, $function | self::FAULT]);
        }
        self::assertCount(LiveImage::REGISTERS + 4, $installation->inputRegisters());
    }

    private static function bytes(int $count): string
    {
        return implode('', array_map(static fn(): string => chr(mt_rand(0, 255)), $count === 0 ? [] : range(1, $count)));
    }

    private static function input(ModbusUnit $unit, int $at): int
    {
        return (unpack('n', substr($unit->answer(pack('Cnn', 4, $at, 1)), 2)) ?: [1 => -1])[1];
    }

    /** @return list<int> */
    private static function holding(ModbusUnit $unit, int $at, int $count): array
    {
        return array_values(unpack('n*', substr($unit->answer(pack('Cnn', 3, $at, $count)), 2)) ?: []);
    }

    /** @param list<int> $words */
    private static function writing(int $at, array $words): string
    {
        return pack('CnnC', 16, $at, count($words), 2 * count($words)) . pack('n*', ...$words);
    }
}
