<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Power\Sizing\Sizing;
use Escapement\Core\Power\Sizing\SizingInput;
use Escapement\Core\Power\Sizing\SizingLimits;
use Escapement\Core\Power\Sizing\SizingLoad;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `sizing` on the wire. Rule: docs/rules.md#sizing. */
final readonly class SizingReader implements InputReader
{
    private const KEYS = [
        'system',
        'v_ln_v',
        'usable_kw',
        'usable_kva',
        'leg_limit_a',
        'loads',
        'demand_kw',
        'managed_demand_kw',
        'headroom_pct',
        'load_management',
        'transfer',
        'choice', 'prefer',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new Sizing())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): SizingInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $rules = new LaterRules();
        $system = LegSystem::read($in);
        $usableKw = $in->np('usable_kw');
        $usableKva = $in->np('usable_kva', $usableKw);
        $input = new SizingInput(
            $system,
            new SizingLimits($usableKw, $usableKva, $in->np('leg_limit_a', $usableKva * 1000 / $system->vAllLegs())),
            $in->each('loads', 1, 500, fn(Fields $one): SizingLoad => $this->load($one, $system, $rules), isOptional: false),
            $in->maybeN0('demand_kw'),
            $in->maybeN0('managed_demand_kw'),
            $in->number('headroom_pct', 0, 90, 20.0),
            $in->bool('load_management', false),
            $in->oneOf('transfer', ['automatic', 'manual'], 'automatic') === 'automatic',
            $in->maybeOneOf('choice', ['whole', 'managed', 'essential']),
            $in->oneOf('prefer', ['whole_first', 'essential_first'], 'whole_first') === 'essential_first',
        );
        $rules->check();

        return $input;
    }

    private function load(Fields $in, LegSystem $system, LaterRules $rules): SizingLoad
    {
        $in->only([...LegLoad::KEYS, 'essential', 'managed', 'must_run']);
        $load = new SizingLoad(
            LegLoad::read($in, $system, $rules),
            $in->bool('essential', false),
            $in->bool('managed', false),
            $in->bool('must_run', false),
        );
        $rules->add(static function () use ($in, $load): void {
            if ($load->isManaged && $load->mustRun) {
                throw $in->at('managed')->bad('A load that must run cannot be one that is left off.');
            }
        });

        return $load;
    }
}
