<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A mains and generator changeover, and what each change to its drawing makes of it. */
final class RelayCheckTest extends TestCase
{
    /**
     * @param array<string, array<string, mixed>> $patch  by rung or device id; `top` for the circuit itself
     * @param list<string>                        $told   "id at severity"
     * @param list<string>                        $silent ids
     */
    #[Test, DataProvider('changes')]
    public function a_change_to_the_drawing_is_told(array $patch, array $told, array $silent): void
    {
        $findings = self::check(self::circuit($patch))['findings'];
        $found = array_map(
            static fn(array $f): string => implode(' ', array_filter([$f['id'], $f['at'] ?? null, $f['severity']])),
            $findings,
        );
        self::assertSame([], array_values(array_diff($told, $found)), 'told: ' . implode(', ', $found));
        self::assertSame([], array_values(array_intersect($silent, array_column($findings, 'id'))), 'told: ' . implode(', ', $found));
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, list<string>, list<string>}> */
    public static function changes(): iterable
    {
        $all = [
            'both-can-close',
            'electrical-interlock-defeated',
            'interlock-missing',
            'hunting',
            'race-on-power-up',
            'dead-in-auto',
            'source-unproved',
            'phase-loss-unseen',
            'no-return-delay',
            'start-runs-with-mains-healthy',
            'start-not-called-on-outage',
            'coil-not-driven',
            'no-mechanical-interlock',
            'single-fault-both-closed',
        ];
        yield 'as it should be' => [[], ['electrically-held note', 'single-fault-saved K1 note'], $all];
        yield 'without the rocker' => [
            ['top' => ['mechanical_interlock' => false]],
            ['no-mechanical-interlock warn', 'single-fault-both-closed K1 stop'],
            ['single-fault-saved'],
        ];
        yield 'the interlock of K1 forgotten' => [['r2' => ['when' => ['no' => 'T1']]], ['interlock-missing K1 stop'], []];
        yield 'both interlocks forgotten' => [
            ['top' => ['mechanical_interlock' => false], 'r2' => ['when' => ['no' => 'PF1']], 'r3' => ['when' => ['no' => 'PF2']]],
            ['both-can-close stop'],
            ['single-fault-both-closed'],
        ];
        yield 'both forgotten, with a rocker' => [
            ['r2' => ['when' => ['no' => 'PF1']], 'r3' => ['when' => ['no' => 'PF2']]],
            ['electrical-interlock-defeated warn'],
            ['both-can-close'],
        ];
        yield 'the interlock twice' => [
            ['r2' => ['when' => ['all' => [['no' => 'T1'], ['nc' => 'K2'], ['nc' => 'K2']]]]],
            ['interlock-duplicated K1 note'],
            [],
        ];
        yield 'no pause on the way back' => [
            [
                'r2' => ['when' => ['all' => [['no' => 'PF1'], ['nc' => 'K2']]]],
                'r3' => ['when' => ['all' => [['no' => 'PF2'], ['nc' => 'PF1'], ['nc' => 'K1']]]],
            ],
            ['no-return-delay K1 warn', 'no-dead-time K1 warn'],
            [],
        ];
        yield 'a contactor through its own contact' => [
            ['r2' => ['when' => ['all' => [['no' => 'T1'], ['nc' => 'K2'], ['nc' => 'K1']]]]],
            ['hunting stop'],
            [],
        ];
        yield 'a source that nobody proves' => [
            ['r3' => ['when' => ['all' => [['nc' => 'T1'], ['nc' => 'K1']]]]],
            ['source-unproved K2 warn', 'phase-loss-unseen K2 warn'],
            [],
        ];
        yield 'a single-phase plant has no phase to lose' => [
            ['top' => ['phases' => 1], 'r3' => ['when' => ['all' => [['nc' => 'T1'], ['nc' => 'K1']]]]],
            ['source-unproved K2 warn'],
            ['phase-loss-unseen', 'rotation-unverified'],
        ];
        yield 'a coil without rung' => [['r2' => []], ['coil-not-driven K1 warn', 'dead-in-auto warn'], []];
        yield 'the wrong contact for the start' => [
            ['S' => ['when' => ['no' => 'PF1']]],
            ['start-runs-with-mains-healthy S stop', 'start-not-called-on-outage S stop'],
            [],
        ];
        yield 'rotation not verified' => [
            ['top' => ['supplies' => [['id' => 'u', 'rotation' => 'abc'], ['id' => 'g']]]],
            ['rotation-unverified warn'],
            ['rotation-mismatch'],
        ];
        yield 'rotation reversed' => [
            ['top' => ['supplies' => [['id' => 'u', 'rotation' => 'abc'], ['id' => 'g', 'rotation' => 'acb']]]],
            ['rotation-mismatch stop'],
            ['rotation-unverified'],
        ];
        yield 'an emergency system' => [['top' => ['system_class' => 'emergency']], ['electrically-held stop'], []];
        yield 'one contact drawn twice' => [
            ['r2' => ['when' => ['all' => [['no' => 'T1', 'contact' => '13-14'], ['no' => 'T1', 'contact' => '13-14'], ['nc' => 'K2']]]]],
            ['contact-reused T1 warn'],
            [],
        ];
    }

