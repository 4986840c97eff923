<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wiring\Ampacity;
use Escapement\Core\Wiring\Split\LineConductor;
use Escapement\Core\Wiring\Split\ServiceSplit;
use Escapement\Core\Wiring\Split\ServiceSplitInput;
use Escapement\Core\Wiring\Split\SplitConductor;
use Escapement\Core\Wiring\Split\SplitPanel;
use Escapement\Core\Wiring\Split\SplitSwitch;
use Escapement\Core\Wiring\WiringFields;

/** `service_split` on the wire. Rule: docs/rules.md#service-split. */
final readonly class ServiceSplitReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new ServiceSplit())->answer($this->input($node))->toArray();
    }

    public function input(Node $node): ServiceSplitInput
    {
        $in = (new Fields($node))->only([
            'service_ocpd_a',
            'dwelling_83pct',
            'load_a',
            'switch',
            'conductor',
            'line',
            'length_tolerance_pct',
            'panels',
        ]);
        $serviceA = $in->number('service_ocpd_a', 100, 1200);
        $is83 = $in->bool('dwelling_83pct', true);
        $loadA = $in->number('load_a', 0.001, 2000, $serviceA);
        $switch = $this->switch($in->object('switch'));
        $conductorIn = $in->object('conductor');
        $conductor = $this->conductor($conductorIn);
        /** @var non-empty-list<LineConductor> $line */
        $line = $in->each('line', 3, 24, static fn(Fields $one): LineConductor => new LineConductor(
            $one->only(['id', 'leg', 'lug', 'length_ft'])->text('id', 40),
            $one->oneOf('leg', ['A', 'B', 'N']),
            $one->oneOf('lug', ['L1', 'L2', 'N']),
            $one->number('length_ft', 0.1, 10_000),
        ), isOptional: false, idsLast: true);
        $tolerancePct = $in->number('length_tolerance_pct', 0, 20, 1.0);
        /** @var non-empty-list<SplitPanel> $panels */
        $panels = $in->each('panels', 1, 4, $this->panel(...), isOptional: false, idsLast: true);
        WiringFields::refuseSmallAluminum($conductorIn, 'size', $conductor->size, $conductor->material);
        WiringFields::refuseSmallAluminum($conductorIn, 'neutral_size', $conductor->neutralSize, $conductor->material);
        foreach ($in->list('panels', 1, 4) as $panel) {
            $feeder = (new Fields($panel))->object('feeder');
            WiringFields::refuseSmallAluminum($feeder, 'size', $feeder->text('size'), $feeder->text('material'));
        }

        return new ServiceSplitInput($serviceA, $loadA, $switch, $conductor, $line, $panels, $is83, $tolerancePct);
    }

    private function switch(Fields $in): SplitSwitch
    {
        $in->only(['rating_a', 'service_rated', 'wires_per_lug']);
        $switch = new SplitSwitch($in->number('rating_a', 30, 4000), $in->bool('service_rated'), $in->maybeInt('wires_per_lug', 1, 8));
        $in->close();

        return $switch;
    }

    private function conductor(Fields $in): SplitConductor
    {
        $in->only(['material', 'size', 'neutral_size', 'terminal_c']);
        $material = $in->oneOf('material', ['cu', 'al']);
        $size = WiringFields::size($in, 'size');
        $neutral = WiringFields::size($in, 'neutral_size', 'cu', $size);
        $terminalC = WiringFields::oneInt($in, 'terminal_c', [60, 75], 75);
        $in->close();

        return new SplitConductor($material, $size, $neutral, $terminalC);
    }

    private function panel(Fields $in): SplitPanel
    {
        $in->only(['id', 'rating_a', 'main_a', 'feeder_ocpd_a', 'feeder', 'outside', 'leg_a_lug', 'leg_b_lug']);
        $id = $in->text('id', 40);
        $ratingA = $in->number('rating_a', 30, 1200);
        $maybe = static fn(string $key): ?float => $in->has($key) && ! $in->at($key)->isNull() ? $in->number($key, 15, 1200) : null;
        $mainA = $maybe('main_a');
        $ocpdA = $maybe('feeder_ocpd_a');
        $feeder = $in->object('feeder')->only(['material', 'size', 'length_ft', 'terminal_c']);
        $material = $feeder->oneOf('material', ['cu', 'al']);
        $size = WiringFields::size($feeder, 'size');
        $lengthFt = $feeder->number('length_ft', 0.1, 10_000);
        $terminalC = WiringFields::oneInt($feeder, 'terminal_c', [60, 75], 75);
        $feeder->close();

        return new SplitPanel(
            $id,
            $ratingA,
            $mainA,
            $ocpdA,
            Ampacity::amps($material, $size, $terminalC),
            $lengthFt,
            $in->bool('outside', false),
            $in->oneOf('leg_a_lug', ['L1', 'L2']),
            $in->oneOf('leg_b_lug', ['L1', 'L2']),
        );
    }
}
