<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Drawing\Ink;
use App\Drawing\Ladder\LadderDrawing;
use App\Drawing\Ladder\LadderLook;
use App\Models\Circuit;
use App\Models\CircuitDraft;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Draft\CircuitDraft as Drawn;
use Escapement\Core\RelayLogic\Draft\ContactPlace;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/** The circuit while it is drawn: the ladder, and what can be done at the place that is pointed at. */
final readonly class DrawPage
{
    public SiteStanding $standing;
    public RelayCircuit $circuit;
    public ?Contact $contact;
    public ?ContactPlace $place;
    private CircuitWords $words;

    /**
     * @param string $at  the contact, rung or start that is pointed at
     * @param string $new the type of device that is about to be added
     */
    public function __construct(
        public TransferSwitch $switch,
        public Circuit $stored,
        public ?CircuitDraft $draft,
        public string $at,
        public string $new,
    ) {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->circuit = CircuitFacts::read($draft === null ? $stored->document : $draft->document());
        $this->words = new CircuitWords($this->circuit);
        $this->contact = $this->words->contactOf($at);
        $this->place = $this->contact === null ? null : (new Drawn($this->circuit))->place($at);
    }

    public function ladder(): LadderDrawing
    {
        return new LadderDrawing($this->circuit, new LadderLook(
            new Ink(false),
            $this->switch->site->units === 'metric',
            selected: $this->at,
            url: fn(string $id): string => route('circuit.edit', ['switch' => $this->switch, 'at' => $id]) . '#tools',
        ));
    }

    public function isChanged(): bool
    {
        return $this->draft !== null && $this->draft->document() !== $this->stored->document;
    }

    /** Somebody saved another circuit since this draft was begun. */
    public function isOvertaken(): bool
    {
        return $this->draft !== null && $this->draft->begun_from !== $this->stored->stamp;
    }

    public function owner(): Rung|RelayDevice|null
    {
        $id = explode(':', $this->at)[0];
        foreach ([...$this->circuit->rungs, ...$this->circuit->ofType(RelayType::Start)] as $one) {
            if ($one->id === $id) {
                return $one;
            }
        }

        return null;
    }

    public function contactWords(): string
    {
        return $this->contact === null ? '' : $this->contact->words();
    }

    /** @return array<string, string> what a contact can be of: device and kind, as the field sends it */
    public function contacts(): array
    {
        $choices = [];
        foreach ($this->circuit->devices as $device) {
            if ($device->type->hasContacts()) {
                $choices["no $device->id"] = "$device->id, normally open";
                $choices["nc $device->id"] = "$device->id, normally closed";
            }
            $positions = $device->type === RelayType::MotorChangeover ? ['I', '0', 'II'] : $device->positions;
            foreach ($positions as $position) {
                $choices["of $device->id $position"] = "$device->id, closed at $position";
            }
            if ($device->type === RelayType::MotorChangeover) {
                $choices["of $device->id 0,II"] = "$device->id, closed at 0 and II";
                $choices["of $device->id I,0"] = "$device->id, closed at I and 0";
            }
        }

        return $choices;
    }

    public function contactChoice(): string
    {
        $contact = $this->contact;

        return $contact === null ? '' : trim("$contact->kind $contact->device " . implode(',', $contact->positions));
    }

    /** @return array<string, string> where the new contact goes */
    public function places(): array
    {
        $places = ['after' => 'in series, after it', 'before' => 'in series, before it', 'parallel-1' => 'in parallel with it'];
        for ($span = 2; $span <= ($this->place?->seriesFrom() ?? 1); $span++) {
            $places["parallel-$span"] = 'in parallel with it and the next ' . ($span === 2 ? 'one' : $span - 1);
        }

        return $places + ['parallel-all' => 'in parallel with the whole rung'];
    }

    /** @return list<string> coils that have no rung yet */
    public function coils(): array
    {
        $coils = [];
        foreach ($this->circuit->devices as $device) {
            $names = match (true) {
                $device->type->hasCoil() => [$device->id],
                $device->type === RelayType::MotorChangeover => ["$device->id.I", "$device->id.0", "$device->id.II"],
                default => [],
            };
            array_push($coils, ...array_filter($names, fn(string $name): bool => ! isset($this->circuit->rungOf[$name])));
        }

        return $coils;
    }

    /** @return array<string, string> by type */
    public function types(): array
    {
        $types = [];
        foreach (RelayType::cases() as $type) {
            $types[$type->value] = CircuitWords::type($type);
        }

        return $types;
    }

    /** The device that is changed, where one is; else a new one of this type. */
    public function edited(): ?RelayDevice
    {
        return $this->circuit->deviceById[$this->new] ?? null;
    }

    public function newType(): ?RelayType
    {
        return $this->edited()->type ?? RelayType::tryFrom($this->new);
    }

    /** A name that is free, of the letters of its type. */
    public function freeName(RelayType $type): string
    {
        $letters = match ($type) {
            RelayType::Contactor => 'K',
            RelayType::Relay => 'KA',
            RelayType::Lamp => 'H',
            RelayType::PushButton => 'S',
            RelayType::Handle => 'HND',
            RelayType::Timer => 'T',
            RelayType::PhaseRelay => 'PF',
            RelayType::Selector => 'S',
            RelayType::MotorChangeover => 'Q',
            RelayType::Start => 'START',
        };
        $n = 1;
        while (isset($this->circuit->deviceById["$letters$n"])) {
            $n++;
        }

        return in_array($type, [RelayType::Start, RelayType::Handle], true) && ! isset($this->circuit->deviceById[$letters])
            ? $letters
            : "$letters$n";
    }
}
