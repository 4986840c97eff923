<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Topology;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Topology\OneLineWriter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Which device to open has one answer. */
final class OutageTestPointTest extends TestCase
{
    /** @param array<string, string> $surveyed */
    #[Test, DataProvider('surveys')]
    public function the_surveyed_device_counts_where_it_proves_the_sensing(
        InstallationKind $kind,
        ?Upstream $upstream,
        array $surveyed,
        string $status,
        ?string $device,
        string $name,
    ): void {
        $plan = self::plan($kind, $upstream);
        $answer = $this->calc([
            'topology' => (new OneLineWriter())->drawing($plan->oneLine()), 'names' => $plan->names(),
        ] + ($surveyed === [] ? [] : ['surveyed' => $surveyed]));
        self::assertSame([$status, $device, $name], [$answer['status'], $answer['device'], $answer['name']]);
        self::assertSame($status === 'replaced' ? ['test-point-not-outage'] : [], array_column($answer['findings'], 'id'));
        self::assertNotSame('', $answer['because']);
    }

    /** @return iterable<string, array{InstallationKind, ?Upstream, array<string, string>, string, ?string, string}> */
    public static function surveys(): iterable
    {
        $house = InstallationKind::WholeHouse;
        yield 'nobody looked: the one-line says' => [$house, null, [], 'from_one_line', 'ats.main', 'Transfer switch main'];
        yield 'the disconnect outside, as surveyed' => [
            $house, Upstream::Disconnect, ['device' => 'md', 'label' => 'Meter disconnect outside, north wall'], 'confirmed', 'md',
            'Meter disconnect outside, north wall',
        ];
        yield 'a device without a name of its own' => [
            $house, Upstream::Disconnect, ['device' => 'md'], 'confirmed', 'md', 'Meter disconnect',
        ];
        yield 'the panel main after the switch proves nothing' => [
            $house, null, ['device' => 'panel.main'], 'replaced', 'ats.main', 'Transfer switch main',
        ];
        yield 'one that is not on the one-line' => [
            $house, null, ['device' => 'md', 'label' => 'Meter disconnect'], 'replaced', 'ats.main', 'Transfer switch main',
        ];
        yield 'a plug-in box is unplugged' => [InstallationKind::PlugInBox, null, [], 'from_one_line', 'plug', 'Plug of the switch box'];
        yield 'or its breaker opened, where that was surveyed' => [
            InstallationKind::PlugInBox, null, ['device' => 'main.feed'], 'confirmed', 'main.feed', 'Breaker feed in Main panel',
        ];
        yield 'a vehicle loses its shore cord' => [
            InstallationKind::Mobile50, null, ['device' => 'plug', 'label' => 'Shore plug'], 'confirmed', 'plug', 'Shore plug',
        ];
        yield 'the first of two supplies' => [
            InstallationKind::ContactorPair, null, ['device' => 'q1'], 'confirmed', 'q1', 'First supply disconnect',
        ];
        yield 'the second of two supplies is not what is preferred' => [
            InstallationKind::ContactorPair, null, ['device' => 'q2'], 'replaced', 'q1', 'First supply disconnect',
        ];
    }

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('undrawn')]
    public function without_a_one_line_it_says_how_sure_it_is(array $input, string $status, ?string $name): void
    {
        $answer = $this->calc($input);
        self::assertSame([$status, null, $name], [$answer['status'], $answer['device'], $answer['name']]);
    }

    /** @return iterable<string, array{array<string, mixed>, string, ?string}> */
    public static function undrawn(): iterable
    {
        yield 'nothing is known' => [[], 'not_known', null];
        yield 'a name alone is not checked' => [['surveyed' => ['label' => 'Q7']], 'unchecked', 'Q7'];
    }

    #[Test]
    public function an_installation_that_no_hand_can_interrupt_has_none(): void
    {
        $answer = $this->calc(['topology' => [
            'system' => 'split',
            'elements' => [
                ['id' => 'u', 'type' => 'source', 'kind' => 'utility'], ['id' => 'g', 'type' => 'source', 'kind' => 'generator'],
                ['id' => 'sw', 'type' => 'switch', 'kind' => 'motor', 'poles' => 2, 'neutral' => 'solid', 'rating_a' => 200],
                ['id' => 'l', 'type' => 'load', 'phases' => ['L1']],
            ],
            'links' => [['from' => 'u', 'to' => 'sw.normal'], ['from' => 'g', 'to' => 'sw.emergency'], ['from' => 'sw', 'to' => 'l']],
        ]]);
        self::assertSame(['none', null], [$answer['status'], $answer['name']]);
    }

    #[Test]
    public function a_fault_is_named_where_it_is(): void
    {
        foreach ([
            ['/topology/elements', ['topology' => ['system' => 'split', 'elements' => [], 'links' => []]]],
            ['/surveyed/devise', ['surveyed' => ['devise' => 'x']]], ['/name', ['name' => 'x']],
        ] as [$path, $input]) {
            try {
                $this->calc($input);
                self::fail("takes a fault at $path");
            } catch (BadInput $e) {
                self::assertSame($path, $e->path);
            }
        }
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private function calc(array $input): array
    {
        return CaseFile::asArray((new Calculations())->calc('outage_test_point', Node::fromArray((object) $input)));
    }

    private static function plan(InstallationKind $kind, ?Upstream $upstream): SitePlan
    {
        $system = $kind->isThreePhase() ? 'three' : 'split';

        return new SitePlan(new SitePlanInput(
            $kind,
            $system,
            120,
            200,
            200,
            isServiceRated: true,
            upstream: $upstream,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
    }
}
