<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\LoadTest\ProvedLevel;
use Escapement\Core\LoadTest\Requirement;

/** Reads an answer of load_test_evaluate as it was written and kept. */
final class LoadTestResultReader
{
    private const MOST = 10_000;
    private const MOST_TEXT = 2000;

    /** @throws BadInput where it is not such an answer */
    public function result(Node $kept): LoadTestResult
    {
        $in = new Fields($kept);

        return new LoadTestResult(
            $in->oneOf('verdict', ['pass', 'fail', 'not_proven']),
            array_map(self::requirement(...), $in->list('requirements', 0, self::MOST)),
            array_map(self::level(...), $in->list('levels', 0, self::MOST)),
            self::figure($in, 'proved_min'),
            self::figure($in, 'max_load_pct'),
            LoadTestReader::orNull($in, 'mean_load_pct', -INF, INF),
            LoadTestReader::orNull($in, 'regulation_pct', -INF, INF),
            LoadTestReader::orNull($in, 'droop_pct', -INF, INF),
            self::figure($in, 'worst_v_dev_pct'),
            self::figure($in, 'worst_hz_dev_pct'),
            self::figure($in, 'worst_v_unbalance_pct'),
            self::figure($in, 'worst_i_unbalance_pct'),
            self::figures($in->at('drift')),
            self::figure($in, 'low_load_min'),
            self::figures($in->at('at_top')),
            array_map(self::plain(...), $in->list('transients', 0, self::MOST)),
            $in->at('comparison')->isNull() ? null : self::figures($in->at('comparison')),
            array_map(self::finding(...), $in->list('findings', 0, self::MOST)),
            array_map(self::working(...), $in->list('working', 0, self::MOST)),
        );
    }

    private static function figure(Fields $in, string $key): float
    {
        return $in->number($key, -INF, INF);
    }

    private static function requirement(Node $node): Requirement
    {
        $in = new Fields($node);

        return new Requirement(
            $in->text('id'),
            $in->oneOf('verdict', ['pass', 'fail', 'not_proven']),
            $in->text('reason', self::MOST_TEXT),
        );
    }

    private static function level(Node $node): ProvedLevel
    {
        $in = new Fields($node);

        return new ProvedLevel(
            self::figure($in, 'level_pct'),
            self::figure($in, 'minutes'),
            $in->bool('with_load'),
            self::figure($in, 'minutes_at'),
            self::figure($in, 'longest_min'),
            $in->at('by')->isNull() ? null : $in->oneOf('by', ['load', 'exhaust']),
        );
    }

    /** @return array<string, ?float> */
    private static function figures(Node $node): array
    {
        return array_map(static fn(mixed $one): ?float => is_numeric($one) ? (float) $one : null, self::plain($node));
    }

    private static function finding(Node $node): Finding
    {
        $in = new Fields($node);
        $plain = self::plain($node);
        /** @var null|array<string, mixed> $fix */
        $fix = $plain['fix'] ?? null;
        /** @var list<int|string> $subjects */
        $subjects = is_array($plain['subjects'] ?? null) ? array_values($plain['subjects']) : [];

        return Finding::again(
            $in->text('id'),
            $in->at('severity')->enum(Severity::class),
            [$in->text('message', self::MOST_TEXT), $in->text('because', self::MOST_TEXT)],
            $in->at('path')->isNull() ? null : $in->text('path', self::MOST_TEXT),
            $fix,
            $subjects,
            $in->has('at') ? $in->text('at') : null,
        );
    }

    private static function working(Node $node): WorkingLine
    {
        $in = new Fields($node);
        $value = $in->at('value')->value;

        return new WorkingLine(
            $in->text('label', self::MOST_TEXT),
            $in->text('expression', self::MOST_TEXT),
            is_int($value) || is_float($value) || is_string($value) ? $value : null,
            $in->at('unit')->value === '' ? '' : $in->text('unit'),
        );
    }

    /** @return array<string, mixed> */
    private static function plain(Node $node): array
    {
        $node->object();

        /** @var array<string, mixed> */
        return json_decode(json_encode($node->value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 16, JSON_THROW_ON_ERROR);
    }
}
