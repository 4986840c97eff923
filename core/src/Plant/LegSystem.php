<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

use Escapement\Core\Input\Fields;

/** How a load is fed: its legs, their angles, and the voltages between them. Rule: docs/rules.md#topology. */
final readonly class LegSystem
{
    /** Every way to connect a load, whatever the system. */
    public const CONNECTIONS = ['L1', 'L2', 'L3', 'L1L2', 'L2L3', 'L3L1', '3P'];

    /** @param list<float> $angles of the legs against neutral, radians */
    private function __construct(public string $name, public float $vLn, public array $angles) {}

    public static function read(Fields $in): self
    {
        return self::of($in->oneOf('system', ['single', 'split', 'three'], 'split'), $in->np('v_ln_v', 120.0));
    }

    public static function of(string $name, float $vLn): self
    {
        return new self($name, $vLn, match ($name) {
            'single' => [0.0],
            'three' => [0.0, -2 * M_PI / 3, 2 * M_PI / 3],
            default => [0.0, M_PI],
        });
    }

    public function legs(): int
    {
        return count($this->angles);
    }

    /** Line to line, or to neutral where there is one leg. */
    public function vLl(): float
    {
        return match ($this->name) {
            'single' => $this->vLn,
            'split' => 2 * $this->vLn,
            default => sqrt(3) * $this->vLn,
        };
    }

    /** Volts by which a power in VA gives the amps of each leg when it is spread evenly. */
    public function vAllLegs(): float
    {
        return $this->legs() * $this->vLn;
    }

    /** @return non-empty-list<string> the ways to connect, the default first */
    public function connections(): array
    {
        return match ($this->name) {
            'single' => ['L1'],
            'split' => ['L1L2', 'L1', 'L2'],
            default => ['3P', 'L1', 'L2', 'L3', 'L1L2', 'L2L3', 'L3L1'],
        };
    }
}
