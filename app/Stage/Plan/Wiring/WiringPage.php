<?php

declare(strict_types=1);

namespace App\Stage\Plan\Wiring;

use App\Bridge\EnclosureTable;
use App\Bridge\LandingWork;
use App\Bridge\PlanFacts;
use App\Bridge\WiringFacts;
use App\Drawing\Wiring\LugCloseUp;
use App\Drawing\Wiring\StripDrawing;
use App\Drawing\Wiring\WiringDrawing;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Topology\Element;
use Escapement\Core\WiringView\LandedConductor;
use Escapement\Core\WiringView\LandingStep;
use Escapement\Core\WiringView\ViewedTerminal;
use Escapement\Core\WiringView\WiringView;
use Escapement\Core\WiringView\WiringViewResult;

/** One enclosure, conductor by conductor: what lands where, in which order, and what is live there. */
final readonly class WiringPage
{
    public SiteStanding $standing;

    /** @var array<string, string> */
    public array $enclosures;

    public ?WiringViewResult $view;
    private WiringFacts $facts;
    private WiringWords $words;

    public function __construct(public TransferSwitch $switch, public WiringLook $look)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $plan = new PlanFacts($switch, $switch->plan);
        $this->words = new WiringWords($plan->plan->names(), $this->acts()->sides());
        $this->facts = new WiringFacts(new LandingWork($switch, $plan));
        $this->enclosures = $this->facts->enclosures();
        $this->view = $this->enclosures === [] ? null : (new WiringView())->of($this->facts->input($this->enclosure()));
    }

    public function acts(): SelfActing
    {
        return new SelfActing($this->switch->site->installation);
    }

    /** The one that is looked at: the transfer switch where nobody chose. */
    public function enclosure(): string
    {
        if (isset($this->enclosures[$this->look->enclosure])) {
            return $this->look->enclosure;
        }
        $switches = array_intersect_key($this->enclosures, array_column($this->facts->drawing->switches, 'id', 'id'));

        return (string) (array_key_first($switches) ?? array_key_first($this->enclosures));
    }

    public function title(): string
    {
        return $this->enclosures[$this->enclosure()] ?? '';
    }

    /** @return array<string, string> devices whose opening can be looked at, by reference */
    public function devices(): array
    {
        $devices = [];
        foreach ($this->view->liveOpen ?? [] as $one) {
            $devices[$one->open] = $this->words->name($one->open);
        }

        return $devices;
    }

    /** @return array<string, string> positions of the switches that can be looked at */
    public function positions(): array
    {
        [$normal, $other] = array_map(ucfirst(...), $this->acts()->sides());

        return $this->facts->drawing->switches === [] ? [] : ['normal' => $normal, 'emergency' => $other];
    }

    public function step(): ?LandingStep
    {
        return $this->view->steps[max(0, $this->look->step - 1)] ?? null;
    }

    /** Where a step is shown, the drawing as it is looked at now. */
    public function turn(int $step): string
    {
        return route('wiring', ['switch' => $this->switch] + $this->look->step($step)) . '#landing-step';
    }

    public function conductor(): ?LandedConductor
    {
        foreach ($this->view->conductors ?? [] as $one) {
            if ($one->id === $this->step()?->id) {
                return $one;
            }
        }

        return null;
    }

    /** @return array{value: string, source: string} torque of the conductor whose turn it is */
    public function torque(): array
    {
        return $this->table()->target((int) substr($this->step()->id ?? 'c0', 1));
    }

    /** @return array<string, string> what is to be known of the step, by label */
    public function facts(): array
    {
        $one = $this->conductor();
        if ($one === null) {
            return $this->controlFacts();
        }
        $what = explode("\n", $this->labels()[$one->id])[0];
        $beside = array_values(array_filter($this->terminal($one)->conductors, static fn(string $id): bool => $id !== $one->id));

        return [
            'Terminal' => $this->words->terminal($one->terminal) . ", place $one->slot",
            'Conductor' => $what . ($one->colour === null ? '' : ', ' . WiringWords::colour($one->colour)),
            'Other end' => $this->words->farEnd($one, $this->enclosure()),
            'Beside it' => $beside === [] ? 'nothing' : implode(
                '; ',
                array_map(fn(string $id): string => str_replace("\n", ', ', $this->labels()[$id]), $beside),
            ),
            'Torque' => $this->torque()['value'] . ', ' . $this->torque()['source'],
        ];
    }

    /** @return array<string, string> of a control conductor */
    private function controlFacts(): array
    {
        $step = $this->step();
        $control = $step === null ? null : $this->facts->strip->controls[$step->terminal] ?? null;

        return $step === null || $control === null ? [] : [
            'Terminal' => $control->id,
            'Control conductor' => $this->facts->strip->functions[$step->id] ?? '',
            'Stays live' => match ($control->fedBy) {
                null => 'no voltage of its own is known',
                'other' => 'from the start battery, with the lugs dead',
                default => 'from ' . lcfirst($this->words->name($control->fedBy)) . ', with the lugs dead',
            },
            'End' => 'Ferrule or fork; its other end by the maker\'s diagram, proved by test.',
        ];
    }

    /** The control strip of the enclosure; null where none is kept here. */
    public function strip(bool $isPrint = false): ?StripDrawing
    {
        if (! $this->facts->hasStrip($this->enclosure())) {
            return null;
        }
        $wires = [];
        foreach ($this->facts->strip->wires as $wire) {
            $wires[$wire->terminal][] = $this->facts->strip->functions[$wire->id];
        }

        return new StripDrawing(array_values($this->facts->strip->controls), $wires, $this->facts->strip->options, $isPrint);
    }

    /** @return list<string> option jumpers of which is not known whether they are fitted, wanted, or where */
    public function unknownJumpers(): array
    {
        return $this->strip() === null ? [] : array_column(array_filter(
            $this->facts->strip->options,
            static fn(array $one): bool => $one['a'] === '' || $one['fitted'] === null || $one['wanted'] === null,
        ), 'function');
    }

    /** The rule of two panels: what shares a lug has one leg, proved by test before it is tightened. */
    public function sharedWords(): ?string
    {
        $one = $this->conductor();
        if ($one === null) {
            return null;
        }
        foreach ($this->view->shared ?? [] as $lug) {
            if ($lug->terminal === $one->terminal) {
                return $lug->sameLeg
                    ? "Both are $one->leg, proved by test before either is tightened: two legs on one lug are a dead short."
                    : 'Two legs share this lug: a dead short. Do not land it.';
            }
        }

        return null;
    }

    public function drawing(bool $isPrint = false): WiringDrawing
    {
        $view = $this->view ?? throw new \LogicException('Nothing is planned to land anywhere.');

        return new WiringDrawing(
            $view,
            $this->live(),
            $this->labels(),
            $this->words->ports(),
            $isPrint ? null : $this->step()?->id,
            $this->lineSide(),
            $this->title(),
            (new WiringPoles($this->acts()->sides()))->of($this->facts->drawing->byId[$this->enclosure()], $this->look),
            $isPrint ? [] : array_column(array_map(
                fn(LandingStep $step): array => ['id' => $step->id, 'to' => $this->turn($step->n)],
                $view->steps,
            ), 'to', 'id'),
            $isPrint,
        );
    }

    public function closeUp(): ?LugCloseUp
    {
        $one = $this->conductor();
        if ($one === null) {
            return null;
        }
        $on = array_values(array_filter(
            $this->view->conductors ?? [],
            static fn(LandedConductor $other): bool => $other->terminal === $one->terminal,
        ));
        usort($on, static fn(LandedConductor $a, LandedConductor $b): int => $a->slot <=> $b->slot);

        return new LugCloseUp($this->terminal($one), $on, $this->labels(), $one->id);
    }

    /** @return list<Finding> in the names of the site */
    public function findings(): array
    {
        return $this->words->findings($this->view->findings ?? []);
    }

    /** What stays energized in here whatever is opened in here; null where nothing does. */
    public function hazard(): ?string
    {
        $ports = $this->lineSide();

        return $ports === [] ? null : 'The ' . implode(
            ' and ',
            array_map(fn(string $port): string => $this->words->port($port), $ports),
        )
            . ' lugs stay energized with every device in here open, ' . $this->acts()->openedUpstream();
    }

    /** @return list<string> ports that a standing supply reaches with every device of the enclosure open */
    private function lineSide(): array
    {
        $ports = [];
        foreach ((array) ($this->view->staysLive ?? []) as $port => $sources) {
            if (is_array($sources) && array_filter(
                $sources,
                fn(mixed $source): bool => is_string($source) && $this->staysThere($this->facts->drawing->byId[$source]),
            ) !== []) {
                $ports[] = (string) $port;
            }
        }

        return $ports;
    }

    /** A vehicle's shore is as live as a utility until the cord is out. */
    private function staysThere(Element $source): bool
    {
        return $source->isGrid() || $source->kind === 'shore';
    }

    /** @return array<string, 'gen'|'util'> what feeds the live ports as they are looked at */
    private function live(): array
    {
        $live = [];
        foreach ($this->view->liveOpen ?? [] as $one) {
            $live = $one->open === $this->look->open ? (array) $one->live : $live;
        }
        if ($live === [] && ! isset($this->devices()[$this->look->open])) {
            foreach ($this->view->live ?? [] as $one) {
                $live = in_array($this->look->on, (array) $one->positions, true) ? (array) $one->live : $live;
            }
        }
        $kinds = [];
        foreach ($live as $port => $sources) {
            $isGrid = array_filter(
                (array) $sources,
                fn(mixed $source): bool => is_string($source) && $this->facts->drawing->byId[$source]->isUtilityLike(),
            ) !== [];
            $kinds[(string) $port] = $isGrid ? 'util' : 'gen';
        }

        return $kinds;
    }

    /** @return array<string, string> by conductor: what it is, and where its other end is */
    private function labels(): array
    {
        $conductors = array_column($this->view->conductors ?? [], null, 'id');

        return array_map(fn(LandedConductor $one): string => $this->words->label($one, $this->enclosure()), $conductors);
    }

    private function terminal(LandedConductor $one): ViewedTerminal
    {
        return array_column($this->view->terminals ?? [], null, 'id')[$one->terminal];
    }

    private function table(): EnclosureTable
    {
        return $this->facts->work->enclosures[$this->enclosure()];
    }
}
