<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\StepTransients;
use Escapement\Core\LoadTest\TransientInput;
use Escapement\Core\LoadTest\Waveform;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `step_transients` on the wire. Rule: docs/rules.md#step-transients. */
final readonly class StepTransientsReader implements InputReader
{
    private const KEYS = [
        't_ms', 'v_v', 'hz', 'kw', 'nominal_v', 'nominal_hz', 'fuel', 'class', 'pre_ms', 'window_ms', 'settle_ms', 'stay_ms', 'steps',
        'detect',
    ];
    private const MOST_SAMPLES = 100_000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new StepTransients())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): TransientInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $tMs = self::column($in->list('t_ms', 10, 10_000));
        $vV = array_map(static fn(Node $one): array => self::column($one->list(0, self::MOST_SAMPLES)), $in->list('v_v', 1, 3));
        $hz = self::column($in->list('hz', 0, self::MOST_SAMPLES));
        $kwNodes = $in->maybeList('kw', 0, self::MOST_SAMPLES);
        $kw = $kwNodes === null ? null : self::column($kwNodes);
        $nominalV = $in->np('nominal_v', 120.0);
        $nominalHz = $in->np('nominal_hz', 60.0);
        $isDiesel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel'], 'diesel') === 'diesel';
        $class = GovernorClass::from($in->oneOf('class', ['G1', 'G2', 'G3'], 'G2'));
        $preMs = $in->np('pre_ms', 1000.0);
        $windowMs = $in->np('window_ms', 15_000.0);
        $settleMs = $in->np('settle_ms', 1000.0);
        $stayMs = $in->n0('stay_ms', 500.0);
        $steps = array_map(self::step(...), $in->maybeList('steps', 1, 200) ?? []);
        $detect = $in->maybeObject('detect')?->only(['step_kw', 'side_ms']);
        $stepKw = $detect?->np('step_kw');
        $sideMs = $detect?->np('side_ms', 500.0);
        $wave = new Waveform($tMs, $vV, $hz, $kw);
        $this->check($in, $wave, $steps);

        return new TransientInput(
            $wave,
            $steps,
            $stepKw,
            $sideMs ?? 500.0,
            $nominalV,
            $nominalHz,
            $isDiesel,
            $class,
            $preMs,
            $windowMs,
            $settleMs,
            $stayMs,
        );
    }

    /** @param list<GivenStep> $steps */
    private function check(Fields $in, Waveform $wave, array $steps): void
    {
        if ($in->has('steps') === $in->has('detect')) {
            throw $in->node->bad('Give the steps, or say how to detect them: one of both.');
        }
        foreach ($wave->tMs as $i => $t) {
            if ($i > 0 && $t <= $wave->tMs[$i - 1]) {
                throw $in->at('t_ms')->at($i, null)->bad('The times must rise.');
            }
        }
        foreach ($wave->vV as $phase => $column) {
            if (count($column) !== $wave->count()) {
                throw $in->at('v_v')->at($phase, null)->bad('This column has another length than the times.');
            }
        }
        foreach (['hz' => $wave->hz, 'kw' => $wave->kw] as $key => $column) {
            if ($column !== null && count($column) !== $wave->count()) {
                throw $in->at($key)->bad('This column has another length than the times.');
            }
        }
        if ($in->has('detect') && $wave->kw === null) {
            throw $in->at('kw')->bad('Without the power no step can be detected.');
        }
        $this->checkSteps($in->at('steps'), $wave, $steps);
    }

    /** @param list<GivenStep> $steps */
    private function checkSteps(Node $list, Waveform $wave, array $steps): void
    {
        $last = $wave->tMs[$wave->count() - 1];
        foreach ($steps as $i => $step) {
            $after = $steps[$i - 1]->tMs ?? $wave->tMs[0];
            if ($step->tMs <= $after || $step->tMs > $last) {
                throw $list->at($i, null)->at('t_ms', null)->bad('The steps rise, after the first sample and not after the last.');
            }
            foreach (['from_kw' => $step->fromKw, 'to_kw' => $step->toKw] as $key => $kw) {
                if ($wave->kw === null && $kw === null) {
                    throw BadInput::missing($list->at($i, null)->at($key, null)->path);
                }
            }
        }
    }

    private static function step(Node $node): GivenStep
    {
        $in = (new Fields($node))->only(['t_ms', 'from_kw', 'to_kw']);

        return new GivenStep($in->n0('t_ms'), $in->maybeN0('from_kw'), $in->maybeN0('to_kw'));
    }

    /**
     * @param list<Node> $nodes
     *
     * @return list<float>
     */
    private static function column(array $nodes): array
    {
        return array_map(static fn(Node $one): float => (float) $one->number(0, 1e9), $nodes);
    }
}
