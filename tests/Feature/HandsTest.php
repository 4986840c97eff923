<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\BenchFacts;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What hands do to a switch, played on its own sheet. */
final class HandsTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function every_type_plays_each_of_its_stories_or_says_what_it_lacks(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        if ($kind->hasGenerator()) {
            $this->get("/switches/$switch->id/by-hand")->assertOk()->assertSee('rating of the source are not known');
            $switch->update(['fuel' => 'battery', 'rated_kw' => ['battery' => 3]]);
            $this->get("/switches/$switch->id/by-hand")->assertOk()->assertSee('no engine to be played');
        }
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20]]);
        foreach ((new BenchFacts($switch->refresh()))->stories() as $key => $story) {
            $this->get("/switches/$switch->id/by-hand?story=$key")->assertOk()->assertSee($story['teaches'])->assertSee('Bus, kW')
                ->assertDontSee('do not make a bench');
        }
        $this->get("/switches/$switch->id/by-hand?story=no-such")->assertOk();
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function a_house_shows_why_its_panel_main_is_no_test(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $page = "/switches/$switch->id/by-hand";
        $this->get("$page?story=panel-main")->assertSee('it never saw an outage')->assertDontSee('Engine fires');
        $this->get("$page?story=outage")->assertSee('Utility disconnect opened')->assertSee('Switch closes on the generator');
        $this->get("$page?story=off")->assertSee('The selector is not at auto')->assertDontSee('Switch closes');
        $this->get("$page?story=handle-live")->assertSee('The handle was moved while there was voltage');
        $switch->sheets()->delete();
        $this->get($page)->assertOk()->assertSee('no settings sheet yet');
    }
}
