<?php

declare(strict_types=1);

namespace Tests\Unit;

use Escapement\Core\Materials\MaterialGroup;
use Escapement\Core\Materials\MaterialLine;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\Feeder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Ticks stood under the hash of a name; the migration finds the id of each again. */
final class MaterialKeysTest extends TestCase
{
    private const MIGRATION = __DIR__ . '/../../database/migrations/2026_11_26_040000_name_materials_and_expectations.php';

    /** Younger than the ids, as all protective equipment is: never ticked under a name. */
    private const YOUNGER = ['gear-low-ohm-meter', 'gear-phase-loss-set'];

    #[Test, DataProvider('kinds')]
    public function every_thing_that_was_ticked_under_its_name_is_found_under_its_id(InstallationKind $kind): void
    {
        $feeders = [];
        foreach (['emt', 'rmc', 'pvc40', 'pvc80', 'lfmc'] as $i => $raceway) {
            $feeders[] = new Feeder("R$i", 'gen', 'ats', ['L1', 'L2'], $i % 2 === 0 ? 'al' : 'cu', '4/0', '4', 1, $raceway, '1-1/4', 10.0);
        }
        $names = $this->names();
        foreach ((new MaterialsList($kind, $feeders, 3, 4, ['5/16', '9/16'], true, true))->lines() as $line) {
            if ($line->group !== MaterialGroup::Protection && ! in_array($line->key, self::YOUNGER, true)) {
                self::assertArrayHasKey($line->key, $names, $line->name);
            }
        }
        self::assertSame('gear-' . substr(hash('sha256', 'Torque tool'), 0, 12), $names[MaterialsList::torqueToolKey()]);
        self::assertSame('material-' . substr(hash('sha256', 'Conductor 4/0, aluminium'), 0, 12), $names['material-conductor-4over0-al']);
    }

    #[Test]
    public function no_two_old_keys_fall_together(): void
    {
        $names = $this->names();
        self::assertCount(count($names), array_unique($names));
    }

    #[Test]
    public function a_line_of_ones_own_keeps_its_key(): void
    {
        $own = array_filter(
            (new MaterialsList(InstallationKind::WholeHouse, [], own: [['name' => 'Ladder', 'quantity' => '2']]))->lines(),
            static fn(MaterialLine $line): bool => $line->name === 'Ladder',
        );
        self::assertSame(['own-' . substr(hash('sha256', 'Ladder'), 0, 12)], array_column($own, 'key'));
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /** @return array<string, string> */
    private function names(): array
    {
        $migration = require self::MIGRATION;
        self::assertIsObject($migration);
        /** @var array<string, string> */
        return (new \ReflectionMethod($migration, 'names'))->invoke($migration);
    }
}
