<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Input\Node;
use Escapement\Core\Planning\OpenedDevice;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\TopologyCheck;
use Escapement\Core\Wire\Topology\OneLineReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A house with its disconnect ahead of the switch, and a second source: what is said of the disconnect when it is open. */
final class OpenedDeviceTest extends TestCase
{
    #[Test, DataProvider('hazards')]
    public function what_stays_live_is_said_with_what_comes_by_itself(
        string $kind,
        string $second,
        int $loads,
        string $open,
        ?string $said,
    ): void {
        $breakers = array_map(static fn(int $i): array => ['id' => "b$i", 'rating_a' => 20], range(1, $loads));
        $elements = [
            ['id' => 'util', 'type' => 'source', 'kind' => 'utility'],
            ['id' => 'gen', 'type' => 'source', 'kind' => $second],
            ['id' => 'sd', 'type' => 'disconnect', 'rating_a' => 200, 'service' => true],
            ['id' => 'gd', 'type' => 'disconnect', 'rating_a' => 100],
            ['id' => 'ats', 'type' => 'switch', 'kind' => 'motor', 'poles' => 2, 'neutral' => 'solid', 'rating_a' => 200],
            ['id' => 'panel', 'type' => 'panel', 'role' => 'main', 'rating_a' => 200, 'main_a' => 200, 'breakers' => $breakers],
        ];
        $links = [['util', 'sd'], ['sd', 'ats.normal'], ['gen', 'gd'], ['gd', 'ats.emergency'], ['ats', 'panel']];
        for ($i = 1; $i <= $loads; $i++) {
            $elements[] = ['id' => "l$i", 'type' => 'load', 'phases' => ['L1'], 'va' => 1000];
            $links[] = ["panel.b$i", "l$i"];
        }
        $links = array_map(static fn(array $one): array => ['from' => $one[0], 'to' => $one[1]], $links);
        $drawing = (new OneLineReader())->whole(Node::fromArray(['system' => 'split', 'elements' => $elements, 'links' => $links]));
        $names = new ElementNames(['util' => 'Utility', 'gen' => 'Generator', 'panel' => 'Main panel']);
        $opened = OpenedDevice::of($drawing, TopologyCheck::of($drawing)->answer(), $open, InstallationKind::from($kind), $names);
        self::assertSame($said, $opened?->hazard());
        self::assertSame($said === null ? null : $open, $opened?->ref());
    }

    /** @return iterable<string, array{string, string, int, string, ?string}> kind, second source, loads, what is open, what is said */
    public static function hazards(): iterable
    {
        $line = 'is not dead. Its line side stays live from Utility until that is opened upstream.';
        $safe = 'Engine blocked from starting, locked, tagged, then prove dead.';
        yield 'the service disconnect, one load' => [
            'K1', 'generator', 1, 'sd', "$line The generator can start by itself within seconds and feed Main panel and 1 load. $safe",
        ];
        yield 'two loads' => [
            'K1', 'generator', 2, 'sd', "$line The generator can start by itself within seconds and feed Main panel and 2 loads. $safe",
        ];
        yield 'the disconnect of the generator: the utility does not come by itself' => [
            'K1', 'generator', 1, 'gd', 'is not dead. Its line side stays live from Generator until that is opened upstream. ' . $safe,
        ];
        yield 'two supplies: the other one comes' => [
            'K7', 'utility', 1, 'sd',
            "$line The changeover can go to the other supply by itself within seconds and feed Main panel and 1 load."
                . ' Both supplies opened, locked and tagged, then prove dead.',
        ];
        yield 'a device that is not there' => ['K1', 'generator', 1, 'sx', null];
        yield 'a breaker, for which it is not worked out' => ['K1', 'generator', 1, 'panel.b1', null];
    }
}
