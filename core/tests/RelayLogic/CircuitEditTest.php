<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Draft\CircuitDraft;
use Escapement\Core\RelayLogic\Draft\DraftFault;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Repair\CircuitRepairs;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\RelayLogic\Story\CounterExample;
use Escapement\Core\Wire\Panel\CircuitWriter;
use Escapement\Core\Wire\RelayCheckReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Circuits drawn, changed, put right, and led to the state that must not be. */
final class CircuitEditTest extends TestCase
{
    /** @return iterable<string, array{RelayCircuit}> */
    public static function standard(): iterable
    {
        foreach (StandardCircuits::all() as $key => $one) {
            yield $key => [self::read($one['circuit'])];
        }
    }

    #[Test]
    #[DataProvider('standard')]
    public function a_written_circuit_reads_as_the_same(RelayCircuit $circuit): void
    {
        self::assertEquals($circuit, self::read(CircuitWriter::write($circuit)));
    }

    #[Test]
    #[DataProvider('standard')]
    public function no_way_leads_to_both_closed_where_the_proof_found_none(RelayCircuit $circuit): void
    {
        self::assertSame([], (new CounterExample($circuit))->steps());
    }

    #[Test]
    #[DataProvider('standard')]
    public function nobody_is_given_a_circuit_to_begin_with_that_does_not_prove(RelayCircuit $circuit): void
    {
        $stops = array_filter(
            (new RelayCheck())->check($circuit)->findings,
            static fn(Finding $finding): bool => $finding->severity === Severity::Stop,
        );
        self::assertSame([], array_map(static fn(Finding $finding): string => $finding->sentence(), $stops));
    }

    /** @return iterable<string, array{string, string}> */
    public static function interlocks(): iterable
    {
        foreach (['a', 'b', 'c'] as $key) {
            foreach (['K1', 'K2'] as $contactor) {
                yield "$key, before $contactor" => [$key, $contactor];
            }
        }
    }

    #[Test]
    #[DataProvider('interlocks')]
    public function a_missing_interlock_is_shown_step_by_step_and_put_right_by_one_proposal(string $key, string $contactor): void
    {
        $circuit = self::withoutInterlock($key, $contactor);
        $steps = (new CounterExample($circuit))->steps();
        self::assertNotSame([], $steps);
        self::assertFalse($steps[0]->moment->areBothClosed());
        foreach (array_slice($steps, 1) as $step) {
            self::assertNotSame('', $step->title);
        }
        $end = $steps[count($steps) - 1];
        self::assertTrue($end->moment->areBothClosed());
        self::assertStringContainsString('are both closed', $end->detail);

        $found = (new RelayCheck())->check($circuit);
        self::assertContains("interlock-missing@$contactor", self::keys($found->findings));
        foreach ((new CircuitRepairs($circuit))->for($found) as $repair) {
            if ($repair->key() === "interlock-missing@$contactor") {
                $repaired = (new RelayCheck())->check(self::read(CircuitWriter::write($repair->circuit)));
                self::assertNotContains("interlock-missing@$contactor", self::keys($repaired->findings));
                self::assertFalse($repaired->bothClosedReachable);
                self::assertSame([], (new CounterExample($repair->circuit))->steps());

                return;
            }
        }
        self::fail('No proposal for the missing interlock.');
    }

    /** @return iterable<string, array{RelayCircuit}> */
    public static function mistakes(): iterable
    {
        $text = (string) file_get_contents(__DIR__ . '/../data/panel.cases.json');
        $cases = json_decode($text, true, 512, JSON_THROW_ON_ERROR);
        self::assertIsArray($cases);
        $seen = [];
        foreach ($cases as $case) {
            self::assertIsArray($case);
            $expect = $case['expect'];
            $input = $case['input'];
            if ($case['calc'] !== 'relay_play' || ! is_array($expect) || isset($expect['error']) || ! is_array($input)) {
                continue;
            }
            if (! in_array($input['circuit'], $seen, true)) {
                $seen[] = $input['circuit'];
                yield (string) $case['name'] => [self::read($input['circuit'])];
            }
        }
    }

    #[Test]
    #[DataProvider('mistakes')]
    public function each_proposal_clears_what_it_was_made_for_and_lets_nothing_close_that_could_not(RelayCircuit $circuit): void
    {
        $found = (new RelayCheck())->check($circuit);
        $repairs = (new CircuitRepairs($circuit))->for($found);
        foreach ($repairs as $repair) {
            $changed = self::read(CircuitWriter::write($repair->circuit));
            self::assertEquals($changed, $repair->circuit, $repair->label);
            $after = (new RelayCheck())->check($changed);
            self::assertNotContains($repair->key(), self::keys($after->findings), $repair->label);
            self::assertFalse($after->bothClosedReachable && ! $found->bothClosedReachable, $repair->label);
        }
        self::assertLessThanOrEqual(count($found->findings), count($repairs));
    }

