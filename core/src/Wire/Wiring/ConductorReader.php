<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Cable;
use Escapement\Core\Wiring\Conductor;
use Escapement\Core\Wiring\ConductorInput;
use Escapement\Core\Wiring\InstallMethod;
use Escapement\Core\Wiring\Location;
use Escapement\Core\Wiring\MetricConductor;
use Escapement\Core\Wiring\MetricConductorInput;
use Escapement\Core\Wiring\MetricTables;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** `conductor` on the wire, in AWG or in mm². Rule: docs/rules.md#conductor. */
final readonly class ConductorReader implements InputReader
{
    private const NEC = [
        'system',
        'material',
        'cable',
        'location',
        'in_insulation',
        'insulation_c',
        'terminal_c',
        'continuous_a',
        'noncontinuous_a',
        'ocpd_a',
        'max_ocpd_a',
        'ocpd_100pct_rated', 'ambient_c', 'ambient_method', 'ccc', 'nipple', 'sets', 'size', 'dwelling_83pct', 'small_conductor_exempt',
        'multi_receptacle_branch', 'continuous_school',
    ];

    private const IEC = [
        'system',
        'material',
        'insulation_c',
        'install_method',
        'continuous_a',
        'noncontinuous_a',
        'ocpd_a',
        'device',
        'ambient_c',
        'circuits',
        'sets',
        'size',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $input = $this->input($node);

        return ResultWriter::write(
            $input instanceof ConductorInput ? (new Conductor())->size($input) : (new MetricConductor())->size($input),
        );
    }

    /** @throws BadInput */
    public function input(Node $node): ConductorInput|MetricConductorInput
    {
        $in = new Fields($node);

        return $in->oneOf('system', ['nec', 'iec'], 'nec') === 'nec' ? $this->nec($in) : $this->iec($in);
    }

    private function nec(Fields $in): ConductorInput
    {
        $in->only(self::NEC);
        $material = $in->oneOf('material', ['cu', 'al']);
        $cable = Cable::from($in->oneOf('cable', array_column(Cable::cases(), 'value'), 'raceway'));
        $location = Location::from($in->oneOf('location', ['dry', 'wet', 'buried'], 'dry'));
        $isInInsulation = $in->bool('in_insulation', false);
        $insulationC = WiringFields::maybeOneInt($in, 'insulation_c', [60, 75, 90]);
        $terminalC = WiringFields::maybeOneInt($in, 'terminal_c', [60, 75]);
        [$continuousA, $otherA] = WiringFields::load($in);
        $input = new ConductorInput(
            $material,
            $continuousA,
            $otherA,
            $in->maybeNumber('ocpd_a', 15, 6000),
            $in->maybeNumber('max_ocpd_a', 15, 6000),
            $cable,
            $location,
            $isInInsulation,
            $insulationC,
            $terminalC,
            $in->bool('ocpd_100pct_rated', false),
            $in->number('ambient_c', -40, 90, 30.0),
            $in->oneOf('ambient_method', ['table', 'formula'], 'table') === 'formula',
            $in->int('ccc', 1, 100, 3),
            $in->bool('nipple', false),
            $in->int('sets', 1, 12, 1),
            $in->maybeOneOf('size', Sizes::AWG),
            $in->bool('dwelling_83pct', false),
            $in->bool('small_conductor_exempt', false),
            $in->bool('multi_receptacle_branch', false),
            $in->oneOf('continuous_school', ['separate', 'combined'], 'separate') === 'combined',
        );
        WiringFields::needsLoad($in, $continuousA, $otherA);
        WiringFields::refuseSmallAluminum($in, 'size', $input->size, $material);
        $largest = $cable->largestSize();
        if ($input->size !== null && $largest !== null && Sizes::place($input->size) > Sizes::place($largest)) {
            throw $in->at('size')->bad("This cable is made up to $largest.");
        }
        if ($input->maxOcpdA !== null && ($input->isDwelling || $input->isMultiReceptacle)) {
            throw $in->at('max_ocpd_a')->bad(
                'The nameplate of one machine does not go with a dwelling feeder or a circuit of several receptacles.',
            );
        }

        return $input;
    }

    private function iec(Fields $in): MetricConductorInput
    {
        $method = InstallMethod::from($in->oneOf('install_method', array_column(InstallMethod::cases(), 'value'), 'C'));
        $in->only([...self::IEC, $method->isInGround() ? 'soil_km_w' : 'grouping']);
        $material = $in->oneOf('material', ['cu', 'al']);
        $insulationC = WiringFields::maybeOneInt($in, 'insulation_c', [70, 90]) === 90 ? 90 : 70;
        [$continuousA, $otherA] = WiringFields::load($in);
        $ocpdA = $in->maybeNumber('ocpd_a', 6, 5000);
        $isFuse = $in->oneOf('device', ['breaker', 'gg_fuse'], 'breaker') === 'gg_fuse';
        $ambientC = $in->maybeNumber('ambient_c', -40, 90);
        $circuits = $in->int('circuits', 1, 100, 1);
        $grouping = $in->oneOf('grouping', ['bunched', 'single_layer'], 'bunched') === 'bunched' ? 'bunched' : 'single_layer';
        $soilKmW = $in->number('soil_km_w', 0, 3, 2.5);
        if (! in_array($soilKmW, MetricTables::SOILS, true)) {
            throw $in->at('soil_km_w')->bad('This must be one of: ' . implode(', ', MetricTables::SOILS) . '.');
        }
        $sets = $in->int('sets', 1, 12, 1);
        $size = $in->maybeOneOf('size', Sizes::MM2);
        WiringFields::needsLoad($in, $continuousA, $otherA);
        if ($size !== null && ! in_array($size, Sizes::metric($material), true)) {
            throw $in->at('size')->bad('Aluminum is listed from 16 mm².');
        }

        return new MetricConductorInput(
            $material,
            $insulationC,
            $method,
            $continuousA,
            $otherA,
            $ocpdA,
            $isFuse,
            $ambientC,
            $circuits,
            $grouping,
            $soilKmW,
            $sets,
            $size,
        );
    }
}
