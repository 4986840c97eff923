<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every public case of the timing rules. Events are compared as a set per millisecond, free texts left out. */
final class TimingCasesTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function it_plays_as_the_reference_does(\stdClass $case): void
    {
        $result = CaseFile::asArray((new Calculations())->rehearse(new Node($case->input)));
        $expected = CaseFile::asArray($case->expect);

        self::assertSame($this->comparable($expected['events']), $this->comparable($result['events']));
        self::assertEquals($expected['metrics'], $result['metrics']);
        self::assertEquals($expected['final'], $result['final']);
    }

    #[Test, DataProvider('cases')]
    public function every_event_says_why(\stdClass $case): void
    {
        $result = (new Calculations())->rehearse(new Node($case->input));
        self::assertIsArray($result['events']);
        foreach ($result['events'] as $event) {
            self::assertNotSame('', $event['because'], $event['kind']);
            self::assertStringEndsWith('.', $event['because'], $event['kind']);
        }
        self::assertCount(count($case->expect->events), $result['events']);
    }

    /** @return iterable<string, array{\stdClass}> */
    public static function cases(): iterable
    {
        return CaseFile::read('timing');
    }

    /**
     * @param list<array<string, mixed>> $events
     *
     * @return list<string>
     */
    private function comparable(array $events): array
    {
        $lines = [];
        foreach ($events as $event) {
            unset($event['because']);
            if (in_array($event['kind'], ['test_refused', 'exercise_skipped'], true)) {
                unset($event['reason']);
            }
            ksort($event);
            $lines[] = sprintf('%012d %s', $event['t_ms'], json_encode($event, JSON_THROW_ON_ERROR));
        }
        sort($lines);

        return $lines;
    }
}
