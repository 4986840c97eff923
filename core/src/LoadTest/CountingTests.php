<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/**
 * Which of the load tests of a switch count for its proof. A failure stands until a test that asks for as much has passed: a light run
 * after a failed one proves nothing about what failed. What was not proven says nothing. Rule: docs/rules.md#counting-tests.
 */
final readonly class CountingTests
{
    /** @var list<ClosedTest> in the order of closing; the last one is where the switch stands */
    public array $tests;

    /** @param list<ClosedTest> $closed in the order of closing */
    public function __construct(array $closed)
    {
        $tests = [];
        $failed = null;
        foreach ($closed as $test) {
            if ($test->verdict === 'fail') {
                $failed = $failed === null || $test->topPct >= $failed->topPct ? $test : $failed;
                $tests[] = $test;
            } elseif ($test->verdict === 'pass' && ($failed === null || ! Tolerance::isBelow($test->topPct, $failed->topPct))) {
                $failed = null;
                $tests[] = $test;
            }
        }
        $this->tests = $tests;
    }

    public function standing(): ?ClosedTest
    {
        return $this->tests === [] ? null : $this->tests[count($this->tests) - 1];
    }
}
