<?php

declare(strict_types=1);

namespace App\Device;

use Escapement\Core\Bench\Coil;
use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Device\Register\Register;

/** The map of registers and coils as a table, made from what the code reads and writes by: docs/formats/modbus.csv and .md. */
final readonly class MapDescription
{
    public const HEAD = ['table', 'address', 'name', 'type', 'scale', 'access', 'meaning'];
    private const CONTROL = [
        [1300, 'commit', 'w', '1 checks staging as a whole and makes it active, 2 copies active to staging; reads 0'],
        [1301, 'result', 'r', '0 none yet, 1 accepted, 2 refused, 3 wrong revision'],
        [1302, 'fault_offset', 'r', 'offset of the fault in the block, 65535 none'],
        [1303, 'revision', 'r', 'two registers, high word first; grows by 1 with each accepted commit'],
        [1305, 'expected_revision', 'rw', 'two registers; has to be the revision when 1 is written to commit'],
        [1400, 'utility v L1 to L3', 'rw', '0.1 V each; what one request writes acts together'],
        [1403, 'utility hz', 'rw', '0.01 Hz'],
        [1404, 'utility rotation', 'rw', '0 abc, 1 acb'],
        [1410, 'clock rate', 'rw', '0 pauses, 1 to 60'],
    ];

    /** @return list<list<string>> by the columns of the head */
    public static function rows(): array
    {
        /** @var list<Register> $settings */
        $settings = require __DIR__ . '/../../core/data/settings_registers.php';
        /** @var list<Coil> $coils */
        $coils = require __DIR__ . '/../../core/data/bench_coils.php';
        $rows = array_map(static fn(Register $one): array => self::register('input', 0, $one, 'r'), (new LiveImage())->map);
        $rows[] = ['input', '60', 'log_first_seq', 'u32', '1', 'r', ''];
        $rows[] = ['input', '62', 'log_last_seq', 'u32', '1', 'r', ''];
        foreach ([ModbusUnit::ACTIVE => 'r', ModbusUnit::STAGING => 'rw'] as $from => $access) {
            $rows[] = ['holding', (string) $from, 'layout', 'u16', '1', $access, '1'];
            $rows[] = ['holding', (string) ($from + 1), 'flags', 'u16', '1', $access, 'bit 0 transition delayed, 1 commit to transfer, '
                . '2 and 3 rotation checks, 4 exercise, 5 exercise with load, 6 load shedding'];
            array_push($rows, ...array_map(
                static fn(Register $one): array => self::register('holding', $from, $one, $access),
                $settings,
            ));
        }
        foreach (self::CONTROL as [$address, $name, $access, $meaning]) {
            $rows[] = ['holding', (string) $address, $name, 'u16', '', $access, $meaning];
        }
        foreach ($coils as $coil) {
            $rows[] = ['coil', (string) $coil->address, $coil->name, 'bit', '', 'rw', $coil->off === null ? 'a press; reads 0' : ''];
        }
        foreach (LiveImage::LAMPS as $bit => $lamp) {
            $rows[] = ['discrete', (string) $bit, $lamp, 'bit', '', 'r', 'lamp'];
        }
        foreach (LiveImage::ALARMS as $bit => $alarm) {
            $rows[] = ['discrete', (string) (16 + $bit), $alarm, 'bit', '', 'r', 'alarm'];
        }

        return $rows;
    }

    /** The same for people. */
    public static function markdown(): string
    {
        $text = '';
        $titles = [
            'input' => 'Input registers (function 4)', 'holding' => 'Holding registers (functions 3, 6, 16)',
            'coil' => 'Coils (functions 1, 5, 15)', 'discrete' => 'Discrete inputs (function 2)',
        ];
        foreach ($titles as $table => $title) {
            $text .= "\n## $title\n\n| address | name | type | scale | access | meaning |\n|---|---|---|---|---|---|\n";
            foreach (self::rows() as $row) {
                $text .= $row[0] === $table ? '| ' . implode(' | ', array_slice($row, 1)) . " |\n" : '';
            }
        }

        return $text;
    }

    /** @return list<string> */
    private static function register(string $table, int $from, Register $one, string $access): array
    {
        $words = [];
        foreach ($one->words as $value => $word) {
            $words[] = "$value $word";
        }

        return [
            $table, (string) ($from + $one->address), $one->key, $one->type->value,
            $one->places === 0 ? '1' : (string) 10 ** -$one->places, $access, implode(', ', $words),
        ];
    }
}
