<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Topology;

use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\OutageTestPoint;
use Escapement\Core\Topology\OutageTestPointInput;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ElementNamesTest extends TestCase
{
    #[Test, DataProvider('references')]
    public function a_reference_is_told_in_the_words_of_the_site(string $ref, string $words): void
    {
        self::assertSame($words, (new ElementNames(['ats' => 'Transfer switch', 'main' => 'Main panel']))->of($ref));
    }

    /** @return iterable<string, array{string, string}> */
    public static function references(): iterable
    {
        yield 'an element' => ['ats', 'Transfer switch'];
        yield 'one without a name' => ['q9', 'q9'];
        yield 'its main' => ['ats.main', 'Transfer switch main'];
        yield 'a terminal' => ['ats.emergency', 'Transfer switch, emergency side'];
        yield 'a breaker is never the whole panel' => ['main.feed', 'breaker feed in Main panel'];
    }

    #[Test]
    public function the_outage_of_an_essential_panel_is_made_at_its_breaker(): void
    {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::EssentialCircuits,
            'split',
            120,
            200,
            100,
            poles: 2,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
        $drawing = $plan->oneLine();
        self::assertSame(
            'Breaker feed in ' . $plan->names()['main'],
            (new OutageTestPoint())->decide(new OutageTestPointInput($drawing, $plan->names()))->name,
        );
    }
}
