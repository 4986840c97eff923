<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\CircuitFacts;
use App\Models\Distribution;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\Way;
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

    /** A board with its ways, two of which a technician would move, and one that does not trip on the generator. */
    public function board(TransferSwitch $switch, User $user): void
    {
        Distribution::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'v_ll_v' => 400, 'transformer_kva' => 400, 'z_pct' => 4, 'generator_kva' => 200, 'changeover_a' => 630,
            'utility_breaker_a' => 630, 'generator_breaker_a' => 320, 'withstand_ka' => 25, 'busbar_a' => 630, 'busbar_icw_ka' => 25,
            'neutral_rated_a' => 400, 'neutral_a' => 24, 'diversity' => 'board', 'poles' => 4, 'wording' => 'iec_tn_s',
            'first_earthed' => true, 'second_earthed' => true, 'panel_bond' => false,
        ]);
        $ways = [
            ['Pump 1', '3P', 84, 100, 36, 45], ['Pump 2', '3P', 84, 100, 36, 52, 'shed' => true], ['Screen rake', '3P', 12, 16, 25, 60],
            ['Controls', 'L1', 6, 10, 15, 12, 'locked' => true], ['Lights hall', 'L1', 9, 16, 15, 40],
            ['Lights yard', 'L1', 8, 16, 15, 180], ['Sockets', 'L2', 10, 16, 15, 30, 'final' => true, 'rcd_ma' => 30],
            ['Dewatering', 'L1', 13, 20, 15, 35],
        ];
        foreach ($ways as $place => $way) {
            [$name, $connects, $load, $breaker, $breaking, $length] = $way;
            Way::query()->create(array_filter($way, is_string(...), ARRAY_FILTER_USE_KEY) + [
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'place' => $place, 'name' => $name,
                'connects' => $connects, 'load_a' => $load, 'breaker_a' => $breaker, 'breaking_ka' => $breaking, 'length_m' => $length,
            ]);
        }
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
