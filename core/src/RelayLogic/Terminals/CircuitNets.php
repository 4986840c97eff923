<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;

/** The nets of a control circuit, from fuse to return. Rule: docs/rules.md#terminal-list. */
final class CircuitNets
{
    public readonly NetList $nets;

    /** @var array<string, int> place of each supply that a rung uses, from 1 */
    public readonly array $used;

    /** @var array<string, array{int, int}> the two ends of each rung and start */
    public array $ends = [];

    /** @var array<string, array{int, int}> the two nets of each contact */
    public array $contactEnds = [];

    /** @var list<int> in the order that wires are listed in */
    private array $order = [];

    /** @var list<int> made for the rung or start at hand */
    private array $made = [];

    /** @var array<int, ?string> supply of each net as it was made; null: a start, with a voltage from elsewhere */
    private array $fedBy = [];

    private ?string $supply = null;

    private int $number = 0;

    public function __construct(private readonly TerminalInput $input, private readonly ContactTerminals $terminals)
    {
        $this->nets = new NetList();
        $circuit = $input->circuit;
        $wanted = array_column($circuit->rungs, 'supply');
        $used = $feeds = $returns = [];
        foreach ($circuit->supplies as $i => $supply) {
            if (in_array($supply->id, $wanted, true)) {
                $place = $used[$supply->id] = $i + 1;
                $feeds[$supply->id] = $this->nets->make("C$place");
                $returns[$supply->id] = $this->nets->make("M$place");
                $this->fedBy[$feeds[$supply->id]] = $this->fedBy[$returns[$supply->id]] = $supply->id;
                $this->nets->add($feeds[$supply->id], "F$place:2");
                $this->nets->add($returns[$supply->id], "NB$place:1");
                array_push($this->order, $feeds[$supply->id], $returns[$supply->id]);
            }
        }
        $this->used = $used;
        $this->rungs($circuit, $feeds, $returns);
        $this->starts($circuit);
    }

    /** @return list<int> each once, in the order that wires are listed in */
    public function inOrder(): array
    {
        return array_values(array_unique(array_map($this->nets->root(...), $this->order)));
    }

    /** Null: it belongs to a start, and its voltage comes from elsewhere. */
    public function supplyOf(int $net): ?string
    {
        return $this->fedBy[$this->nets->root($net)] ?? null;
    }

    /**
     * @param array<string, int> $feeds
     * @param array<string, int> $returns
     */
    private function rungs(RelayCircuit $circuit, array $feeds, array $returns): void
    {
        $hasMotorReturn = false;
        foreach ($circuit->rungs as $i => $rung) {
            $this->made = [];
            // The coil net is made at the end: a net in between that it is joined with keeps its own number.
            $this->supply = $rung->supply;
            $coil = $this->nets->make();
            $this->fedBy[$coil] = $this->supply;
            $this->build($rung->when, $feeds[$rung->supply], $coil);
            [$device, $command] = explode('.', $rung->coil) + [1 => null];
            $isLamp = $circuit->deviceById[$device]->type === RelayType::Lamp;
            $this->nets->add($coil, "$device:" . ($command ?? ($isLamp ? '1' : 'A1')));
            if ($command === null) {
                $this->nets->add($returns[$rung->supply], "$device:" . ($isLamp ? '2' : 'A2'));
            } elseif (! $hasMotorReturn) {
                $this->nets->add($returns[$rung->supply], "$device:N");
                $hasMotorReturn = true;
            }
            $this->ends[$rung->id] = [$feeds[$rung->supply], $coil];
            $this->made[] = $coil;
            $this->name($i + 1);
        }
    }

    private function starts(RelayCircuit $circuit): void
    {
        foreach ($circuit->ofType(RelayType::Start) as $i => $start) {
            $this->made = [];
            $j = $i + 1;
            $a = $this->nets->make("S{$j}a");
            $b = $this->nets->make("S{$j}b");
            $this->supply = $this->fedBy[$a] = $this->fedBy[$b] = null;
            array_push($this->order, $a, $b);
            $this->nets->add($a, "$start->id:1");
            $this->build($start->when ?? Expression::series([]), $a, $b);
            $this->nets->add($b, "$start->id:2");
            $this->ends[$start->id] = [$a, $b];
            $this->name(count($circuit->rungs) + $j);
        }
    }

    /** Numbers what was made for this rung, unless it was joined with a net that has a name. */
    private function name(int $rung): void
    {
        if ($this->input->numbersByRung) {
            $this->number = 100 * $rung;
        }
        foreach ($this->made as $net) {
            if ($this->nets->name($net) === null) {
                $this->nets->call($net, (string) ++$this->number);
            }
            $this->order[] = $net;
        }
    }

    private function build(Expression $expression, int $from, int $to): void
    {
        if ($expression->contact !== null) {
            $this->contact($expression->contact, $from, $to);

            return;
        }
        if ($expression->kind === 'any') {
            foreach ($expression->parts as $part) {
                $this->build($part, $from, $to);
            }

            return;
        }
        if ($expression->parts === []) {
            $this->nets->join($from, $to);
        }
        $at = $from;
        foreach ($expression->parts as $i => $part) {
            $next = $to;
            if ($i < count($expression->parts) - 1) {
                $this->made[] = $next = $this->nets->make();
                $this->fedBy[$next] = $this->supply;
            }
            $this->build($part, $at, $next);
            $at = $next;
        }
    }

    private function contact(Contact $contact, int $from, int $to): void
    {
        [$first, $second] = $this->terminals->of($contact);
        $this->nets->add($from, "$contact->device:$first");
        $this->nets->add($to, "$contact->device:$second");
        $this->contactEnds[$contact->id] = [$from, $to];
    }
}