    #[Test]
    public function a_contact_goes_before_after_beside_and_around_another(): void
    {
        $circuit = self::read(StandardCircuits::all()['b']['circuit']);
        $lamp = static fn(string $device): Contact => new Contact('', 'no', $device);
        $draft = static fn(RelayCircuit $one): CircuitDraft => new CircuitDraft($one);
        $shape = static fn(RelayCircuit $one): mixed => self::when($one, 'r2');

        $before = $draft($circuit)->before('r2:0', $lamp('PFM'));
        self::assertSame(['all' => [['no' => 'PFM'], ['no' => 'T1'], ['nc' => 'K2', 'contact' => '21-22']]], $shape($before));

        $beside = $draft($circuit)->parallel('r2:0', 1, $lamp('PFM'));
        self::assertSame([
            'all' => [['any' => [['no' => 'T1'], ['no' => 'PFM']]], ['nc' => 'K2', 'contact' => '21-22']],
        ], $shape($beside));

        $across = $draft($before)->parallel('r2:0', 2, $lamp('PFG'));
        self::assertSame([
            'all' => [['any' => [['all' => [['no' => 'PFM'], ['no' => 'T1']]], ['no' => 'PFG']]], ['nc' => 'K2', 'contact' => '21-22']],
        ], $shape($across));

        $around = $draft($circuit)->parallel('r2:1', null, $lamp('PFG'));
        self::assertSame([
            'any' => [['all' => [['no' => 'T1'], ['nc' => 'K2', 'contact' => '21-22']]], ['no' => 'PFG']],
        ], $shape($around));

        self::assertSame($shape($circuit), $shape($draft($beside)->withoutContact('r2:1')));
        self::assertSame($shape($circuit), $shape($draft($before)->withoutContact('r2:0')));
        self::assertSame(['any' => []], self::when($draft($draft($circuit)->withoutContact('r2:0'))->withoutContact('r2:0'), 'r2'));
        self::assertSame(['no' => 'PFM'], self::when($draft($circuit)->replacing('START:0', $lamp('PFM')), 'START'));
    }

    #[Test]
    public function what_hangs_on_something_keeps_it_from_being_removed(): void
    {
        $draft = new CircuitDraft(self::read(StandardCircuits::all()['b']['circuit']));
        foreach ([
            static fn(): RelayCircuit => $draft->withoutDevice('K1'),
            static fn(): RelayCircuit => $draft->withoutSupply('gen'),
            static fn(): RelayCircuit => $draft->withRung('K1', 'mains'),
            static fn(): RelayCircuit => $draft->after('r9:0', new Contact('', 'no', 'K1')),
            static fn(): RelayCircuit => $draft->parallel('r2:1', 2, new Contact('', 'no', 'K1')),
        ] as $edit) {
            try {
                $edit();
                self::fail('The edit went through.');
            } catch (DraftFault $fault) {
                self::assertNotSame('', $fault->getMessage());
            }
        }
        self::assertNotContains('HM', array_column($draft->circuit->with(rungs: [])->rungs, 'id'));
    }

    #[Test]
    public function a_circuit_drawn_from_an_empty_ladder_is_proved_like_any_other(): void
    {
        $draft = static fn(RelayCircuit $one): CircuitDraft => new CircuitDraft($one);
        $circuit = CircuitDraft::blank('mains', 'gen', true);
        foreach ([['PFM', 'mains'], ['PFG', 'gen']] as [$relay, $supply]) {
            $circuit = $draft($circuit)->withDevice(new RelayDevice($relay, RelayType::PhaseRelay, $supply));
        }
        $circuit = $draft($circuit)->withDevice(new RelayDevice('START', RelayType::Start, 'gen'));
        $circuit = $draft($circuit)->atEnd('START', new Contact('', 'nc', 'PFM'));
        foreach ([['K1', 'mains', 'PFM', 'K2'], ['K2', 'gen', 'PFG', 'K1']] as [$coil, $supply, $relay, $other]) {
            $circuit = $draft($circuit)->withRung($coil, $supply);
            $rung = $circuit->rungOf[$coil]->id;
            $circuit = $draft($circuit)->atEnd($rung, new Contact('', 'no', $relay));
            $circuit = $draft($circuit)->after("$rung:0", new Contact('', 'nc', $other));
        }
        $result = (new RelayCheck())->check(self::read(CircuitWriter::write($circuit)));
        self::assertFalse($result->bothClosedReachable);
        self::assertNotContains('interlock-missing@K1', self::keys($result->findings));
        self::assertContains('race-on-power-up@', self::keys($result->findings));
    }

    /** @param array<mixed> $circuit */
    private static function read(mixed $circuit): RelayCircuit
    {
        return (new RelayCheckReader())->circuit(Node::fromJson(json_encode($circuit, JSON_THROW_ON_ERROR)));
    }

    private static function when(RelayCircuit $circuit, string $owner): mixed
    {
        $written = CircuitWriter::write($circuit);
        foreach ([...(array) $written['rungs'], ...(array) $written['devices']] as $one) {
            if (is_array($one) && $one['id'] === $owner) {
                return $one['when'] ?? null;
            }
        }

        return null;
    }

    private static function withoutInterlock(string $key, string $contactor): RelayCircuit
    {
        $circuit = self::read(StandardCircuits::all()[$key]['circuit']);
        $other = $contactor === 'K1' ? 'K2' : 'K1';
        $rung = $circuit->rungOf[$contactor];
        foreach ($rung->when->contacts() as $contact) {
            if ($contact->device === $other) {
                return (new CircuitDraft($circuit))->withoutContact($contact->id);
            }
        }

        return $circuit;
    }

    /**
     * @param list<Finding> $findings
     *
     * @return list<string>
     */
    private static function keys(array $findings): array
    {
        return array_map(static fn(Finding $one): string => $one->id . '@' . $one->at, $findings);
    }
}
