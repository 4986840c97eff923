<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Http\Typed;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Draft\CircuitDraft;
use Escapement\Core\RelayLogic\Draft\DraftFault;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelaySupply;
use Escapement\Core\RelayLogic\RelayType;
use Illuminate\Http\Request;

/** One edit of a ladder as the form sends it. */
final readonly class DraftEdit
{
    public function __construct(private Request $request, private RelayCircuit $circuit) {}

    /** @throws DraftFault */
    public function made(): RelayCircuit
    {
        $draft = new CircuitDraft($this->circuit);
        $at = $this->text('at');

        return match ($this->text('verb')) {
            'add-contact' => $this->added($draft, $at),
            'change-contact' => $draft->replacing($at, $this->contact()),
            'remove-contact' => $draft->withoutContact($at),
            'add-rung' => $draft->withRung($this->text('coil'), $this->text('supply')),
            'remove-rung' => $draft->withoutRung($at),
            'put-device' => $draft->withDevice($this->device()),
            'remove-device' => $draft->withoutDevice($this->text('id')),
            'put-supply' => $draft->withSupply(new RelaySupply(
                $this->text('id'),
                in_array($this->text('rotation'), ['abc', 'acb'], true) ? $this->text('rotation') : null,
                $this->request->boolean('always'),
            )),
            'remove-supply' => $draft->withoutSupply($this->text('id')),
            'facts' => $draft->withFacts($this->text('preferred'), $this->request->boolean('interlock'), $this->text('system_class')),
            default => throw new DraftFault('verb', 'This edit is not known.'),
        };
    }

    /** Where the page looks afterwards: what was edited, while it is still there. */
    public function next(RelayCircuit $after): string
    {
        $at = $this->text('at');
        $known = array_column([...$after->contacts(), ...$after->rungs, ...$after->ofType(RelayType::Start)], 'id');

        return match (true) {
            $this->text('verb') === 'add-rung' => $after->rungOf[$this->text('coil')]->id ?? '',
            in_array($at, $known, true) => $at,
            in_array(explode(':', $at)[0], $known, true) => explode(':', $at)[0],
            default => '',
        };
    }

    private function added(CircuitDraft $draft, string $at): RelayCircuit
    {
        $contact = $this->contact();
        $place = $this->text('place');

        return match (true) {
            ! str_contains($at, ':') => $draft->atEnd($at, $contact),
            $place === 'before' => $draft->before($at, $contact),
            $place === 'parallel-all' => $draft->parallel($at, null, $contact),
            str_starts_with($place, 'parallel-') => $draft->parallel($at, (int) substr($place, 9), $contact),
            default => $draft->after($at, $contact),
        };
    }

    private function contact(): Contact
    {
        [$kind, $device, $positions] = explode(' ', $this->text('of')) + ['', '', ''];
        if (! in_array($kind, ['no', 'nc', 'of'], true) || ! isset($this->circuit->deviceById[$device])) {
            throw new DraftFault('of', 'Choose the device whose contact it is.');
        }
        $label = $this->text('label');
        if ($label !== '' && preg_match('/^\d{1,3}-\d{1,3}$/D', $label) !== 1) {
            throw new DraftFault('label', 'Both terminal numbers as on the device, such as 21-22.');
        }

        return new Contact('', $kind, $device, $kind === 'of' ? explode(',', $positions) : [], $label === '' ? null : $label);
    }

    private function device(): RelayDevice
    {
        $id = $this->text('id');
        $type = RelayType::tryFrom($this->text('type')) ?? throw new DraftFault('type', 'Choose what it is.');
        if (preg_match('/^[A-Za-z][A-Za-z0-9_-]{0,19}$/D', $id) !== 1) {
            throw new DraftFault('id', 'A letter first, then letters and digits, 20 at most.');
        }
        $was = $this->circuit->deviceById[$id] ?? null;
        if ($was !== null && $was->type !== $type) {
            throw new DraftFault('id', "$id is another device already.");
        }
        $seconds = str_replace(',', '.', $this->text('seconds'));
        if ($type === RelayType::Timer && (! is_numeric($seconds) || (float) $seconds <= 0)) {
            throw new DraftFault('seconds', 'Seconds on the dial, over 0.');
        }
        $supply = $this->text('supply');

        return new RelayDevice(
            $id,
            $type,
            in_array($type, [RelayType::Contactor, RelayType::PhaseRelay, RelayType::Start], true) && $supply !== '' ? $supply : null,
            $type === RelayType::Contactor && $this->request->boolean('mirror'),
            $this->text('mode') !== 'off_delay',
            $type === RelayType::Selector ? $this->positions() : [],
            $type === RelayType::MotorChangeover ? $this->text('power_i') : null,
            $type === RelayType::MotorChangeover ? $this->text('power_ii') : null,
            null,
            $type === RelayType::Timer ? (float) $seconds : 0.0,
        );
    }

    /** @return list<string> */
    private function positions(): array
    {
        $typed = $this->request->input('positions');

        return array_values(array_intersect(['auto', '0', 'I', 'II'], is_array($typed) ? $typed : []));
    }

    private function text(string $key): string
    {
        return Typed::text($this->request, $key, 60);
    }
}
