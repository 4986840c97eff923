<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * Which folder of the core may use which. Arrows point up this list only, so there is no knot.
 * A new arrow is a decision: add it here, and say in docs/architecture.md why. PHPStan holds every class against it.
 */
final class Arrows
{
    public const ALLOWED = [
        'Input' => [],
        'Finding' => [],
        'Plant' => ['Input'],
        'Settings' => ['Plant'],
        'Simulation' => ['Plant', 'Settings'],
        'Rehearsal' => ['Input', 'Finding', 'Plant', 'Settings', 'Simulation'],
        'SettingsCheck' => ['Input', 'Finding', 'Plant', 'Settings', 'Simulation', 'Rehearsal'],
        'Recording' => ['Plant', 'Settings', 'Simulation'],
        'Wiring' => ['Input', 'Finding'],
        'Power' => ['Input', 'Finding', 'Plant', 'Wiring'],
        'Topology' => ['Finding'],
        'RelayLogic' => ['Input', 'Finding', 'Wiring', 'Topology'],
        'WiringView' => ['Finding', 'Topology'],
        'Panel' => ['Input', 'Finding', 'Wiring', 'Topology'],
        'Schedule' => ['Input', 'Finding', 'Settings', 'Power'],
        'LoadTest' => ['Input', 'Finding', 'Power', 'Wiring', 'Recording'],
        'Survey' => ['Finding', 'Plant', 'Settings', 'Power'],
        'PowerDown' => ['Input', 'Finding'],
        'Planning' => ['Finding', 'Plant', 'Settings', 'Survey', 'Wiring', 'Topology'],
        'Terminations' => ['Input', 'Finding', 'Plant', 'Wiring'],
        'Materials' => ['Plant', 'Topology', 'Terminations'],
        'Commissioning' => [
            'Finding', 'Plant', 'Settings', 'SettingsCheck', 'Wiring', 'Topology', 'RelayLogic', 'Terminations', 'Materials',
        ],
        'Device' => ['Input', 'Finding', 'Plant', 'Settings', 'Commissioning'],
        'Bench' => ['Input', 'Finding', 'Plant', 'Settings', 'Simulation', 'Power'],
        'Handover' => ['Plant', 'Settings', 'SettingsCheck', 'Rehearsal', 'Topology', 'RelayLogic', 'Commissioning'],
        'Wire' => [
            'Input', 'Finding', 'Plant', 'Settings', 'Simulation', 'Rehearsal', 'SettingsCheck', 'Wiring', 'Power', 'Topology', 'Survey',
            'PowerDown', 'Terminations', 'Commissioning', 'RelayLogic', 'WiringView', 'LoadTest', 'Panel', 'Schedule', 'Device', 'Bench',
        ],
        'Record' => ['Input', 'Commissioning', 'LoadTest', 'Wire'],
    ];

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function each_folder_uses_what_it_may(): iterable
    {
        foreach (self::ALLOWED as $folder => $allowed) {
            $others = array_map(
                static fn(string $other): SelectorInterface => Selector::inNamespace("Escapement\\Core\\$other"),
                array_values(array_diff(array_keys(self::ALLOWED), [$folder, ...$allowed])),
            );
            yield $folder => PHPat::rule()
                ->classes(Selector::inNamespace("Escapement\\Core\\$folder"))
                ->shouldNot()->dependOn()
                ->classes(...$others)
                ->because('arrows point one way: see core/tests/Architecture/Arrows.php');
        }
    }

    #[TestRule]
    public function the_core_runs_without_the_web(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Escapement\Core'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'), Selector::inNamespace('Symfony'))
            ->because('the core runs without the web');
    }
}
