<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\Restart\RestartLoad;
use Escapement\Core\Power\Restart\StepSequence;
use Escapement\Core\Power\Restart\StepSequenceInput;
use Escapement\Core\Wire\InputReader;

/** `step_sequence` on the wire. Rule: docs/rules.md#step-sequence. */
final readonly class StepSequenceReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new StepSequence())->answer($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): StepSequenceInput
    {
        $in = (new Fields($node))->only([
            'usable_kw', 'base_kw', 'k_kva', 'dip_limit_pct', 'max_start_kva', 'first_step_s', 'step_s', 'dark_s', 'loads',
        ]);
        $usableKw = $in->np('usable_kw');
        $baseKw = $in->n0('base_kw', 0.0);
        $stiffnessKva = $in->np('k_kva');
        $dipLimitPct = $in->number('dip_limit_pct', 1, 60, StepSequence::DIP_LIMIT_PCT);
        $maxStartKva = $in->maybeNp('max_start_kva');
        $firstStepS = $in->n0('first_step_s', 10.0);
        $stepS = $in->np('step_s', 10.0);
        $darkS = $in->n0('dark_s', 0.0);
        $loads = $in->each('loads', 0, 200, $this->load(...), isOptional: false);

        return new StepSequenceInput(
            $usableKw,
            $stiffnessKva,
            $loads,
            $baseKw,
            $dipLimitPct,
            $maxStartKva,
            $firstStepS,
            $stepS,
            $darkS,
        );
    }

    private function load(Fields $in): RestartLoad
    {
        return new RestartLoad(
            $in->only(['id', 'kw', 'start_kva', 'priority', 'compressor', 'lockout_s', 'must_run'])->text('id'),
            $in->n0('kw'),
            $in->n0('start_kva', 0.0),
            $in->int('priority', 1, 99, 50),
            $in->bool('compressor', false),
            $in->maybeN0('lockout_s'),
            $in->bool('must_run', false),
        );
    }
}
