<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\CircuitFacts;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Circuit\KeepCircuit;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Draft\CircuitDraft;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Wire\RelayCheckReader;

/** Control circuits of made-up panels: one as it should be, and one whose generator contactor lacks its interlock. */
final readonly class DemoCircuits
{
    public function standard(TransferSwitch $switch, User $user, string $key): void
    {
        KeepCircuit::for($switch, $user, CircuitFacts::written($this->read($key)), $this->supplies($key));
    }

    /** The second contactor closes without asking whether the first is open, and nothing mechanical holds it back. */
    public function withoutInterlock(TransferSwitch $switch, User $user, string $key): void
    {
        KeepCircuit::for($switch, $user, CircuitFacts::written($this->wrong($key)), $this->supplies($key));
    }

    public function wrong(string $key): RelayCircuit
    {
        $circuit = $this->read($key)->with(hasMechanicalInterlock: false);
        foreach ($circuit->rungOf['K2']->when->contacts() as $contact) {
            if ($contact->device === 'K1') {
                $circuit = (new CircuitDraft($circuit))->withoutContact($contact->id);
            }
        }

        return $circuit;
    }

    public function read(string $key): RelayCircuit
    {
        $document = json_encode(StandardCircuits::all()[$key]['circuit'], JSON_THROW_ON_ERROR);

        return (new RelayCheckReader())->circuit(Node::fromJson($document));
    }

    private function supplies(string $key): string
    {
        return json_encode((object) StandardCircuits::all()[$key]['supplies'], JSON_THROW_ON_ERROR);
    }
}
