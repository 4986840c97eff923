<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Play\Across;
use Escapement\Core\RelayLogic\Play\DeviceTimes;
use Escapement\Core\RelayLogic\Play\EngineTimes;
use Escapement\Core\RelayLogic\Play\PhaseRelayDial;
use Escapement\Core\RelayLogic\Play\PlayInput;
use Escapement\Core\RelayLogic\Play\PlaySupply;
use Escapement\Core\RelayLogic\Play\RelayPlay;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\RelayCheckReader;
use Escapement\Core\Wire\ResultWriter;

/** `relay_play` on the wire. Rule: docs/rules.md#relay-play. */
final readonly class RelayPlayReader implements InputReader
{
    private const KEYS = ['circuit', 'supplies', 'times', 'initial', 'script', 'until_ms', 'hunting_limit'];
    private const ENGINE = [
        'start_delay_ms', 'crank_ms', 'crank_limit_ms', 'crank_rest_ms', 'crank_attempts', 'run_up_ms', 'cooldown_ms', 'stop_ms',
    ];
    private const COIL = ['across', 'pick_pct', 'hold_pct'];
    private const DIAL = [
        'senses', 'measure', 'under_pct', 'over_pct', 'hysteresis_pct', 'unbalance_pct', 'unbalance_hysteresis_pct', 'loss_pct', 'sequence',
        'trip_ms', 'loss_trip_ms', 'reset_ms',
    ];
    private const POSITIONS = ['I', '0', 'II'];
    private const DAY_MS = 86_400_000;
    private const MOST_MS = 3_600_000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write(RelayPlay::of($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): PlayInput
    {
        $in = new Fields($node);
        if (! $in->has('circuit')) {
            throw BadInput::missing($node->at('circuit', null)->path);
        }
        $circuit = (new RelayCheckReader())->circuit($in->at('circuit'));
        $in->only(self::KEYS);
        $supplies = $this->supplies($in, $circuit);
        $times = $this->times($in, $circuit);
        $initial = $in->maybeObject('initial')?->only(['settled', 'selector', 'motor', 'handle_in']);
        $script = (new PlayScriptReader($circuit, $supplies))->read($in);

        return new PlayInput(
            $circuit,
            $supplies,
            $times,
            $initial?->bool('settled', true) ?? true,
            $this->selector($initial, $circuit),
            $this->motor($initial, $circuit),
            $this->isHandleIn($initial, $circuit),
            $script,
            $in->int('until_ms', 1, self::DAY_MS),
            $in->int('hunting_limit', 10, 1000, 40),
        );
    }

    /** @return non-empty-list<float> line to neutral, per phase */
    public static function volts(Node $node, bool $isThreePhase): array
    {
        $count = $isThreePhase ? 3 : 1;
        if (is_array($node->value)) {
            $volts = array_map(static fn(Node $one): float => (float) $one->number(0, 2000), $node->list($count, $count));

            return $volts === [] ? throw new \LogicException('A list of one or three is not empty.') : $volts;
        }

        return array_fill(0, $count, (float) $node->number(0, 2000));
    }

    /** @return array<string, PlaySupply> in the order of the circuit */
    private function supplies(Fields $in, RelayCircuit $circuit): array
    {
        $typed = $in->maybeObject('supplies');
        $names = [];
        foreach ($circuit->supplies as $supply) {
            if (! $supply->isAlways) {
                $names[] = $supply->id;
            }
        }
        $typed?->only($names);
        $supplies = [];
        foreach ($names as $id) {
            $one = $typed?->maybeObject($id) ?? new Fields(new Node(new \stdClass(), $in->node->path . "/supplies/$id"));
            $supplies[$id] = $this->supply($one, $id, $circuit);
        }

        return $supplies;
    }

    private function supply(Fields $in, string $id, RelayCircuit $circuit): PlaySupply
    {
        $in->only(['nominal_v', 'v', 'rotation', 'engine']);
        $nominal = $in->number('nominal_v', 10, 1000, 230.0);
        $hasEngine = ! $in->at('engine')->isNull();
        $count = $circuit->isThreePhase ? 3 : 1;
        $v = $in->at('v')->isNull()
            ? array_fill(0, $count, $hasEngine ? 0.0 : $nominal)
            : self::volts($in->at('v'), $circuit->isThreePhase);
        if ($hasEngine && ! $in->at('v')->isNull()) {
            throw $in->at('v')->bad('A supply with an engine has the voltage that its engine gives.');
        }
        $known = $circuit->supplyById[$id]->rotation === 'acb' ? 'acb' : 'abc';
        $rotation = $in->at('rotation')->isNull() ? $known : $in->oneOf('rotation', ['abc', 'acb']);

        return new PlaySupply($id, $nominal, $v, $rotation, $hasEngine ? $this->engine($in->object('engine')) : null);
    }

    private function engine(Fields $in): EngineTimes
    {
        $in->only(self::ENGINE);

        return new EngineTimes(
            $in->int('start_delay_ms', 0, self::MOST_MS, 0),
            $in->int('crank_ms', 0, self::MOST_MS, 1500),
            $in->int('crank_limit_ms', 0, self::MOST_MS, 10_000),
            $in->int('crank_rest_ms', 0, self::MOST_MS, 10_000),
            $in->int('crank_attempts', 1, 10, 3),
            $in->int('run_up_ms', 0, self::MOST_MS, 4000),
            $in->int('cooldown_ms', 0, self::MOST_MS, 0),
            $in->int('stop_ms', 0, self::MOST_MS, 5000),
        );
    }

    /** @return array<string, DeviceTimes> */
    private function times(Fields $in, RelayCircuit $circuit): array
    {
        $typed = $in->maybeObject('times');
        $timed = array_values(array_filter($circuit->devices, self::hasTimes(...)));
        $typed?->only(array_map(static fn(RelayDevice $device): string => $device->id, $timed));
        $times = [];
        foreach ($timed as $device) {
            $one = $typed?->maybeObject($device->id) ?? new Fields(new Node(new \stdClass(), $in->node->path . "/times/$device->id"));
            $times[$device->id] = $this->timesOf($one, $device, $circuit->isThreePhase);
        }

        return $times;
    }

    private static function hasTimes(RelayDevice $device): bool
    {
        return $device->type->isMoving() || $device->type === RelayType::Lamp;
    }

    private function timesOf(Fields $in, RelayDevice $device, bool $isThreePhase): DeviceTimes
    {
        $in->only(match ($device->type) {
            RelayType::Contactor, RelayType::Relay => ['pick_ms', 'drop_ms', 'travel_ms', ...self::COIL],
            RelayType::Timer => ['deviation_pct', ...self::COIL],
            RelayType::MotorChangeover => ['open_ms', 'close_ms', ...self::COIL],
            RelayType::PhaseRelay => self::DIAL,
            default => ['across'],
        });
        if ($device->type === RelayType::PhaseRelay) {
            return new DeviceTimes(Across::L1N, dial: $this->dial($in, $isThreePhase));
        }
        $isContactor = $device->type === RelayType::Contactor;
        $pickMs = $in->int('pick_ms', 1, 5000, $isContactor ? 20 : 12);
        $dropMs = $in->int('drop_ms', 1, 5000, $isContactor ? 15 : 8);
        $travelMs = $in->int('travel_ms', 1, 5000, $isContactor ? 5 : 3);
        if (in_array($device->type, [RelayType::Contactor, RelayType::Relay], true) && $travelMs > min($pickMs, $dropMs)) {
            throw $in->at('travel_ms')->bad('The travel is the last part of picking and of dropping: it is no longer than either.');
        }
        $deviation = $in->number('deviation_pct', -50, 50, 0.0);
        $words = array_map(static fn(Across $across): string => $across->value, $isThreePhase ? Across::cases() : [Across::L1N]);
        $across = Across::from($in->oneOf('across', $words, 'L1N'));
        $pickPct = $in->number('pick_pct', 1, 200, 85.0);
        $holdPct = $in->number('hold_pct', 1, 200, 60.0);
        if ($holdPct > $pickPct) {
            throw $in->at('hold_pct')->bad('A coil holds at less than it needs to pull in.');
        }

        return new DeviceTimes(
            $across,
            $pickPct,
            $holdPct,
            $pickMs,
            $dropMs,
            $travelMs,
            (int) max(1, floor(1000 * $device->seconds * (1 + $deviation / 100) + 0.5)),
            $in->int('open_ms', 1, 60_000, 60),
            $in->int('close_ms', 1, 60_000, 400),
        );
    }

    private function dial(Fields $in, bool $isThreePhase): PhaseRelayDial
    {
        return new PhaseRelayDial(
            $in->oneOf('senses', ['supply', 'load'], 'supply') === 'load',
            $in->oneOf('measure', $isThreePhase ? ['ln', 'll'] : ['ln'], 'ln') === 'll',
            self::limit($in, 'under_pct', 1, 200, 85),
            self::limit($in, 'over_pct', 1, 300, 115),
            $in->number('hysteresis_pct', 0, 50, 3.0),
            self::limit($in, 'unbalance_pct', 0.1, 100, null),
            $in->number('unbalance_hysteresis_pct', 0, 50, 2.0),
            self::limit($in, 'loss_pct', 1, 200, 50),
            $in->bool('sequence', true),
            $in->int('trip_ms', 0, self::MOST_MS, 500),
            $in->int('loss_trip_ms', 0, self::MOST_MS, 100),
            $in->int('reset_ms', 1, self::MOST_MS, 1000),
        );
    }

    private static function limit(Fields $in, string $key, float $min, float $max, ?float $default): ?float
    {
        if (! $in->has($key)) {
            return $default;
        }

        return $in->at($key)->isNull() ? null : $in->number($key, $min, $max);
    }

    private function selector(?Fields $in, RelayCircuit $circuit): ?string
    {
        $positions = $circuit->selector()->positions ?? [];
        if ($in?->has('selector') !== true) {
            return $positions[0] ?? null;
        }

        return $positions === [] ? throw $in->at('selector')->bad('This circuit has no selector.') : $in->oneOf('selector', $positions);
    }

    private function motor(?Fields $in, RelayCircuit $circuit): int
    {
        if ($in?->has('motor') !== true) {
            return 0;
        }
        if ($circuit->changeover() === null) {
            throw $in->at('motor')->bad('This circuit has no motor changeover.');
        }

        return (int) array_search($in->oneOf('motor', self::POSITIONS), self::POSITIONS, true);
    }

    private function isHandleIn(?Fields $in, RelayCircuit $circuit): bool
    {
        $isIn = $in?->bool('handle_in', false) ?? false;
        if ($isIn && $circuit->ofType(RelayType::Handle) === []) {
            throw $in->at('handle_in')->bad('This circuit has no handle.');
        }

        return $isIn;
    }
}
