<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Wiring\Conductor;
use Escapement\Core\Wiring\ConductorInput;
use Escapement\Core\Wiring\ConductorResult;
use Escapement\Core\Wiring\Grounding\EgcInput;
use Escapement\Core\Wiring\Grounding\Grounding;
use Escapement\Core\Wiring\Grounding\GroundingInput;
use Escapement\Core\Wiring\Grounding\GroundingResult;
use Escapement\Core\Wiring\Location;
use Escapement\Core\Wiring\Raceway\FillItem;
use Escapement\Core\Wiring\Raceway\MetalComparison;
use Escapement\Core\Wiring\Raceway\RacewayFill;
use Escapement\Core\Wiring\Raceway\RacewayFillInput;
use Escapement\Core\Wiring\Raceway\RacewayFillResult;
use Escapement\Core\Wiring\VoltageDrop;
use Escapement\Core\Wiring\VoltageDropInput;
use Escapement\Core\Wiring\VoltageDropResult;

/** One feeder as it was saved, through the four calculations that decide it. */
final readonly class FeederFacts
{
    private const FEET_PER_METRE = 1 / 0.3048;

    /** Marked terminals of panels and switches of this trade. */
    private const TERMINAL_C = 75;

    /**
     * @param array<string, mixed> $feeder name, from, to, amps, ocpd_a, max_ocpd_a, length_m, material, raceway, trade_size,
     *     location, dwelling, service
     */
    public function __construct(private array $feeder, private LegSystem $system) {}

    public function text(string $key): string
    {
        $value = $this->feeder[$key] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }

    public function conductor(): ConductorResult
    {
        return (new Conductor())->size(new ConductorInput(
            $this->material(),
            noncontinuousA: (float) $this->text('amps'),
            ocpdA: (float) $this->text('ocpd_a'),
            maxOcpdA: $this->text('max_ocpd_a') === '' ? null : (float) $this->text('max_ocpd_a'),
            location: Location::tryFrom($this->text('location')) ?? Location::Dry,
            terminalC: self::TERMINAL_C,
            sets: $this->sets(),
            isDwelling: $this->isDwelling(),
        ));
    }

    public function drop(string $size): VoltageDropResult
    {
        $amps = (float) $this->text('amps');
        [$circuit, $v, $currents] = match ($this->system->name) {
            'single' => ['single_phase', $this->system->vLn, [$amps]],
            'split' => ['split_phase', $this->system->vLl(), [$amps, $amps]],
            default => ['three_phase', $this->system->vLl(), [$amps]],
        };

        return (new VoltageDrop())->judge(
            new VoltageDropInput('nec', $circuit, $this->material(), $size, (float) $v, $currents, $this->lengthFt(), $this->sets()),
        );
    }

    public function grounding(): GroundingResult
    {
        return (new Grounding())->size(new GroundingInput(new EgcInput(
            (float) $this->text('ocpd_a'),
            $this->material(),
            $this->material(),
        )));
    }

    /**
     * Hots, neutral and, behind the main, the ground of the feeder in its raceway, and copper beside aluminum; null where a
     * size is in no table.
     */
    public function raceway(string $size, ?string $egc): ?RacewayFillResult
    {
        $kind = $this->material() === 'cu' ? 'thhn' : 'xhhw2';
        $hots = $this->system->legs();
        $large = FillItem::conductors($kind, $size, $hots + 1);
        $ground = $egc === null ? null : FillItem::conductors($kind, $egc, 1);
        if ($large === null || $egc !== null && $ground === null) {
            return null;
        }

        return (new RacewayFill())->judge(new RacewayFillInput(
            $this->text('raceway'),
            $this->text('trade_size'),
            array_values(array_filter([$large, $ground])),
            compare: $this->metals($hots, $egc !== null),
        ));
    }

    /** Null with parallel sets: the comparison sizes one conductor for the whole current. */
    private function metals(int $hots, bool $hasEgc): ?MetalComparison
    {
        return $this->sets() > 1 ? null
            : new MetalComparison((float) $this->text('ocpd_a'), $this->isDwelling(), self::TERMINAL_C, $hots, hasEgc: $hasEgc);
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

    /** @return 'al'|'cu' */
    public function material(): string
    {
        return $this->text('material') === 'al' ? 'al' : 'cu';
    }

    private function isDwelling(): bool
    {
        return $this->text('dwelling') === '1';
    }
}
