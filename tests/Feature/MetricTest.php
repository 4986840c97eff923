<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class MetricTest extends TestCase
{
    #[Test]
    public function a_metric_site_of_every_kind_begins_with_230_v_and_every_page_of_it_stands(): void
    {
        $this->signIn();
        foreach (InstallationKind::cases() as $kind) {
            $this->post(
                '/sites',
                [
                    'name' => "M $kind->value", 'timezone' => 'Europe/Berlin', 'units' => 'metric', 'installation' => $kind->value,
                    'service_a' => '63',
                ],
            )->assertSessionHasNoErrors();
            $site = Site::query()->latest('id')->firstOrFail();
            $switch = TransferSwitch::query()->where('site_id', $site->id)->firstOrFail();
            self::assertSame(
                [230, 50],
                [$switch->plant['sources']['normal']['nominal_v'], $switch->plant['sources']['normal']['nominal_hz']],
            );
            $this->put(
                "/switches/$switch->id/loads",
                ['loads' => [
                    ['name' => 'Range', 'kw' => '7', 'priority' => '5'],
                    ['name' => 'Lights', 'kw' => '0,8', 'priority' => '2', 'must_run' => '1'],
                ]],
            )->assertSessionHasNoErrors();
            $this->get("/switches/$switch->id/settings")->assertOk();
            $this->post(
                "/switches/$switch->id/settings",
                ['seen_version' => '0', 'standing' => 'proposed', 'f' => $this->form("/switches/$switch->id/settings")],
            )->assertSessionHasNoErrors();
            $switch->update([
                'survey' => [
                    'slack_m' => 0.61,
                    'tank_gal' => 100,
                    'static_inwc' => 11,
                    'meter' => 'two',
                    'cord_m' => 9.1,
                    'opening_m' => 3,
                    'line_conductors' => 6,
                ],
            ]);
            self::assertStringStartsWith(
                '%PDF',
                (string) $this->get("/switches/$switch->id/plan.pdf")->assertOk()->getContent(),
                'with figures of every unit',
            );
            foreach (['service', 'panels', 'source', 'place', 'loads'] as $on) {
                $page = (string) $this->get("/sites/$site->id?on=$on")->assertOk()->getContent();
                self::assertDoesNotMatchRegularExpression('#<span class="unit">(ft|gal|hp|in wc|°F)</span>#', $page, "$kind->value $on");
            }
            if ($kind === InstallationKind::WholeHouse) {
                $this->get("/switches/$switch->id/wires")->assertSee('mm²');
            }
            foreach ([
                'plan', 'wires', 'landing', 'shedding', 'power-down', 'pack-list', 'settings', 'rehearsal', 'season', 'commission',
                'plan.pdf', 'plan.json', 'one-line.pdf',
            ] as $name) {
                $page = $this->get("/switches/$switch->id/$name")->assertOk();
                if (! str_contains($name, '.')) {
                    self::assertDoesNotMatchRegularExpression(
                        '#<span class="unit">(ft|gal|gal/h|hp|in wc|°F|ft²)</span>#',
                        (string) $page->getContent(),
                        "$kind->value $name",
                    );
                }
            }
        }
    }

    /** @return array<string, string> the settings as their form stands */
    private function form(string $page): array
    {
        preg_match_all(
            '#<(?:input|select)[^>]*name="f\[([^"\]]+)\]"[^>]*>#',
            (string) $this->get($page)->getContent(),
            $found,
            PREG_SET_ORDER,
        );
        $form = [];
        foreach ($found as [$tag, $path]) {
            if (! str_contains($tag, 'checkbox') || str_contains($tag, 'checked')) {
                $form[$path] = preg_match('/value="([^"]*)"/', $tag, $value) === 1 ? $value[1] : 'open';
            }
        }

        return $form;
    }
}
