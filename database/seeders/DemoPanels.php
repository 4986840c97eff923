<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\CircuitFacts;
use App\Bridge\PanelFacts;
use App\Bridge\SwitchFacts;
use App\Jobs\ProveCircuit;
use App\Models\Circuit;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Settings\WriteSheet;
use Escapement\Core\RelayLogic\RelayType;

/** A made-up changeover panel whose circuit is proved, whose sheet says what the circuit does, and the times of its outage. */
final readonly class DemoPanels
{
    /** What a thumb adds to a relay. */
    private const THUMB_MS = 140;
    private const BAIT_HELD_MS = 4000;

    public function __construct(private DemoCircuits $circuits, private WriteSheet $sheets) {}

    /** @return list<array{string, int}> marks of a plain outage in which the panel did what its circuit gives */
    public function ready(TransferSwitch $switch, User $user, string $key): array
    {
        $this->circuits->standard($switch, $user, $key);
        $circuit = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        if ($circuit->isBeingProved()) {
            (new ProveCircuit($circuit->id, $circuit->stamp))->handle();
        }
        $relays = array_column(CircuitFacts::read($circuit->document)->ofType(RelayType::PhaseRelay), 'id');
        $circuit->update(['times' => json_encode(array_fill_keys($relays, ['unbalance_pct' => 5]), JSON_THROW_ON_ERROR)]);
        $switch = $switch->fresh(['site', 'loads', 'plan', 'sheet']) ?? $switch;
        $facts = new PanelFacts($switch);
        $begun = $switch->sheet ?? throw new \LogicException('a demo panel begins with a sheet');
        $settings = $facts->sheet((new SwitchFacts($switch))->settings($begun->settings))?->proposed()
            ?? throw new \LogicException('a demo panel can be played');
        $this->sheets->write(
            $switch,
            $settings->toWire(),
            $begun->habits,
            Standing::AsLeft,
            'Limits and times of the control circuit, as the dials were left.',
            $user,
            $begun->version,
        );
        $built = $facts->built()?->outage();
        $transferMs = (int) $built?->transferMs + self::THUMB_MS;
        $isBaited = (int) $built?->returnMs > 2 * self::BAIT_HELD_MS;
        $onMs = $transferMs + ($isBaited ? 60_000 : 20_000);
        $returnedMs = $onMs + (int) $built?->returnMs + self::THUMB_MS;
        $startMs = $built?->startSignalMs;
        $marks = [['utility_off', 0]];
        if ($startMs !== null) {
            array_push($marks, ['start_signal', $startMs + self::THUMB_MS], [
                'engine_running', $startMs + (int) $built?->engineRunningMs + self::THUMB_MS,
            ]);
        }
        $marks[] = ['transferred', $transferMs];
        if ($isBaited) {
            array_push($marks, ['bait_on', $transferMs + 20_000], ['bait_off', $transferMs + 20_000 + self::BAIT_HELD_MS]);
        }
        array_push($marks, ['utility_on', $onMs], ['retransferred', $returnedMs]);

        return $built?->engineStopMs === null ? $marks : [...$marks, ['engine_stopped', $returnedMs + $built->engineStopMs]];
    }
}
