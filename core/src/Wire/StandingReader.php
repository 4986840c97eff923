<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Proof\PartRecord;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\Proof\Standing;
use Escapement\Core\Commissioning\Proof\StandingInput;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Texts;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;

/**
 * `calc standing`: {"installation", "plant", "return_delay"?, "bait"?, "load_test"?, "records"?, "facts"?} → the standing of a switch
 * and its parts. `records` are what signed runs said to the parts, in the order of signing; `facts` what holds now, by key.
 */
final readonly class StandingReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new Standing())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): StandingInput
    {
        $in = $node->object();
        $installation = $in->required('installation')->enum(InstallationKind::class);
        $plant = $in->required('plant')->enum(PlantKind::class);
        $hasReturnDelay = $in->optional('return_delay')?->bool() ?? true;
        $asksForBait = $in->optional('bait')?->bool() ?? true;
        $asksForLoadTest = $in->optional('load_test')?->bool() ?? false;
        $records = array_map(self::record(...), $in->optional('records')?->list(0, 10_000) ?? []);
        $facts = Texts::map($in->optional('facts'), 500);
        $in->close();

        return new StandingInput($installation, $plant, $hasReturnDelay, $asksForBait, $asksForLoadTest, $records, $facts);
    }

    private static function record(Node $node): PartRecord
    {
        $in = $node->object();
        $part = $in->required('part')->enum(ProofPart::class);
        $outcome = $in->required('outcome')->oneOf(['proved', 'noted', 'failed']);
        $record = new PartRecord(
            $part,
            $outcome !== 'failed',
            $outcome === 'noted',
            $in->required('at')->text(40),
            $in->required('run')->text(80),
            $in->required('by')->text(120),
            array_map(static fn(Node $one): string => $one->text(500), $in->optional('why')?->list(0, 40) ?? []),
            Texts::map($in->optional('basis'), 500),
            $in->optional('edition')?->integer(1, ProcedureOptions::EDITION) ?? ProcedureOptions::EDITION,
        );
        $in->close();

        return $record;
    }
}