    #[Test]
    public function what_is_reached_from_power_up_is_reached_by_some_history_and_no_lamp_burns_without_its_supply(): void
    {
        foreach (CaseFile::read('topology') as [$case]) {
            if ($case->calc !== 'relay_check' || isset($case->expect->error)) {
                continue;
            }
            foreach (CaseFile::asArray((new Calculations())->calc('relay_check', new Node($case->input)))['truth_table'] as $row) {
                foreach ($row['cold'] as $state) {
                    self::assertContains($state, $row['any'], $case->name);
                }
                self::assertNotSame([], $row['any'] === [] ? ['hunting'] : $row['any']);
            }
        }
    }

    #[Test, DataProvider('proved')]
    public function swapping_the_names_of_the_sources_mirrors_the_result(\stdClass $circuit): void
    {
        [$one, $other] = array_column(array_values(array_filter(
            $circuit->supplies,
            static fn(\stdClass $supply): bool => ($supply->always ?? false) !== true,
        )), 'id');
        $swapped = static fn(mixed $value): mixed => json_decode(str_replace(
            ["\"$one\"", "\"$other\"", '"\u0000"'],
            ['"\u0000"', "\"$one\"", "\"$other\""],
            json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
        ), true);
        $told = static fn(mixed $input): array => array_intersect_key(
            CaseFile::asArray((new Calculations())->calc('relay_check', Node::fromArray($input))),
            array_flip([
                'truth_table', 'reachable_states', 'both_closed_reachable', 'faults', 'start_faults', 'dead_conditions', 'hunting',
            ]),
        );
        self::assertEquals($swapped($told($circuit)), $told($swapped($circuit)));
    }

