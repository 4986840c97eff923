<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/** Why a device steps, in one sentence that names rung, contact, voltage or time. */
final readonly class PlayReasons
{
    /** What a phase relay lets go for. */
    private const SEEN = [
        'loss' => 'a phase is lost',
        'sequence' => 'the phases follow each other the other way round',
        'under' => 'a voltage is too low',
        'over' => 'a voltage is too high',
        'unbalance' => 'the voltages are too far apart',
    ];

    public function __construct(private PlayState $state) {}

    public function ofStep(RelayDevice $device, PendingMove $move): string
    {
        $ms = $move->dueMs() - $move->sinceMs;
        if ($device->type === RelayType::PhaseRelay) {
            $seen = self::SEEN[$this->state->watch($device->id)->reason()] ?? 'it sees none of its limits passed';

            return $move->to === PlayState::IN ? "Its voltages have been good for $ms ms." : "It lets go after $ms ms: $seen.";
        }
        if ($device->type === RelayType::MotorChangeover) {
            $command = $this->state->commands($device->id)[0] ?? '';

            return "Rung {$this->rungId("$device->id.$command")} commands $command; the motor took $ms ms for this step.";
        }
        $rung = $this->state->input->circuit->rungOf[$device->id] ?? null;

        return ($rung === null ? 'No rung drives its coil' : $this->ofCoil($rung)) . ($ms > 0 ? ", $ms ms before." : '.');
    }

    public function ofDevice(RelayDevice $device): string
    {
        $rung = $this->state->input->circuit->rungOf[$device->id] ?? null;

        return $rung === null ? 'No rung drives it.' : $this->ofCoil($rung) . '.';
    }

    public function ofStart(string $supply): string
    {
        foreach ($this->state->input->circuit->ofType(RelayType::Start) as $start) {
            if ($start->supply === $supply) {
                $words = $this->state->isStarted($start) ? 'closed' : 'open';

                return "The start contact $start->id is $words ({$this->contacts($start->when?->contacts() ?? [])}).";
            }
        }

        return 'No start contact calls it.';
    }

    /** A rung that carries current names its closed contacts, one that does not the open ones, or its voltage. */
    private function ofCoil(Rung $rung): string
    {
        $pct = round($this->state->ratio($rung));
        if ($this->state->hasPath($rung)) {
            return "Rung $rung->id is closed ({$this->contacts($rung->when->contacts())}) with $pct % of nominal on $rung->supply";
        }
        $open = array_values(array_filter(
            $rung->when->contacts(),
            fn(Contact $contact): bool => ! $this->state->isClosed($contact),
        ));

        return $open === [] ? "Rung $rung->id carries nothing: its fuse or its coil is open"
            : "Rung $rung->id is open at {$open[0]->words()}";
    }

    /** @param list<Contact> $contacts */
    private function contacts(array $contacts): string
    {
        return $contacts === [] ? 'no contact' : implode(', ', array_map(
            fn(Contact $contact): string => $contact->words() . ($this->state->isClosed($contact) ? '' : ' (open)'),
            $contacts,
        ));
    }

    private function rungId(string $coil): string
    {
        return $this->state->input->circuit->rungOf[$coil]->id ?? '';
    }
}
