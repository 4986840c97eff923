<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Plan;
use Escapement\Core\Planning\FaultFeeder;
use Escapement\Core\Planning\FaultFigures;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Wiring\FaultCurrent\FaultRun;
use Escapement\Core\Wiring\FaultCurrent\FaultSource;
use Escapement\Core\Wiring\FaultCurrent\GeneratorFault;
use Escapement\Core\Wiring\FaultCurrent\KnownFault;
use Escapement\Core\Wiring\FaultCurrent\Transformer;

/** What the plan keeps of utility, generator and feeders, as the fault currents of a site want it. */
final readonly class FaultFacts
{
    /** Shares of the raceways of the schedule whose metal adds to the reactance; the others count as non-metallic. */
    private const STEEL = ['emt', 'rmc', 'imc', 'fmc'];

    private const TRANSFORMER_TOLERANCE_PCT = 10.0;
    private const XR_THREE_PHASE = 4.0;
    private const XR_OTHER = 1.5;
    private const LN_FACTOR = 1.5;

    public function __construct(private ?Plan $kept, private LegSystem $system, private ?SourceFigures $source) {}

    public function figures(): FaultFigures
    {
        return new FaultFigures($this->utility(), $this->generator(), $this->feeders(), $this->number('motor_a') ?? 0.0);
    }

    /** The utility's own figure goes before its transformer's plate. */
    private function utility(): ?FaultSource
    {
        $xr = $this->system->name === 'three' ? self::XR_THREE_PHASE : self::XR_OTHER;
        $faultKa = $this->number('fault_ka');
        if ($faultKa !== null) {
            return new KnownFault($faultKa, $xr, self::LN_FACTOR);
        }
        $kva = $this->number('transformer_kva');
        $impedancePct = $this->number('transformer_z_pct');

        return $kva === null || $impedancePct === null ? null
            : new Transformer($kva, $impedancePct, self::TRANSFORMER_TOLERANCE_PCT, null, $xr, self::LN_FACTOR);
    }

    private function generator(): ?GeneratorFault
    {
        $xd2 = $this->number('generator_xd2_pct');

        return $xd2 === null || $this->source === null || $this->source->isInverter || $this->source->ratedKva <= 0 ? null
            : GeneratorFault::byReactance($this->source->ratedKva, $xd2);
    }

    /** @return list<FaultFeeder> of the schedule as saved; what is only proposed has no length yet */
    private function feeders(): array
    {
        $feeders = [];
        foreach ($this->kept->runs ?? [] as $run) {
            $facts = new FeederFacts($run, $this->system);
            $size = $facts->conductor()->size;
            if ($size !== null && $facts->text('from') !== '' && $facts->text('to') !== '') {
                $conduit = in_array($facts->text('raceway'), self::STEEL, true) ? 'steel' : 'pvc';
                $feeders[] = new FaultFeeder(
                    $facts->text('from'),
                    $facts->text('to'),
                    new FaultRun($facts->material(), $size, $facts->lengthFt(), $facts->sets(), conduit: $conduit),
                );
            }
        }

        return $feeders;
    }

    private function number(string $key): ?float
    {
        $value = $this->kept->facts[$key] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }
}
