<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Power\ShedLoad;
use Escapement\Core\Power\ShedPlan;
use Escapement\Core\Power\ShedPlanInput;
use Escapement\Core\Wire\InputReader;

/** `shed_plan` on the wire. Rule: docs/rules.md#shed-plan. */
final readonly class ShedPlanReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new ShedPlan())->answer($this->input($node))->toArray();
    }

    public function input(Node $node): ShedPlanInput
    {
        $in = (new Fields($node))->only(['system', 'v_ln_v', 'usable_kw', 'base_kw', 'leg_limit_a', 'source', 'loads']);
        $rules = new LaterRules();
        $system = LegSystem::read($in);
        $usableKw = $in->n0('usable_kw');
        $baseKw = $in->n0('base_kw', 0.0);
        $limits = $in->maybeList('leg_limit_a', $system->legs(), $system->legs()) ?? [];
        $legLimitsA = array_map(static fn(Node $one): float => (float) $one->number(0, 1e9), $limits);
        $isInverter = $in->oneOf('source', ['generator', 'inverter'], 'generator') === 'inverter';
        $loads = $in->each(
            'loads',
            0,
            60,
            fn(Fields $one): ShedLoad => $this->load($one, $system, $rules),
            isOptional: false,
        );
        $rules->check();

        return new ShedPlanInput($system, $usableKw, $loads, $baseKw, $legLimitsA, $isInverter);
    }

    private function load(Fields $in, LegSystem $system, LaterRules $rules): ShedLoad
    {
        $in->only(['id', 'kw', 'pf', 'connect', 'weight', 'priority', 'must_run', 'charges_source_battery']);
        $id = $in->text('id');
        $kw = $in->n0('kw');
        $pf = $in->number('pf', 0.05, 1, 1.0);
        $load = new LegLoad($id, $kw, LegLoad::connection($in, $system, $rules), $pf);
        $weight = $in->maybeInt('weight', 1, 1000);
        $priority = $in->int('priority', 1, 99, ShedLoad::EVEN);
        $mustRun = $in->bool('must_run', false);

        return new ShedLoad($load, $priority, $mustRun, $in->bool('charges_source_battery', false), $weight);
    }
}
