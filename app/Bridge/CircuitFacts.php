<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Circuit;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\Play\PlayInput;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Terminals\TerminalInput;
use Escapement\Core\Wire\Panel\CircuitWriter;
use Escapement\Core\Wire\Panel\RelayPlayReader;
use Escapement\Core\Wire\Panel\TerminalListReader;
use Escapement\Core\Wire\RelayCheckReader;

/** The stored circuit of a switch as the core's calculations take it. */
final readonly class CircuitFacts
{
    /** What `relay_play` knows of an engine and a site's plant says as well: the plant is the one that was surveyed. */
    private const OF_ENGINE = ['crank_ms', 'crank_limit_ms', 'crank_rest_ms', 'crank_attempts', 'run_up_ms', 'stop_ms'];
    private const USUAL_V = 230.0;

    public RelayCircuit $circuit;

    /** @param array<string, mixed> $plant of the switch; without, supplies are as the circuit began */
    public function __construct(private Circuit $stored, private array $plant = [])
    {
        $this->circuit = self::read($stored->document);
    }

    /** @throws BadInput */
    public static function read(string $document): RelayCircuit
    {
        return (new RelayCheckReader())->circuit(Node::fromJson($document));
    }

    public static function written(RelayCircuit $circuit): string
    {
        return json_encode(CircuitWriter::write($circuit), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
    }

    public static function stamp(string $document): string
    {
        return substr(hash('sha256', $document), 0, 16);
    }

    /**
     * The panel that a run was begun with.
     *
     * @param array<string, mixed> $panel as `calc procedure` takes it
     */
    public static function builtOf(array $panel): BuiltPanel
    {
        return BuiltPanel::of((new RelayPlayReader())->input(Node::fromArray(
            array_intersect_key($panel, ['circuit' => 0, 'supplies' => 0, 'times' => 0]) + ['until_ms' => 1],
        )));
    }

    /** @return list<string> supplies that a generating set stands behind */
    public function engines(): array
    {
        return self::enginesOf($this->stored->supplies);
    }

    /** @return list<string> */
    public static function enginesOf(string $supplies): array
    {
        $decoded = json_decode($supplies, true, 32, JSON_THROW_ON_ERROR);
        $engines = array_filter(is_array($decoded) ? $decoded : [], static fn(mixed $one): bool => is_array($one) && isset($one['engine']));

        return array_map(strval(...), array_keys($engines));
    }

    /**
     * Times and supplies of devices that are not in the circuit any more are left out.
     *
     * @param list<array<string, mixed>> $script as `relay_play` reads it
     *
     * @throws BadInput
     */
    public function play(array $script, int $untilMs): PlayInput
    {
        return self::playOf($this->circuit, $this->supplies(), $this->stored->times, $script, $untilMs);
    }

    /**
     * @param list<array<string, mixed>> $script
     *
     * @throws BadInput
     */
    public static function playOf(RelayCircuit $circuit, string $supplies, string $times, array $script, int $untilMs): PlayInput
    {
        return (new RelayPlayReader())->input(Node::fromArray([
            'circuit' => CircuitWriter::write($circuit),
            'supplies' => self::only($supplies, array_column($circuit->failing(), 'id')),
            'times' => self::only($times, self::timed($circuit)),
            'script' => $script,
            'until_ms' => $untilMs,
        ]));
    }

    /** Line to neutral, of the first source. */
    public function nominalV(): float
    {
        $v = $this->plant['sources']['normal']['nominal_v'] ?? null;

        return is_numeric($v) ? (float) $v : self::USUAL_V;
    }

    /** The panel as it was built, as it is proved on site; null: it has no first source that can be lost. */
    public function built(): ?BuiltPanel
    {
        $built = BuiltPanel::of($this->play([], 1));

        return $built->canBePlayed() ? $built : null;
    }

    /**
     * As `calc procedure` takes it.
     *
     * @param list<string> $stops what stands against the proof of the circuit, in sentences
     *
     * @return null|array<string, mixed> null: nothing of it can be played
     */
    public function panel(bool $isMetric, array $stops): ?array
    {
        // A run keeps it as JSON, in which an empty object comes back as a list.
        $parts = array_filter([
            'supplies' => (array) self::only($this->supplies(), array_column($this->circuit->failing(), 'id')),
            'times' => (array) self::only($this->stored->times, self::timed($this->circuit)),
        ]);

        return $this->built() === null ? null : $parts + [
            'circuit' => CircuitWriter::write($this->circuit), 'region' => $this->region($isMetric), 'stops' => $stops,
        ];
    }

    /** JSON as `relay_play` reads it: nominal volts and engine are those of the site. */
    private function supplies(): string
    {
        $supplies = json_decode($this->stored->supplies, true, 32, JSON_THROW_ON_ERROR);
        $supplies = is_array($supplies) ? $supplies : [];
        $engine = is_array($this->plant['engine'] ?? null) ? array_intersect_key($this->plant['engine'], array_flip(self::OF_ENGINE)) : [];
        if ($this->plant === []) {
            return $this->stored->supplies;
        }
        foreach ($this->circuit->failing() as $supply) {
            $one = is_array($supplies[$supply->id] ?? null) ? $supplies[$supply->id] : [];
            $one += ['nominal_v' => $this->nominalV()];
            $supplies[$supply->id] = isset($one['engine']) ? ['engine' => (object) ($engine + (array) $one['engine'])] + $one : $one;
        }

        return json_encode((object) $supplies, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    private function region(bool $isMetric): string
    {
        return match (true) {
            ! $this->circuit->isThreePhase => 'us_split_120_240',
            $isMetric => 'iec_400_230',
            default => 'us_208y_120',
        };
    }

    /** @throws BadInput */
    public function terminals(bool $isMetric, bool $numbersByRung): TerminalInput
    {
        $region = $this->region($isMetric);

        return (new TerminalListReader())->input(Node::fromArray([
            'circuit' => CircuitWriter::write($this->circuit),
            'region' => $region,
            'numbering' => $numbersByRung ? 'rung' : 'sequence',
            'control' => ['v_v' => $isMetric ? 230 : 120],
        ]));
    }

    /** @return list<string> devices that have times */
    private static function timed(RelayCircuit $circuit): array
    {
        return array_column(array_filter(
            $circuit->devices,
            static fn(RelayDevice $device): bool => $device->type->isMoving() || $device->type === RelayType::Lamp,
        ), 'id');
    }

    /**
     * @param list<string> $ids
     *
     * @return object
     */
    private static function only(string $json, array $ids): object
    {
        $all = json_decode($json, false, 32, JSON_THROW_ON_ERROR);

        return (object) array_intersect_key(is_object($all) ? get_object_vars($all) : [], array_flip($ids));
    }
}
