<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;

/**
 * The steps of a load test as they were marked. A failure of the utility in the middle of it is a step of its own: what was held before
 * and after it stays what it was, and a bank that did not drop is reported. Rule: docs/rules.md#load-test-marks.
 */
final readonly class MarkedSpans
{
    /** A bank that drops by itself does so before the switch transfers. */
    private const DROP_S = 10.0;
    /** What a span of its own begins with. */
    private const BEGINS = [
        TestMark::Started, TestMark::StepUp, TestMark::StepDown, TestMark::UtilityFailed, TestMark::UtilityBack, TestMark::CoolDown,
    ];

    /** @var list<MarkedSpan> */
    public array $spans;
    /** @var list<Finding> */
    public array $findings;

    /**
     * @param list<MarkedMoment> $moments in order of time
     * @param bool               $hasBank a load bank takes part
     * @param ?float             $endS    where the last one ends; null while the test goes on
     */
    public function __construct(array $moments, bool $hasBank, ?float $endS = null)
    {
        $spans = [];
        $begun = $before = null;
        foreach ($moments as $moment) {
            $isBeginning = in_array($moment->kind, self::BEGINS, true);
            if (! $isBeginning && $moment->kind !== TestMark::Stopped) {
                continue;
            }
            if ($begun !== null) {
                $spans[] = new MarkedSpan($begun->kind, $begun->tS, $moment->tS, $begun->levelPct);
            }
            if ($moment->kind === TestMark::UtilityFailed) {
                $before = $begun;
            }
            $begun = match (true) {
                ! $isBeginning => null,
                // the step that the failure broke off goes on
                $moment->kind === TestMark::UtilityBack => new MarkedMoment(
                    $before->kind ?? $moment->kind,
                    $moment->tS,
                    $before?->levelPct,
                ),
                default => $moment,
            };
        }
        if ($begun !== null) {
            $spans[] = new MarkedSpan($begun->kind, $begun->tS, $endS === null ? null : max($begun->tS, $endS), $begun->levelPct);
        }
        $this->spans = $spans;
        $this->findings = self::judged($moments, $hasBank);
    }

    /**
     * @param list<MarkedMoment> $moments
     *
     * @return list<Finding>
     */
    private static function judged(array $moments, bool $hasBank): array
    {
        $findings = new Findings();
        $failures = array_filter($moments, static fn(MarkedMoment $one): bool => $one->kind === TestMark::UtilityFailed);
        if ($failures !== []) {
            $findings->raise('failed-in-test', ['count' => count($failures)]);
        }
        foreach ($hasBank ? $failures : [] as $failure) {
            $dropped = array_filter(
                $moments,
                static fn(MarkedMoment $one): bool => $one->kind === TestMark::BankDropped && $one->tS >= $failure->tS,
            );
            $first = $dropped === [] ? null : min(array_map(static fn(MarkedMoment $one): float => $one->tS, $dropped));
            if ($first === null || $first - $failure->tS > self::DROP_S) {
                $findings->raise('bank-stayed-on', ['s' => self::DROP_S]);
                break;
            }
        }

        return $findings->worstFirst();
    }
}
