<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Scenario;

/** Reads the input of `rehearse`. Rule: docs/rules.md#source-rating. */
final readonly class ScenarioReader
{
    /** @throws BadInput */
    public function scenario(Node $node): Scenario
    {
        $object = $node->object();
        $plantReader = new PlantReader();
        $plant = $plantReader->plant($object->required('system'));
        $settings = (new SettingsReader())->settings($object->required('settings'), $plant);
        $loads = ($loadsNode = $object->optional('loads')) === null ? [] : $plantReader->loads($loadsNode);
        $initial = ($initialNode = $object->optional('initial')) === null ? Side::Normal : $this->initial($initialNode);
        $events = (new EventReader($plant, $loads))->events($object->required('events'));
        $untilMs = $object->required('until_ms')->ms();
        $sourceKw = $object->optional('source_kw')?->number(0, 1_000_000, aboveMin: true);
        $object->close();

        return new Scenario($plant, $settings, $events, $untilMs, $loads, $initial, $sourceKw === null ? null : (float) $sourceKw);
    }

    private function initial(Node $node): Side
    {
        $object = $node->object();
        $side = $object->optional('position')?->enum(Side::class) ?? Side::Normal;
        $object->close();

        return $side;
    }
}
