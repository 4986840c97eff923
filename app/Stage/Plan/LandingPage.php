<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\LandingFacts;
use App\Bridge\PlanFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Calc\Answer;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Landing\ControlWire;
use Escapement\Core\Landing\Entry;
use Escapement\Core\Landing\Feeder;
use Escapement\Core\Landing\Landing;
use Escapement\Core\Landing\LandingPlan;
use Escapement\Core\Wire\BadInput;
use Illuminate\Support\Carbon;

/** What lands where, how tight, through which hole, and in which box it meets. */
final readonly class LandingPage
{
    public const SCREWS = ['slotted_small' => 'slotted, small', 'slotted_large' => 'slotted, large', 'split_bolt' => 'split bolt', 'hex_external' => 'hexagon head', 'hex_socket' => 'hexagon socket'];
    public const UNITS = ['in_lb' => 'in-lb', 'ft_lb' => 'ft-lb', 'nm' => 'N·m'];
    public const WALLS = ['left', 'right', 'top', 'bottom', 'back'];

    public SiteStanding $standing;
    public WiresPage $wires;
    public LandingFacts $facts;
    /** @var array<string, string> */
    public array $names;
    /** @var array<string, EnclosureTable> by element */
    public array $enclosures;
    /** @var list<Entry> */
    public array $entries;
    /** @var list<array{box: array<string, mixed>, answer: ?Answer, fault: ?string}> */
    public array $boxes;
    /** @var list<array{function: string, why: string, terminals: string, note: string}> */
    public array $controls;
    /** @var list<array{function: string, why: string, terminals: string, note: string}> */
    public array $jumpers;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->wires = new WiresPage($switch, $switch->plan);
        $planFacts = new PlanFacts($switch, $switch->plan);
        $this->facts = new LandingFacts($switch, $planFacts->system);
        $this->names = $planFacts->plan->names();
        $kept = $switch->plan->landing ?? [];
        $feeders = $this->wires->feeders();
        $this->entries = Entry::of($feeders);
        $bonded = $this->bondedAfter();
        $today = Carbon::now($switch->site->timezone)->format('Y-m-d');
        $tables = [];
        foreach ($this->merged($kept['enclosures'] ?? [], (new LandingPlan($this->facts->colours, $feeders))->enclosures()) as $id => $lines) {
            $tables[$id] = new EnclosureTable($id, $this->names[$id] ?? $id, $lines, $this->facts, in_array($id, $bonded, true), $today);
        }
        $this->enclosures = $tables;
        $this->boxes = array_map(fn(array $box): array => $this->judged($box, $feeders), array_values($kept['boxes'] ?? []));
        $kind = $switch->site->installation;
        $this->controls = self::wires(ControlWire::usual($kind), $kept['controls'] ?? []);
        $this->jumpers = self::wires(ControlWire::jumpers($kind), $kept['jumpers'] ?? []);
    }

    /** @return list<Finding> each once */
    public function findings(): array
    {
        $told = [];
        foreach ($this->enclosures as $table) {
            foreach ($table->findings as $finding) {
                $told[$finding->id] ??= ['finding' => $finding, 'at' => []];
                $told[$finding->id]['at'][] = $table->name;
            }
        }

        return Finding::worstFirst(array_values(array_map(static fn(array $one): Finding => new Finding($one['finding']->id, $one['finding']->severity, implode(', ', $one['at']) . ': ' . lcfirst((string) preg_replace('/ \(\d+(, \d+)*\)/', '', $one['finding']->message)), $one['finding']->because), $told)));
    }

    /**
     * What was put right by hand stays; what the runs add or take away comes and goes with them.
     *
     * @param array<string, list<array<string, mixed>>> $kept
     * @param array<string, list<Landing>>              $usual
     *
     * @return array<string, list<array<string, mixed>>>
     */
    private function merged(array $kept, array $usual): array
    {
        $tables = [];
        foreach ($usual as $id => $landings) {
            $before = [];
            foreach ($kept[$id] ?? [] as $place => $line) {
                $before[$line['conductor'] . '|' . $line['feeder']] = $line + ['place' => $place];
            }
            $lines = array_map(static function (Landing $landing, int $place) use ($before): array {
                $line = $before["$landing->conductor|$landing->feeder"] ?? [];

                // The size is the run's, whatever was typed when it was another.
                return ['size' => $landing->size] + array_filter($line, static fn(mixed $value): bool => $value !== null) + $landing->toArray() + ['place' => $line === [] ? $place + 1000 : $place];
            }, $landings, array_keys($landings));
            usort($lines, static fn(array $a, array $b): int => $a['place'] <=> $b['place']);
            $tables[$id] = $lines;
        }

        return $tables;
    }

    /** @return list<string> elements in which neutral and ground are joined once the work is done */
    private function bondedAfter(): array
    {
        $page = PlanPage::of($this->switch, $this->switch->plan, new PlanLook());
        $after = [];
        foreach ($page?->bonds() ?? [] as $ref => $kind) {
            if ($kind !== 'goes') {
                $after[] = $ref;
            }
        }

        return $after;
    }

    /**
     * @param array<string, mixed> $box
     * @param list<Feeder>         $feeders
     *
     * @return array{box: array<string, mixed>, answer: ?Answer, fault: ?string}
     */
    private function judged(array $box, array $feeders): array
    {
        $byName = array_column(array_map(static fn(Feeder $feeder): array => ['name' => $feeder->name, 'feeder' => $feeder], $feeders), 'feeder', 'name');
        $first = $byName[$box['from']] ?? null;
        $second = $byName[$box['to']] ?? null;
        if ($first === null || $second === null) {
            return ['box' => $box, 'answer' => null, 'fault' => 'One of its runs is no longer in the schedule.'];
        }
        try {
            return ['box' => $box, 'answer' => LandingFacts::box($box, $first, $second), 'fault' => null];
        } catch (BadInput $e) {
            return ['box' => $box, 'answer' => null, 'fault' => $e->getMessage()];
        }
    }

    /**
     * @param list<ControlWire>          $usual
     * @param list<array<string, mixed>> $kept
     *
     * @return list<array{function: string, why: string, terminals: string, note: string}>
     */
    private static function wires(array $usual, array $kept): array
    {
        $why = array_column(array_map(static fn(ControlWire $wire): array => ['function' => $wire->function, 'why' => $wire->why], $usual), 'why', 'function');
        $lines = $kept === [] ? array_map(static fn(ControlWire $wire): array => ['function' => $wire->function], $usual) : $kept;

        return array_map(static fn(array $line): array => [
            'function' => (string) $line['function'], 'why' => $why[$line['function']] ?? '', 'terminals' => (string) ($line['terminals'] ?? ''), 'note' => (string) ($line['note'] ?? ''),
        ], $lines);
    }
}
