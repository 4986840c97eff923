<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Topology;

use Escapement\Core\Input\Node;
use Escapement\Core\Topology\BondElement;
use Escapement\Core\Topology\BondModel;

/** Reads the input of `bonding`; the first fault wins. Rule: docs/rules.md#topology, docs/rules.md#bonding. */
final readonly class BondingReader
{
    public function model(Node $input): BondModel
    {
        $in = new DrawingFields($input);
        $phases = $in->oneInt('phases', [1, 2, 3]);
        $listNode = $in->required('elements');
        $elements = [];
        $fields = [];
        foreach ($listNode->list(1, 40) as $node) {
            $one = new DrawingFields($node);
            $id = $one->id();
            if (isset($elements[$id])) {
                throw $one->at('id')->bad("There is an element \"$id\" already.");
            }
            $elements[$id] = $this->element($id, $one);
            $fields[$id] = $one;
        }
        $model = $this->fed($phases, $elements, $fields);
        $count = static fn(string $type): int => count(array_filter(
            $elements,
            static fn(BondElement $element): bool => $element->type === $type,
        ));
        if ($count('source') < 1 || $count('source') > 4 || $count('switch') > 2) {
            throw $listNode->bad('One to four sources and at most two switches are needed.');
        }

        return $model;
    }

    /**
     * @param array<string, BondElement>   $elements
     * @param array<string, DrawingFields> $fields
     */
    private function fed(int $phases, array $elements, array $fields): BondModel
    {
        $keys = static fn(BondElement $element): array => match ($element->type) {
            'switch' => ['normal_from', 'emergency_from'],
            'source' => [],
            default => ['from'],
        };
        foreach ($elements as $id => $element) {
            foreach ($keys($element) as $i => $key) {
                $feeder = $elements[$element->feeders()[$i]] ?? null;
                if ($feeder === null || $feeder === $element || $feeder->type === 'load') {
                    throw $fields[$id]->at($key)->bad('This names no other element that could feed it.');
                }
            }
        }
        $model = new BondModel($phases, $elements);
        foreach ($elements as $id => $element) {
            if (in_array($id, $model->ancestors($id), true)) {
                throw $fields[$id]->at($element->type === 'switch' ? 'normal_from' : 'from')->bad('It would feed itself.');
            }
        }

        return $model;
    }

    private function element(string $id, DrawingFields $in): BondElement
    {
        $e = new BondElement($id, $in->word('type', ['source', 'switch', 'disconnect', 'panel', 'inlet', 'load']));
        if ($e->type === 'source') {
            return $this->source($e, $in);
        }
        if ($e->type === 'switch') {
            $neutral = $in->word('neutral', ['solid', 'switched', 'overlapping']);
            $e->isSwitched = $neutral !== 'solid';
            $e->isOverlapping = $neutral === 'overlapping';
            $e->from = $this->name($in, 'normal_from');
            $e->emergencyFrom = $this->name($in, 'emergency_from');
            $e->hasNeutral = $in->bool('normal_neutral', true);
            $e->hasGround = $in->bool('normal_ground', true);
            $e->hasEmergencyNeutral = $in->bool('emergency_neutral', true);
            $e->hasEmergencyGround = $in->bool('emergency_ground', true);
            $e->isServiceRated = $in->bool('service_rated', false);
            $this->bond($e, $in);

            return $e;
        }
        $e->from = $this->name($in, 'from');
        $e->hasNeutral = $in->bool('feed_neutral', true);
        $e->hasGround = $in->bool('feed_ground', true);
        if ($e->type === 'load') {
            $e->needsNeutral = $in->bool('needs_neutral', true);
        }
        if ($e->type === 'disconnect' || $e->type === 'panel') {
            $e->isService = $in->bool('service', false);
            $this->bond($e, $in);
        }
        if ($e->type === 'panel') {
            $e->isMobile = $in->bool('mobile', false);
            $e->isCombined = $in->bool('bars_combined', false);
            $e->groundsOnNeutralBar = $in->whole('grounds_on_neutral_bar', 0);
            $e->neutralsOnGroundBar = $in->whole('neutrals_on_ground_bar', 0);
            $e->groundBarFree = $in->whole('ground_bar_free', 0);
        }

        return $e;
    }

    private function source(BondElement $e, DrawingFields $in): BondElement
    {
        $e->kind = $in->word('kind', ['utility', 'shore', 'generator', 'inverter', 'transformer']);
        $e->isBonded = $in->bool('bond', false);
        $e->isFixed = $in->bool('bond_fixed', false);
        $e->hasPlug = $in->bool('bond_plug', false);
        $e->earthing = $in->word('earthing', ['tn-c-s', 'tn-s'], 'tn-c-s');
        $e->isFloatingByDesign = $in->bool('floating_by_design', false);
        $e->hasGfci = $in->bool('gfci', false);
        $e->isPermanent = $in->bool('permanent', true);
        $e->hasElectrode = $in->bool('electrode', false);
        foreach (['bond_plug' => $e->hasPlug, 'floating_by_design' => $e->isFloatingByDesign, 'gfci' => $e->hasGfci] as $key => $isSo) {
            if ($isSo && ! $e->isMachine()) {
                throw $in->at($key)->bad('Only a generator or an inverter can have this.');
            }
        }
        $e->comesBonded();

        return $e;
    }

    private function bond(BondElement $e, DrawingFields $in): void
    {
        $e->isBonded = $in->bool('bond', false);
        $e->isFixed = $in->bool('bond_fixed', false);
        $e->hasElectrode = $in->bool('electrode', false);
    }

    private function name(DrawingFields $in, string $key): string
    {
        $node = $in->required($key);

        return is_string($node->value) ? $node->value : throw $node->bad('This must be the id of an element.');
    }
}
