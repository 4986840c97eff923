<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\TestMethod;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/**
 * Marks doubled, late, struck out and out of order: the script of the stopwatch answers the same cases
 * (tests/Browser/intervals.spec.js).
 */
final class MarksTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function the_verdict_measures_from_the_mark_that_counts(\stdClass $case): void
    {
        $template = new SheetTemplate(InstallationKind::from($case->kind));
        $marks = array_map(
            static fn(\stdClass $m): Mark => new Mark(MarkEvent::from($m->event), $m->at_ms, $m->id, $m->undone),
            $case->marks,
        );
        $verdict = (new TimingVerdict($template->plant(), $template->settings()))->judge($marks);
        $runs = array_map(static fn(TimedRun $run): array => [
            'by' => $run->isByButton ? 'button' : 'outage',
            'intervals' => array_map(static fn(Interval $i): array => [
                'event' => $i->event, 'from' => $i->from->value, 'measured_ms' => $i->measuredMs,
                'window' => [$i->window->minMs, $i->window->nominalMs, $i->window->maxMs],
            ], $run->intervals),
        ], $verdict->runs);
        self::assertSame(json_encode($case->runs), json_encode($runs));
    }

    #[Test, DataProvider('cases')]
    public function the_phone_gets_the_methods_that_the_case_names(\stdClass $case): void
    {
        $template = new SheetTemplate(InstallationKind::from($case->kind));
        $methods = array_map(
            static fn(TestMethod $method): array => $method->toArray(),
            TestMethod::of($template->plant(), $template->settings()),
        );
        self::assertSame(json_encode(self::methods()->{$case->kind}), json_encode($methods));
    }

    /** @return iterable<string, array{\stdClass}> */
    public static function cases(): iterable
    {
        foreach (self::data('marks') as $case) {
            yield $case->name => [$case];
        }
    }

    private static function methods(): \stdClass
    {
        return self::data('methods');
    }

    private static function data(string $name): mixed
    {
        return json_decode((string) file_get_contents(dirname(__DIR__) . "/data/$name.json"), false, 32, JSON_THROW_ON_ERROR);
    }
}
