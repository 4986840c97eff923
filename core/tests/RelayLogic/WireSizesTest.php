<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Sizes of a panel's control wires and their ferrules, typed a second time from the rules. Rule: docs/rules.md#terminal-list. */
final class WireSizesTest extends TestCase
{
    #[Test, DataProvider('fuses')]
    public function the_fuse_gives_the_size(string $region, float $fuseA, string $control, string $field, ?string $ferrule): void
    {
        $list = self::list(['region' => $region, 'control' => ['fuse_a' => $fuseA]]);
        self::assertSame([$control, $field], [$list['control_size'], $list['field_size']]);
        $wires = array_values(array_filter($list['wires'], static fn(array $one): bool => $one['size'] === $control));
        self::assertNotSame([], $wires);
        self::assertSame($ferrule, $wires[0]['ferrule']['colour'] ?? null);
    }

    /** @return iterable<string, array{string, float, string, string, ?string}> */
    public static function fuses(): iterable
    {
        $rows = [
            ['us_480y_277', 7, '18', '14', 'red'], ['us_480y_277', 7.5, '16', '14', 'black'], ['us_480y_277', 10, '16', '14', 'black'],
            ['us_480y_277', 10.5, '14', '14', 'blue'], ['us_480y_277', 15, '14', '14', 'blue'], ['us_480y_277', 15.5, '12', '12', 'gray'],
            ['us_480y_277', 20, '12', '12', 'gray'],
            ['iec_400_230', 6, '1', '1.5', 'red'], ['iec_400_230', 6.5, '1.5', '1.5', 'black'], ['iec_400_230', 10, '1.5', '1.5', 'black'],
            ['iec_400_230', 10.5, '2.5', '2.5', 'blue'], ['iec_400_230', 16, '2.5', '2.5', 'blue'],
            ['iec_400_230', 16.5, '4', '4', 'gray'], ['iec_400_230', 20, '4', '4', 'gray'],
        ];
        foreach ($rows as [$region, $fuseA, $control, $field, $ferrule]) {
            yield "$region, $fuseA A" => [$region, (float) $fuseA, $control, $field, $ferrule];
        }
    }

    /** @param array<string, array<string, mixed>> $devices */
    #[Test, DataProvider('mirrors')]
    public function an_interlock_by_a_plain_contact_is_said(array $devices, int $times): void
    {
        $circuit = StandardCircuits::all()['b']['circuit'];
        $circuit['devices'] = array_map(static fn(array $one): array => ($devices[$one['id']] ?? []) + $one, $circuit['devices']);
        $ids = array_column(self::list(['region' => 'iec_400_230', 'circuit' => $circuit])['findings'], 'id');
        self::assertSame($times, count(array_keys($ids, 'interlock-not-mirror', true)));
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, int}> */
    public static function mirrors(): iterable
    {
        $mirror = ['mirror_contacts' => true];
        yield 'both plain' => [[], 2];
        yield 'one a mirror' => [['K1' => $mirror], 1];
        yield 'both' => [['K1' => $mirror, 'K2' => $mirror], 0];
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private static function list(array $input): array
    {
        $text = json_encode($input + ['circuit' => StandardCircuits::all()['b']['circuit']], JSON_THROW_ON_ERROR);

        return CaseFile::asArray((new Calculations())->calc('terminal_list', Node::fromJson($text)));
    }
}
