<?php

declare(strict_types=1);

namespace Tests\Feature;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Exported;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What the web exports goes into the command of that name as it was saved, and says the same there. */
final class ExportsTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function an_export_is_an_input(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $run = $this->runOf($switch);
        $calculations = new Calculations();
        $calc = static fn(string $name, string $json): array => $calculations->calc($name, Exported::input($name, Node::fromJson($json)));

        $sheet = (string) $this->get("/switches/$switch->id/settings/1.json")->assertOk()->getContent();
        self::assertArrayHasKey('findings', $calc('settings_check', $sheet));
        $plan = (string) $this->get("/switches/$switch->id/plan.json")->assertOk()->getContent();
        self::assertArrayHasKey('states', $calc('topology', $plan));
        self::assertArrayHasKey('actions', $calc('bonding', $plan));
        $export = (string) $this->get("/runs/$run->id/report.json")->assertOk()->getContent();
        self::assertSame('incomplete', $calc('run_verdict', $export)['verdict']);
        $rehearsal = (string) $this->post("/switches/$switch->id/rehearsal.json", ['story' => 'outage'])->assertOk()->getContent();
        $told = json_decode($rehearsal, true, 64, JSON_THROW_ON_ERROR);
        self::assertSame(
            $told['output']['metrics'],
            json_decode(
                (string) json_encode($calculations->rehearse(Exported::input('rehearse', Node::fromJson($rehearsal)))['metrics']),
                true,
            ),
        );
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }
}
