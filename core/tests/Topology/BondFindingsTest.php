<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Topology;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Which bond is one too many, and what it is called by where it sits. Rule: docs/rules.md#bonding. */
final class BondFindingsTest extends TestCase
{
    /**
     * @param array<string, array<string, mixed>> $more  by the id of the element it is added to
     * @param list<string>                        $found without the electrodes
     */
    #[Test, DataProvider('bonds')]
    public function a_bond_too_many_is_named_by_its_place(array $more, array $found): void
    {
        $elements = [
            ['id' => 'u', 'type' => 'source', 'kind' => 'utility'],
            ['id' => 'm', 'type' => 'disconnect', 'from' => 'u', 'service' => true, 'bond' => true, 'electrode' => true],
            ['id' => 't', 'type' => 'source', 'kind' => 'generator'],
            ['id' => 'd', 'type' => 'disconnect', 'from' => 't'],
            ['id' => 's', 'type' => 'switch', 'neutral' => 'solid', 'normal_from' => 'm', 'emergency_from' => 'd'],
            ['id' => 'p', 'type' => 'panel', 'from' => 's'],
            ['id' => 'l', 'type' => 'load', 'from' => 'p'],
        ];
        $answer = (new Calculations())->calc('bonding', Node::fromArray([
            'phases' => 3, 'elements' => array_map(static fn(array $one): array => ($more[$one['id']] ?? []) + $one, $elements),
        ]));
        self::assertSame($found, array_map(
            static fn(array $one): string => "{$one['id']} {$one['at']}",
            array_values(array_filter($answer['findings'], static fn(array $one): bool => ! str_starts_with($one['id'], 'electrode'))),
        ));
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, list<string>}> */
    public static function bonds(): iterable
    {
        $bonded = ['bond' => true];
        yield 'a solid neutral with one bond' => [[], []];
        yield 'a transformer with its own' => [['t' => ['kind' => 'transformer'], 'd' => $bonded], ['circulating-neutral d']];
        yield 'a transformer bonded at its terminals' => [['t' => ['kind' => 'transformer'] + $bonded], ['circulating-neutral t']];
        yield 'a generator with its own' => [['d' => $bonded], ['panel-bond-extra d']];
        yield 'an inverter with its own' => [['t' => ['kind' => 'inverter'], 'd' => $bonded], ['panel-bond-extra d']];
        yield 'a generator bonded inside' => [['t' => $bonded], ['source-bond-parallel t']];
        yield 'the panel' => [['p' => $bonded], ['panel-bond-extra p']];
        yield 'a mobile panel' => [['p' => ['mobile' => true] + $bonded], ['mobile-panel-bonded p']];
        yield 'none at all' => [['m' => ['bond' => false]], ['bond-missing m']];
        $switched = ['s' => ['neutral' => 'switched']];
        yield 'a switched neutral: each has its own' => [$switched + ['d' => $bonded], []];
        yield 'a switched neutral: the machine floats' => [$switched, ['floating-neutral t']];
        yield 'a switched neutral: bonded at machine and disconnect' => [
            $switched + ['t' => $bonded, 'd' => $bonded], ['panel-bond-extra d'],
        ];
        yield 'one that floats on purpose' => [$switched + ['t' => ['floating_by_design' => true]], ['floating-by-intent t']];
    }
}
