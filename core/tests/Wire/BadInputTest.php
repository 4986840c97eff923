<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The pointer of the first bad value, for one fault each in an otherwise good scenario. */
final class BadInputTest extends TestCase
{
    /** @param callable(\stdClass): void $spoil */
    #[Test, DataProvider('faults')]
    public function the_pointer_names_the_fault(string $path, callable $spoil): void
    {
        [$case] = iterator_to_array(CaseFile::read('timing'))['a plain outage: start delay, crank, run-up, transfer delay, return '
            . 'delay, cool-down, stop'];
        $spoil($case->input);
        try {
            (new Calculations())->rehearse(new Node($case->input));
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
            self::assertNotSame('', $e->getMessage());

            return;
        }
        self::fail("Nothing was said of $path.");
    }

    /** @return iterable<string, array{string, callable(\stdClass): void}> */
    public static function faults(): iterable
    {
        yield 'a misspelt setting' => ['/settings/return_dealy_ms', static fn(\stdClass $in) => $in->settings->return_dealy_ms = 5];
        yield 'a missing setting' => ['/settings/return_delay_ms', static function (\stdClass $in): void {
            unset($in->settings->return_delay_ms);
        }];
        yield 'a delay of half a millisecond' => [
            '/settings/start_delay_ms',
            static fn(\stdClass $in) => $in->settings->start_delay_ms = 0.5,
        ];
        yield 'a delay of more than a year' => [
            '/settings/start_delay_ms',
            static fn(\stdClass $in) => $in->settings->start_delay_ms = 31_536_000_001,
        ];
        yield 'a negative delay' => ['/settings/start_delay_ms', static fn(\stdClass $in) => $in->settings->start_delay_ms = -1];
        yield 'a text for a number' => ['/until_ms', static fn(\stdClass $in) => $in->until_ms = '600000'];
        yield 'null for a number' => ['/until_ms', static fn(\stdClass $in) => $in->until_ms = null];
        yield 'pick-up not above drop-out' => [
            '/settings/sensing/normal/under_voltage/pickup_pct',
            static fn(\stdClass $in) => $in->settings->sensing->normal->under_voltage->pickup_pct = 80,
        ];
        yield 'a list for an object' => ['/settings/sensing', static fn(\stdClass $in) => $in->settings->sensing = []];
        yield 'unbalance on a split phase' => [
            '/settings/sensing/normal/unbalance',
            static fn(\stdClass $in) => $in->settings->sensing->normal->unbalance = (object) ['dropout_pct' => 5, 'pickup_pct' => 3],
        ];
        yield 'rotation on a split phase' => [
            '/system/sources/normal/rotation',
            static fn(\stdClass $in) => $in->system->sources->normal->rotation = 'abc',
        ];
        yield 'times that go back' => ['/events/1/at_ms', static fn(\stdClass $in) => $in->events[1]->at_ms = 9999];
        yield 'an emergency source with an engine is set' => [
            '/events/0/source',
            static fn(\stdClass $in) => $in->events[0]->source = 'emergency',
        ];
        yield 'a load that is not there' => [
            '/events/0/load',
            static fn(\stdClass $in) => $in->events[0] = (object) ['at_ms' => 0, 'do' => 'set_load', 'load' => 'pool', 'kw' => 1],
        ];
        yield 'a load twice' => [
            '/loads/1/id',
            static fn(\stdClass $in) => $in->loads = array_fill(0, 2, (object) ['id' => 'a', 'kw' => 1, 'priority' => 1, 'shed' => false]),
        ];
        yield 'too few phases' => ['/events/0/v', static fn(\stdClass $in) => $in->events[0]->v = [120]];
        yield 'a bad phase' => ['/events/0/v/1', static fn(\stdClass $in) => $in->events[0]->v = [120, -1]];
        yield 'an unknown verb' => ['/events/0/do', static fn(\stdClass $in) => $in->events[0]->do = 'break'];
        yield 'a key with a slash' => ['/settings/a~1b', static fn(\stdClass $in) => $in->settings->{'a/b'} = 1];
        yield 'an engine between two standing sources' => ['/system/engine', static fn(\stdClass $in) => $in->system->kind = 'two_source'];
    }

    #[Test]
    public function what_is_no_json_is_named_by_the_empty_pointer(): void
    {
        foreach (['', '{', 'null x', str_repeat('[', 1000), "\xff"] as $text) {
            try {
                Node::fromJson($text);
                self::fail('It was read.');
            } catch (BadInput $e) {
                self::assertSame('', $e->path);
            }
        }
    }

    #[Test]
    public function decimals_tie_exactly(): void
    {
        $source = ['phases' => 1, 'nominal_v' => 120, 'nominal_hz' => 60];
        $result = (new Calculations())->rehearse(Node::fromArray([
            'system' => ['kind' => 'two_source', 'sources' => ['normal' => $source, 'emergency' => $source]],
            'settings' => [
                'sensing' => [
                    'normal' => ['under_voltage' => ['dropout_pct' => 80.1, 'pickup_pct' => 90]],
                    'emergency' => ['under_voltage' => ['dropout_pct' => 80, 'pickup_pct' => 90]],
                ],
                'start_delay_ms' => 0, 'transfer_delay_ms' => 0, 'return_delay_ms' => 0, 'cooldown_ms' => 0,
                'load_shed' => ['limit_kw' => 0.3, 'first_step_ms' => 0, 'step_ms' => 1, 'overload_ms' => 0, 'lockout_ms' => 0],
            ],
            'loads' => [
                ['id' => 'a', 'kw' => 0.1, 'priority' => 1, 'shed' => false],
                ['id' => 'b', 'kw' => 0.2, 'priority' => 1, 'shed' => true],
            ],
            'events' => [
                ['at_ms' => 1, 'do' => 'set_source', 'source' => 'normal', 'v' => 96.12], // 80.1 % of 120 V: not under it
                ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 96.11],
            ],
            'until_ms' => 9000,
        ]));
        $kinds = array_column($result['events'], 't_ms', 'kind');
        self::assertSame(1000, $kinds['source_lost']);
        self::assertSame([], $result['final']['shed'], '0.1 + 0.2 kW is not over 0.3 kW');
        self::assertArrayNotHasKey('overload_unresolved', $kinds);
    }
}
