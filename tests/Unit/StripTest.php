<?php

declare(strict_types=1);

namespace Tests\Unit;

use App\Drawing\Strip\TimingStrip;
use App\Drawing\TimeScale;
use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class StripTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function later_is_never_further_left_and_everything_is_on_the_strip(): void
    {
        $this->limitTo(200)->forAll(
            Generators::seq(Generators::choose(0, 900_000)),
            Generators::choose(0, 900_000),
            Generators::choose(0, 900_000),
        )
            ->then(function (array $moments, int $a, int $b): void {
                $scale = new TimeScale(array_values($moments), 910_000, 664);
                [$earlier, $later] = [min($a, $b), max($a, $b)];
                self::assertLessThanOrEqual($scale->x($later), $scale->x($earlier));
                self::assertGreaterThanOrEqual(0, $scale->x($earlier));
                self::assertLessThanOrEqual($scale->width + 0.1, $scale->x($later));
            });
    }

    #[Test]
    public function unfolded_spans_share_one_scale_and_moments_lie_outside_folds(): void
    {
        $this->limitTo(200)->forAll(Generators::seq(Generators::choose(0, 900_000)))->then(function (array $moments): void {
            $scale = new TimeScale(array_values($moments), 910_000, 664);
            foreach ($scale->segments as $segment) {
                $lengthS = ($segment['toMs'] - $segment['fromMs']) / 1000;
                if ($segment['isFold']) {
                    self::assertEqualsWithDelta(30, $segment['toX'] - $segment['fromX'], 0.01);
                    self::assertGreaterThan(8, $lengthS);
                    foreach ($moments as $ms) {
                        self::assertFalse($ms > $segment['fromMs'] && $ms < $segment['toMs'], "$ms ms is folded away");
                    }
                } else {
                    self::assertEqualsWithDelta($scale->pxPerS * $lengthS, $segment['toX'] - $segment['fromX'], 0.01);
                }
            }
            self::assertGreaterThanOrEqual(2.5, $scale->pxPerS);
        });
    }

    #[Test, DataProvider('kinds')]
    public function the_drawing_is_well_formed_on_screen_and_on_paper(InstallationKind $kind): void
    {
        $playback = $this->playback($kind);
        $screen = new TimingStrip($playback, null, false, 664, hasGrips: true);
        $paper = new TimingStrip($playback, $playback, true, 560);
        foreach ([str_replace(' hidden>', ' hidden="">', $screen->plotSvg()), $screen->labelSvg(), $paper->wholeSvg()] as $svg) {
            self::assertNotFalse(simplexml_load_string($svg));
        }
        self::assertStringNotContainsString('var(', $paper->wholeSvg());
        self::assertStringNotContainsString('class="grip"', $paper->wholeSvg());
        self::assertSame(0, preg_match('/font-size="([0-9]|1[0-2])"/', $paper->wholeSvg()), 'no letter is smaller than 13');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function a_name_that_looks_like_markup_stays_a_name(): void
    {
        $svg = (new TimingStrip($this->playback(InstallationKind::WholeHouse, '<b>&"x'), null, true, 560))->wholeSvg();
        self::assertStringContainsString('&lt;b&gt;&amp;&quot;x', $svg);
    }

    private function playback(InstallationKind $kind, string $load = 'Well pump'): Playback
    {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();
        $scenario = new Scenario($plant, $template->settings(), [
            new ScenarioEvent(10_000, Verb::SetSource, Side::Normal, array_fill(0, $plant->normal->phases, 0)),
            new ScenarioEvent(190_000, Verb::RampSource, Side::Normal, array_fill(0, $plant->normal->phases, 120), overMs: 20_000),
        ], 2_000_000, [new Load($load, 1.5, 1, true)]);

        return new Playback($scenario);
    }
}
