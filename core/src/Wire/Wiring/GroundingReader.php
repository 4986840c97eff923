<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Grounding\EgcInput;
use Escapement\Core\Wiring\Grounding\FaultPathInput;
use Escapement\Core\Wiring\Grounding\GecInput;
use Escapement\Core\Wiring\Grounding\Grounding;
use Escapement\Core\Wiring\Grounding\GroundingInput;
use Escapement\Core\Wiring\Grounding\JumperUse;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** `grounding` on the wire. Rule: docs/rules.md#grounding. */
final class GroundingReader implements InputReader
{
    /** @var list<\Closure(): void> the rules between fields, which come after all fields of the whole input */
    private array $checks = [];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new Grounding())->size($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): GroundingInput
    {
        $in = (new Fields($node))->only(['egc', 'gec', 'bonding_jumper', 'grounded_conductor']);
        $input = new GroundingInput(
            ($f = $in->maybeObject('egc')) === null ? null : $this->egc($f),
            ($f = $in->maybeObject('gec')) === null ? null : $this->gec($f),
            ($f = $in->maybeObject('bonding_jumper')) === null ? null : $this->jumper($f),
            ($f = $in->maybeObject('grounded_conductor')) === null ? null : $this->grounded($f),
        );
        if ($input->egc === null && $input->gec === null && $input->bondingJumper === null && $input->groundedConductor === null) {
            throw $node->bad('One of egc, gec, bonding_jumper and grounded_conductor is needed.');
        }
        foreach ($this->checks as $check) {
            $check();
        }

        return $input;
    }

    private function egc(Fields $in): EgcInput
    {
        $in->only(['ocpd_a', 'material', 'ungrounded_material', 'min_size', 'installed_size', 'min_sets', 'sets', 'raceways', 'egc_size']);
        $ocpdA = $in->number('ocpd_a', 15, 4000);
        $material = $in->oneOf('material', ['cu', 'al']);
        $ungrounded = $in->oneOf('ungrounded_material', ['cu', 'al'], 'cu');
        $minSize = $in->maybeOneOf('min_size', Sizes::AWG);
        $installed = $in->maybeOneOf('installed_size', Sizes::AWG);
        $minSets = $in->int('min_sets', 1, 12, 1);
        $sets = $in->int('sets', 1, 12, 1);
        $raceways = $in->int('raceways', 1, 12, 1);
        $given = $in->maybeOneOf('egc_size', Sizes::AWG);
        $this->checks[] = static function () use ($in, $minSize, $installed, $ungrounded, $material, $given, $sets, $raceways): void {
            if (($minSize === null) !== ($installed === null)) {
                throw BadInput::missing($in->at($minSize === null ? 'min_size' : 'installed_size')->path);
            }
            WiringFields::refuseSmallAluminum($in, 'min_size', $minSize, $ungrounded);
            WiringFields::refuseSmallAluminum($in, 'installed_size', $installed, $ungrounded);
            WiringFields::refuseSmallAluminum($in, 'egc_size', $given, $material);
            if ($installed !== null) {
                self::evenly($in, $sets, $raceways);
            }
        };

        return new EgcInput($ocpdA, $material, $ungrounded, $minSize, $installed, $minSets, $sets, $raceways, $given);
    }

    private function gec(Fields $in): GecInput
    {
        $in->only(['ungrounded_material', 'ungrounded_size', 'sets', 'material', 'electrode', 'installed_size']);
        $ungrounded = $in->oneOf('ungrounded_material', ['cu', 'al']);
        $size = $in->oneOf('ungrounded_size', Sizes::AWG);
        $sets = $in->int('sets', 1, 12, 1);
        $material = $in->oneOf('material', ['cu', 'al']);
        $electrode = $in->oneOf('electrode', ['pipe_or_steel', 'rod', 'concrete_encased'], 'pipe_or_steel');
        $installed = $in->maybeOneOf('installed_size', Sizes::AWG);
        $this->checks[] = self::sizes($in, $ungrounded, $size, $material, $installed);

        return new GecInput($ungrounded, $size, $material, $sets, $electrode, $installed);
    }

    /** A main or system jumper stands once for all sets; on the supply side one stands in each raceway. */
    private function jumper(Fields $in): FaultPathInput
    {
        $use = JumperUse::from($in->oneOf('use', ['supply_side', 'main', 'system'], 'supply_side'));
        $keys = ['use', 'ungrounded_material', 'ungrounded_size', 'sets', 'material', 'installed_size'];
        $in->only($use === JumperUse::SupplySide ? [...$keys, 'raceways'] : $keys);

        return $this->faultPath($in);
    }

    private function grounded(Fields $in): FaultPathInput
    {
        return $this->faultPath($in->only(['ungrounded_material', 'ungrounded_size', 'sets', 'material', 'raceways', 'installed_size']));
    }

    private function faultPath(Fields $in): FaultPathInput
    {
        $ungrounded = $in->oneOf('ungrounded_material', ['cu', 'al']);
        $size = $in->oneOf('ungrounded_size', Sizes::AWG);
        $sets = $in->int('sets', 1, 12, 1);
        $material = $in->oneOf('material', ['cu', 'al']);
        $raceways = $in->int('raceways', 1, 12, 1);
        $installed = $in->maybeOneOf('installed_size', Sizes::AWG);
        $checkSizes = self::sizes($in, $ungrounded, $size, $material, $installed);
        $this->checks[] = static function () use ($in, $checkSizes, $sets, $raceways): void {
            $checkSizes();
            self::evenly($in, $sets, $raceways);
        };

        return new FaultPathInput($ungrounded, $size, $material, $sets, $raceways, $installed);
    }

    /** @return \Closure(): void */
    private static function sizes(Fields $in, string $ungrounded, string $size, string $material, ?string $installed): \Closure
    {
        return static function () use ($in, $ungrounded, $size, $material, $installed): void {
            WiringFields::refuseSmallAluminum($in, 'ungrounded_size', $size, $ungrounded);
            WiringFields::refuseSmallAluminum($in, 'installed_size', $installed, $material);
        };
    }

    private static function evenly(Fields $in, int $sets, int $raceways): void
    {
        if ($sets % $raceways !== 0) {
            throw $in->at('raceways')->bad("$sets sets do not divide evenly into $raceways raceways.");
        }
    }
}
