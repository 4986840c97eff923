<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\ReturnDelayMethod;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\SettingsCheck\SettingsCheck;
use Escapement\Core\Wire\CheckReader;
use Escapement\Core\Wire\SettingsReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class TemplatesTest extends TestCase
{
    #[Test, DataProvider('templates')]
    public function a_template_is_valid_for_its_kind_and_has_no_stop(SheetTemplate $template): void
    {
        $plant = $template->plant();
        $input = (new CheckReader())->input(Node::fromArray([
            'application' => $template->application()->value,
            'system' => $plant->toArray(),
            'settings' => $template->settings()->toWire(),
            'site' => [
                'exercise' => ['day' => 'tue', 'time' => '11:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false],
                'load_tests_per_year' => 4,
            ],
        ]));
        $severities = array_column((new SettingsCheck())->check($input)->findings, 'severity');
        self::assertNotContains(Severity::Stop, $severities);
        self::assertEquals(
            $template->settings(),
            (new SettingsReader())->settings(Node::fromArray($template->settings()->toWire()), $plant),
        );
    }

    #[Test]
    public function the_schools_differ_in_the_return_delay_alone(): void
    {
        $short = new SheetTemplate(InstallationKind::WholeHouse, ReturnDelayMethod::Short);
        $critical = new SheetTemplate(InstallationKind::WholeHouse, ReturnDelayMethod::Critical);
        self::assertSame(60_000, $short->settings()->returnDelayMs);
        self::assertSame(900_000, $critical->settings()->returnDelayMs);
        self::assertSame(
            ['return_delay_ms' => 60_000] + $critical->settings()->toArray(),
            ['return_delay_ms' => 60_000] + $short->settings()->toArray(),
        );
    }

    /** @return iterable<string, array{SheetTemplate}> */
    public static function templates(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            foreach (ReturnDelayMethod::cases() as $school) {
                yield "$kind->value $school->value" => [new SheetTemplate($kind, $school)];
            }
        }
    }
}
