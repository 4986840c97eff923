<?php

declare(strict_types=1);

namespace Tests\Feature;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class RehearsalTest extends TestCase
{
    #[Test, DataProvider('stories')]
    public function every_story_plays_on_every_kind_it_fits(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        foreach (Story::cases() as $story) {
            $this->followingRedirects()->post(
                "/switches/$switch->id/rehearsal",
                ['story' => $story->value],
            )->assertOk()->assertSee('What happens, and why')->assertSee('<svg class="strip-plot"', false);
        }
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function stories(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test, DataProvider('stories')]
    public function a_script_whose_last_piece_was_taken_out_is_a_quiet_day(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $this->get("/switches/$switch->id/rehearsal?story=own")->assertOk()->assertSee('<svg class="strip-plot"', false);
        $this->followingRedirects()->post("/switches/$switch->id/rehearsal", [
            'story' => 'own', 'b' => [['kind' => 'volts', 'at' => '10', 'v' => '0', 'lasts' => '5', 'gone' => '1']],
        ])->assertOk()->assertSee('<svg class="strip-plot"', false);
    }

    #[Test]
    public function the_strip_is_well_formed_and_shows_the_dark_time(): void
    {
        $switch = $this->switchOf($this->signIn());
        $html = (string) $this->get("/switches/$switch->id/rehearsal")->getContent();
        preg_match_all('#<svg class="strip-.*?</svg>#s', $html, $drawings);
        self::assertCount(2, $drawings[0]);
        foreach ($drawings[0] as $drawing) {
            self::assertNotFalse(simplexml_load_string(str_replace(' hidden>', ' hidden="">', $drawing)));
        }
        self::assertStringContainsString("dark 20.9\u{202F}s", $html);
    }

    #[Test]
    public function a_turned_delay_shows_the_run_before_as_a_ghost_with_the_difference(): void
    {
        $switch = $this->switchOf($this->signIn());
        $ghost = json_encode(['plot' => ['story' => 'outage', 'n' => []], 'd' => []], JSON_THROW_ON_ERROR);
        $answer = $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['story' => 'outage', 'd' => ['/start_delay_ms' => '8'], 'ghost' => $ghost],
            ['HX-Request' => 'true'],
        );
        $answer->assertOk()
            ->assertSee("+3.0\u{202F}s")
            ->assertSee('class="ghost"', false)
            ->assertSee('sheet says')
            ->assertSee('Put into settings')
            ->assertDontSee('<html', false);
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['story' => 'outage', 'ghost' => $ghost],
        )->assertDontSee('class="ghost"', false);
    }

    #[Test]
    public function a_blink_starts_nothing_and_a_false_return_is_not_taken(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['story' => 'blink'],
        )->assertSee('Starts <b class="fig">0</b>', false)->assertSee('Starts avoided <b class="fig">1</b>', false);
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['story' => 'false_return'],
        )->assertSee('Returns cut <b class="fig">1</b>', false)->assertSee('A cut timer keeps nothing');
    }

    #[Test]
    public function a_bad_delay_is_told_at_its_field_and_kept_beside_the_run_of_the_sheet(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['d' => ['/return_delay_ms' => 'soon'], 'n' => ['off_ms' => '-4']],
        )
            ->assertOk()->assertSee('value="soon"', false)
                ->assertSee('must be a time')
                ->assertSee('value="-4"', false)
                ->assertDontSee('Put into settings');
    }

    #[Test]
    public function the_run_as_shown_is_taken_away_and_the_command_line_plays_the_same(): void
    {
        $switch = $this->switchOf($this->signIn());
        $shown = ['story' => 'failed_crank', 'd' => ['/start_delay_ms' => '7.5'], 'n' => ['failures' => '2']];
        $svg = (string) $this->post(
            "/switches/$switch->id/rehearsal.svg",
            $shown,
        )->assertOk()->assertHeader('Content-Type', 'image/svg+xml')->getContent();
        self::assertNotFalse(simplexml_load_string($svg));
        self::assertStringNotContainsString('var(', $svg, 'a file knows nothing of the page\'s colours');
        $csv = (string) $this->post("/switches/$switch->id/rehearsal.csv", $shown)->assertOk()->getContent();
        $json = json_decode((string) $this->post("/switches/$switch->id/rehearsal.json", $shown)->assertOk()->getContent(), true);
        self::assertCount(count($json['output']['events']) + 1, explode("\n", trim($csv)));
        self::assertSame(7500, $json['input']['settings']['start_delay_ms']);
        $again = (new Calculations())->rehearse(Node::fromArray($json['input']));
        self::assertEquals($json['output'], json_decode(json_encode($again, JSON_THROW_ON_ERROR), true));
    }

    #[Test]
    public function hostile_fields_do_no_harm(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['story' => ['x'], 'd' => 'x', 'n' => [['x']], 'ghost' => '{"plot":{"story":"outage","n":5},"d":"x"}'],
        )->assertOk();
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['ghost' => str_repeat('[', 3000), 'n' => ['off_ms' => '<script>']],
        )->assertOk()->assertDontSee('<script>', false);
    }
}