    #[Test, DataProvider('proved')]
    public function one_more_contact_of_the_other_contactor_never_lets_both_close(\stdClass $circuit): void
    {
        $before = CaseFile::asArray((new Calculations())->calc('relay_check', new Node($circuit)))['both_closed_reachable'];
        $pair = array_values(array_filter($circuit->devices, static fn(\stdClass $one): bool => isset($one->power_from)));
        foreach (count($pair) === 2 ? [[0, 1], [1, 0]] : [] as [$own, $other]) {
            $locked = json_decode(json_encode($circuit, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
            foreach ($locked->rungs as $rung) {
                if ($rung->coil === $pair[$own]->id) {
                    $rung->when = (object) ['all' => [$rung->when, (object) ['nc' => $pair[$other]->id]]];
                }
            }
            $after = CaseFile::asArray((new Calculations())->calc('relay_check', new Node($locked)))['both_closed_reachable'];
            self::assertFalse($after && ! $before, "before {$pair[$own]->id}");
        }
        self::assertIsBool($before);
    }

    /** @return iterable<string, array{\stdClass}> every circuit of the cases that is one */
    public static function proved(): iterable
    {
        foreach (CaseFile::read('topology') as [$case]) {
            if ($case->calc === 'relay_check' && ! isset($case->expect->error)) {
                yield $case->name => [$case->input];
            }
        }
    }

    #[Test]
    public function the_mechanical_interlock_changes_no_state_only_what_is_said_of_it(): void
    {
        $with = self::check(self::circuit([]));
        $without = self::check(self::circuit(['top' => ['mechanical_interlock' => false]]));
        self::assertSame(
            [$with['truth_table'], $with['reachable_states'], array_column($with['faults'], 'both_closed')],
            [$without['truth_table'], $without['reachable_states'], array_column($without['faults'], 'both_closed')],
        );
        self::assertNotContains(true, array_column($without['faults'], 'mechanical_saves'));
    }

    /** @param array<string, array<string, mixed>> $patch */
    #[Test, DataProvider('faults')]
    public function the_first_fault_in_order_is_named(array $patch, string $path): void
    {
        try {
            self::check(self::circuit($patch));
            self::fail('This circuit is bad.');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, string}> */
    public static function faults(): iterable
    {
        $deep = ['no' => 'PF1'];
        for ($i = 0; $i < 8; $i++) {
            $deep = ['all' => [$deep]];
        }
        yield 'a preferred supply that never fails' => [
            ['top' => ['supplies' => [['id' => 'u', 'always' => true], ['id' => 'g']]]],
            '/preferred',
        ];
        yield 'a contact of nothing' => [['r2' => ['when' => ['no' => 'X']]], '/rungs/1/when/no'];
        yield 'two kinds at once' => [['r2' => ['when' => ['no' => 'T1', 'nc' => 'K2']]], '/rungs/1/when'];
        yield 'too deep' => [['r2' => ['when' => $deep]], '/rungs/1/when/all/0/all/0/all/0/all/0/all/0/all/0/all/0/all/0'];
        yield 'a position of a device that has none' => [['r2' => ['when' => ['of' => 'T1', 'at' => ['I']]]], '/rungs/1/when/of'];
        yield 'both contactors on one source' => [['K2' => ['power_from' => 'u']], '/devices'];
        yield 'a timer of no seconds before a bad coil' => [
            ['T1' => ['seconds' => 0], 'r1' => ['coil' => 'nothing']],
            '/devices/2/seconds',
        ];
        yield 'a coil that is driven twice' => [['r3' => ['coil' => 'K1']], '/rungs/2/coil'];
        yield 'rungs before the starts' => [['r2' => ['when' => []], 'S' => ['when' => []]], '/rungs/1/when'];
    }

    /**
     * @param array<string, array<string, mixed>> $patch an empty patch of a rung removes it
     *
     * @return array<string, mixed>
     */
    private static function circuit(array $patch): array
    {
        $patched = static function (array $items) use ($patch): array {
            $kept = [];
            foreach ($items as $item) {
                if (($patch[$item['id']] ?? null) !== []) {
                    $kept[] = ($patch[$item['id']] ?? []) + $item;
                }
            }

            return $kept;
        };

        return ($patch['top'] ?? []) + [
            'phases' => 3,
            'preferred' => 'u',
            'mechanical_interlock' => true,
            'supplies' => [['id' => 'u', 'rotation' => 'abc'], ['id' => 'g', 'rotation' => 'abc']],
            'devices' => $patched([
                ['id' => 'PF1', 'type' => 'phase_relay', 'supply' => 'u'], ['id' => 'PF2', 'type' => 'phase_relay', 'supply' => 'g'],
                ['id' => 'T1', 'type' => 'timer', 'mode' => 'on_delay', 'seconds' => 300],
                ['id' => 'K1', 'type' => 'contactor', 'power_from' => 'u'],
                ['id' => 'K2', 'type' => 'contactor', 'power_from' => 'g'],
                ['id' => 'S', 'type' => 'start', 'starts' => 'g', 'when' => ['nc' => 'PF1']],
            ]),
            'rungs' => $patched([
                ['id' => 'r1', 'coil' => 'T1', 'supply' => 'u', 'when' => ['no' => 'PF1']],
                ['id' => 'r2', 'coil' => 'K1', 'supply' => 'u', 'when' => ['all' => [['no' => 'T1'], ['nc' => 'K2']]]],
                ['id' => 'r3', 'coil' => 'K2', 'supply' => 'g', 'when' => ['all' => [['no' => 'PF2'], ['nc' => 'T1'], ['nc' => 'K1']]]],
            ]),
        ];
    }

    /**
     * @param array<string, mixed> $circuit
     *
     * @return array<string, mixed>
     */
    private static function check(array $circuit): array
    {
        return json_decode((string) json_encode((new Calculations())->calc('relay_check', Node::fromArray($circuit))), true);
    }
}
