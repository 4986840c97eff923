<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Topology;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Topology\BondingCheck;
use Escapement\Core\Wire\Topology\BondingReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What the proposal leaves must be sound, whatever was found. Rule: topology §2.4. */
final class BondingPropertyTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function after_the_proposed_work_every_position_has_exactly_one_bond(): void
    {
        $judged = 0;
        $this->limitTo(400)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed) use (&$judged): void {
            $input = self::site($seed);
            $result = self::answer($input);
            $ids = array_column($result['findings'], 'id');
            if (in_array('fixed-bond-unresolvable', $ids, true) || in_array('no-service-disconnect', $ids, true)) {
                return;
            }
            $judged++;
            foreach ($result['after'] as $row) {
                self::assertContains($row['verdict'], ['ok', 'floating-by-intent'], json_encode($input, JSON_THROW_ON_ERROR));
            }
        });
        self::assertGreaterThan(100, $judged);
    }

    #[Test]
    public function a_site_that_is_as_it_should_be_needs_no_work(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $result = self::answer(self::site($seed));
            $verdicts = array_column($result['positions'], 'verdict');
            $moves = array_intersect(array_column($result['actions'], 'action'), ['add-bond', 'remove-bond', 'add-neutral']);
            if ($result['bonds_present'] === $result['bonds_wanted'] && $verdicts !== [] && array_unique($verdicts) === ['ok']) {
                self::assertSame([], array_values($moves));
            } else {
                $this->addToAssertionCount(1);
            }
        });
    }

    /** @return array<string, mixed> a house, with or without a switch ahead, a sub-panel, a second source, and mistakes */
    private static function site(int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $may = static fn(int $percent): bool => $random->getInt(1, 100) <= $percent;
        $kind = ['generator', 'generator', 'inverter', 'transformer'][$random->getInt(0, 3)];
        $isAhead = $may(50);
        $elements = [
            ['id' => 'u', 'type' => 'source', 'kind' => $may(80) ? 'utility' : 'shore', 'electrode' => $may(30)],
            ['id' => 'g', 'type' => 'source', 'kind' => $kind, 'bond' => $may(50), 'electrode' => $may(40), 'permanent' => $may(70)]
            + (in_array($kind, ['generator', 'inverter'], true) ? ['bond_plug' => $may(15), 'floating_by_design' => $may(20)] : []),
            [
                'id' => 'd',
                'type' => 'disconnect',
                'from' => 'u',
                'service' => ! $isAhead || $may(30),
                'bond' => $may(50),
                'bond_fixed' => $may(10),
            ],
            [
                'id' => 's',
                'type' => 'switch',
                'neutral' => $may(50) ? 'solid' : 'switched',
                'normal_from' => $isAhead ? 'd' : 'p',
                'emergency_from' => 'g',
                'service_rated' => $isAhead,
                'bond' => $may(30), 'normal_ground' => $may(90), 'emergency_ground' => $may(85), 'emergency_neutral' => $may(90),
            ],
            [
                'id' => 'p',
                'type' => 'panel',
                'from' => $isAhead ? 's' : 'd',
                'bond' => $may(40),
                'bars_combined' => $may(20),
                'grounds_on_neutral_bar' => $may(20) ? 3 : 0,
                'feed_ground' => $may(90),
            ],
            [
                'id' => 'q',
                'type' => 'panel',
                'from' => $isAhead ? 'p' : 's',
                'bond' => $may(30),
                'feed_neutral' => $may(95),
                'mobile' => $may(10),
            ],
        ];
        // A panel without a neutral, with nothing in it that needs one, is left as it is: there is no gap to close.
        foreach (['p', 'q'] as $i => $panel) {
            $elements[] = [
                'id' => "load$i",
                'type' => 'load',
                'from' => $panel,
                'needs_neutral' => $i === 1 || $may(80),
                'feed_neutral' => $may(90),
                'feed_ground' => $may(95),
            ];
        }

        return ['phases' => 2, 'elements' => $elements];
    }

    /**
     * @param array<string, mixed> $site
     *
     * @return array<string, mixed>
     */
    private static function answer(array $site): array
    {
        return (array) CaseFile::asArray(BondingCheck::of((new BondingReader())->model(Node::fromArray($site)))->answer()->toArray());
    }
}
