<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Power\System;
use Escapement\Core\Wire\BadInput;
use Escapement\Core\Wire\Node;
use Escapement\Core\Wiring\Conductor;
use Escapement\Core\Wiring\Grounding;
use Escapement\Core\Wiring\RacewayFill;
use Escapement\Core\Wiring\VoltageDrop;

/** One run of a feeder as typed, through the four calculations that decide it. */
final readonly class RunFacts
{
    private const FEET_PER_METRE = 1 / 0.3048;

    /** @param array<string, mixed> $run name, from, to, amps, ocpd_a, length_m, material, raceway, trade_size, dwelling, service */
    public function __construct(private array $run, private System $system) {}

    public function text(string $key): string
    {
        $value = $this->run[$key] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }

    /** @throws BadInput */
    public function conductor(): Answer
    {
        return (new Conductor())->answer(Node::fromArray([
            'material' => $this->text('material'), 'noncontinuous_a' => (float) $this->text('amps'), 'ocpd_a' => (float) $this->text('ocpd_a'), 'dwelling_83pct' => $this->isDwelling(), 'terminal_c' => 75, 'sets' => $this->sets(),
        ]));
    }

    /** @throws BadInput */
    public function drop(string $size): Answer
    {
        $amps = (float) $this->text('amps');
        $load = match ($this->system->name) {
            'single' => ['circuit' => 'single_phase', 'v' => $this->system->vLn, 'current_a' => $amps],
            'split' => ['circuit' => 'split_phase', 'v' => $this->system->vLl(), 'leg1_a' => $amps, 'leg2_a' => $amps],
            default => ['circuit' => 'three_phase', 'v' => $this->system->vLl(), 'current_a' => $amps],
        };

        return (new VoltageDrop())->answer(Node::fromArray($load + ['material' => $this->text('material'), 'size' => $size, 'length_m' => (float) $this->text('length_m'), 'sets' => $this->sets()]));
    }

    /** @throws BadInput */
    public function grounding(): Answer
    {
        return (new Grounding())->answer(Node::fromArray(['egc' => ['ocpd_a' => (float) $this->text('ocpd_a'), 'material' => $this->text('material'), 'ungrounded_material' => $this->text('material')]]));
    }

    /**
     * Hots, neutral and, behind the main, the ground of the run in its raceway, and copper beside aluminium.
     *
     * @throws BadInput
     */
    public function raceway(string $size, ?string $egc): Answer
    {
        $kind = $this->text('material') === 'cu' ? 'thhn' : 'xhhw2';
        $hots = $this->system->legs();

        return (new RacewayFill())->answer(Node::fromArray([
            'raceway' => ['type' => $this->text('raceway'), 'trade_size' => $this->text('trade_size')],
            'items' => [['kind' => $kind, 'size' => $size, 'qty' => $hots + 1], ...($egc === null ? [] : [['kind' => $kind, 'size' => $egc, 'qty' => 1]])],
            'compare' => ['ocpd_a' => (float) $this->text('ocpd_a'), 'dwelling_83pct' => $this->isDwelling(), 'hots' => $hots, 'terminal_c' => 75],
        ]));
    }

    public function sets(): int
    {
        return max(1, (int) $this->text('sets'));
    }

    public function lengthFt(): float
    {
        return (float) $this->text('length_m') * self::FEET_PER_METRE;
    }

    /** Ahead of the main there is no grounding conductor: the neutral is the way back of a fault. */
    public function isService(): bool
    {
        return $this->text('service') === '1';
    }

    private function isDwelling(): bool
    {
        return $this->text('dwelling') === '1';
    }
}
