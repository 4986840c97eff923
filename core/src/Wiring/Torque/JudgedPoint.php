<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Torque;

use Escapement\Core\Input\RelativeTolerance;

/** One lug held against its band. Rule: docs/rules.md#torque. */
final readonly class JudgedPoint
{
    private const REJECTS = ['no-torque-value', 'torque-low', 'torque-high', 'mark-moved', 'remarked-without-torque'];
    private const INCOMPLETE = ['torque-not-recorded', 'mark-missing'];
    /** The first flag that a lug has decides what is done. */
    private const ACTIONS = [
        'no-torque-value' => 'find_value',
        'torque-high' => 'inspect_replace',
        'torque-low' => 're_torque',
        'mark-moved' => 're_torque',
        'mark-missing' => 're_torque',
        'remarked-without-torque' => 're_torque',
        'torque-not-recorded' => 'torque',
        'mark-not-applied' => 'mark',
    ];

    public ?float $targetInLb;
    public ?float $lowInLb;
    public ?float $highInLb;
    /** @var list<string> ids of findings, in the order in which they are raised */
    public array $flags;

    public function __construct(public TorquePoint $point, private TorqueInput $in)
    {
        $this->targetInLb = $point->targetInLb();
        $this->lowInLb = $this->targetInLb === null ? null : $this->targetInLb * (1 - $in->tolerancePct / 100);
        $this->highInLb = $this->targetInLb === null ? null : $this->targetInLb * (1 + $in->tolerancePct / 100);
        $this->flags = array_keys(array_filter([...$this->ofTorque(), ...$this->ofMark()]));
    }

    /** @return 'accept'|'incomplete'|'reject' */
    public function verdict(): string
    {
        return match (true) {
            array_intersect($this->flags, self::REJECTS) !== [] => 'reject',
            array_intersect($this->flags, self::INCOMPLETE) !== [] => 'incomplete',
            default => 'accept',
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $target = $this->targetInLb;
        $recorded = $this->point->recordedInLb;
        $flags = $this->flags;
        sort($flags);

        return [
            'id' => $this->point->id,
            'source' => $this->source(),
            'target_in_lb' => $target,
            'target_ft_lb' => $target === null ? null : $target / 12,
            'target_nm' => $target === null ? null : $target * TorqueTable::IN_LB_TO_NM,
            'low_in_lb' => $this->lowInLb,
            'high_in_lb' => $this->highInLb,
            'recorded_in_lb' => $recorded,
            'deviation_pct' => $recorded === null || $target === null ? null : 100 * ($recorded / $target - 1),
            'verdict' => $this->verdict(),
            'action' => array_values(array_intersect_key(self::ACTIONS, array_flip($flags)))[0] ?? 'none',
            'flags' => $flags,
        ];
    }

    /** @return 'maker'|'none'|'table' */
    private function source(): string
    {
        return match (true) {
            $this->point->makerInLb !== null => 'maker',
            $this->targetInLb === null => 'none',
            default => 'table',
        };
    }

    private function isLow(): bool
    {
        return $this->point->recordedInLb !== null && $this->lowInLb !== null
            && RelativeTolerance::isOver($this->lowInLb, $this->point->recordedInLb);
    }

    private function isHigh(): bool
    {
        return $this->point->recordedInLb !== null && $this->highInLb !== null
            && RelativeTolerance::isOver($this->point->recordedInLb, $this->highInLb);
    }

    private function isInBand(): bool
    {
        return $this->point->recordedInLb !== null && $this->targetInLb !== null && ! $this->isLow() && ! $this->isHigh();
    }

    /** @return array<string, bool> */
    private function ofTorque(): array
    {
        $isOwed = $this->in->isFirst || $this->point->mark === 'aligned' && $this->in->isRetorqueAll;

        return [
            'maker-torque-missing' => $this->source() === 'table',
            'no-torque-value' => $this->source() === 'none',
            'torque-low' => $this->isLow(),
            'torque-high' => $this->isHigh(),
            'torque-not-recorded' => $this->point->recordedInLb === null && $isOwed,
        ];
    }

    /** @return array<string, bool> */
    private function ofMark(): array
    {
        $mark = $this->point->mark;
        $isTurned = $this->point->recordedInLb !== null;
        $tool = $this->in->tool;

        return [
            'mark-moved' => $mark === 'moved' && ! $this->isInBand(),
            'mark-moved-retorqued' => $mark === 'moved' && $this->isInBand(),
            'mark-missing' => $mark === 'missing' && ! $isTurned,
            'remarked-without-torque' => $mark === 'remarked' && ! $isTurned,
            'tool-out-of-range' => $isTurned && $this->targetInLb !== null && $tool !== null && ! $tool->reaches($this->targetInLb),
            'mark-not-applied' => $this->in->isFirst && $mark === 'none' && $this->isInBand(),
        ];
    }
}
