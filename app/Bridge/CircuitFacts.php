<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Circuit;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
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
    public RelayCircuit $circuit;

    public function __construct(private Circuit $stored)
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
        return self::playOf($this->circuit, $this->stored->supplies, $this->stored->times, $script, $untilMs);
    }

    /**
     * @param list<array<string, mixed>> $script
     *
     * @throws BadInput
     */
    public static function playOf(RelayCircuit $circuit, string $supplies, string $times, array $script, int $untilMs): PlayInput
    {
        $timed = array_filter(
            $circuit->devices,
            static fn(RelayDevice $device): bool => $device->type->isMoving() || $device->type === RelayType::Lamp,
        );

        return (new RelayPlayReader())->input(Node::fromJson(json_encode([
            'circuit' => CircuitWriter::write($circuit),
            'supplies' => self::only($supplies, array_column($circuit->failing(), 'id')),
            'times' => self::only($times, array_column($timed, 'id')),
            'script' => $script,
            'until_ms' => $untilMs,
        ], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)));
    }

    /** @throws BadInput */
    public function terminals(bool $isMetric, bool $numbersByRung): TerminalInput
    {
        $region = match (true) {
            ! $this->circuit->isThreePhase => 'us_split_120_240',
            $isMetric => 'iec_400_230',
            default => 'us_208y_120',
        };

        return (new TerminalListReader())->input(Node::fromJson(json_encode([
            'circuit' => CircuitWriter::write($this->circuit),
            'region' => $region,
            'numbering' => $numbersByRung ? 'rung' : 'sequence',
            'control' => ['v_v' => $isMetric ? 230 : 120],
        ], JSON_THROW_ON_ERROR)));
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
