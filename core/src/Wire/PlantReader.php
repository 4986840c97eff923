<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;

/** Reads `system` and `loads`. Rule: docs/rules.md#source-rating. */
final readonly class PlantReader
{
    /** @throws BadInput */
    public function plant(Node $node): Plant
    {
        $object = $node->object();
        $kind = $object->required('kind')->enum(PlantKind::class);
        $sources = $object->required('sources')->object();
        $normal = $this->source($sources->required('normal'));
        $emergency = $this->source($sources->required('emergency'));
        $sources->close();
        if ($kind->hasEngine()) {
            $engine = $this->engine($object->required('engine'));
        } else {
            $engine = null;
            $given = $object->nullable('engine');
            if ($given !== null) {
                throw $given->bad('Two standing sources have no engine: leave it out or say null.');
            }
        }
        $object->close();

        return new Plant($kind, $normal, $emergency, $engine);
    }

    /**
     * @return list<Load>
     *
     * @throws BadInput
     */
    public function loads(Node $node): array
    {
        $loads = [];
        $seen = [];
        foreach ($node->list() as $item) {
            $object = $item->object();
            $idNode = $object->required('id');
            $id = $idNode->text();
            $loads[] = new Load(
                $id,
                $object->required('kw')->number(0, 100_000),
                $object->required('priority')->integer(1, 99),
                $object->required('shed')->bool(),
                $object->optional('compressor')?->bool() ?? false,
            );
            $object->close();
            if (isset($seen[$id])) {
                throw $idNode->bad("The load \"$id\" is in the list already.");
            }
            $seen[$id] = true;
        }

        return $loads;
    }

    private function source(Node $node): Source
    {
        $object = $node->object();
        $phases = $object->required('phases')->integer(1, 3);
        $nominalV = $object->required('nominal_v')->number(0, 1_000_000, aboveMin: true);
        $nominalHz = $object->required('nominal_hz')->number(0, 1_000, aboveMin: true);
        $rotation = $object->optional('rotation');
        $object->close();
        if ($rotation !== null && $phases !== 3) {
            throw $rotation->bad('Only a three-phase source has a rotation.');
        }

        return new Source($phases, $nominalV, $nominalHz, $rotation?->oneOf(['abc', 'acb']) ?? 'abc');
    }

    private function engine(Node $node): Engine
    {
        $object = $node->object();
        $engine = new Engine(
            $object->required('crank_ms')->ms(),
            $object->required('crank_limit_ms')->ms(),
            $object->required('crank_rest_ms')->ms(),
            $object->required('crank_attempts')->integer(1, 10),
            $object->required('run_up_ms')->ms(),
            $object->required('stop_ms')->ms(),
        );
        $object->close();

        return $engine;
    }
}
