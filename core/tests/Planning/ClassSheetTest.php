<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Planning\AskedFact;
use Escapement\Core\Planning\ClassSheet;
use Escapement\Core\Planning\FactState;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ClassSheetTest extends TestCase
{
    private const FIRST_GROUP = 'What the class asks';

    /** @param list<string> $asked */
    #[Test, DataProvider('classes')]
    public function a_class_asks_for_its_own_facts_and_no_others(?string $class, array $asked): void
    {
        $sheet = new ClassSheet(InstallationKind::ContactorGenerator, $class === null ? [] : ['system_class' => $class]);
        self::assertSame($asked, self::keys($sheet->groups()[self::FIRST_GROUP] ?? []));
    }

    /** @return iterable<string, array{?string, list<string>}> */
    public static function classes(): iterable
    {
        $strict = ['system_class', 'listed', 'electrically_held', 'start_circuit_supervised', 'selective_coordination'];
        yield 'nobody has said' => [null, ['system_class']];
        yield 'no class' => ['none', ['system_class']];
        yield 'optional standby' => ['optional', ['system_class', 'listed']];
        yield 'legally required' => ['legally_required', $strict];
        yield 'emergency' => ['emergency', [...$strict, 'only_class_loads', 'wiring_separate', 'temporary_source_point']];
    }

    #[Test]
    public function a_fact_is_open_then_declared_then_shown(): void
    {
        $state = static function (array $survey, array $shown): FactState {
            $sheet = new ClassSheet(InstallationKind::WholeHouse, $survey, $shown);
            foreach ($sheet->groups()['Short circuit'] ?? [] as $fact) {
                if ($fact->question->key === 'rating_marked') {
                    return $fact->state;
                }
            }
            self::fail('a house asks for the marking');
        };
        self::assertSame(FactState::Open, $state([], []));
        self::assertSame(FactState::Open, $state([], ['rating_marked']), 'a picture alone declares nothing');
        self::assertSame(FactState::Declared, $state(['rating_marked' => 'yes'], []));
        self::assertSame(FactState::Shown, $state(['rating_marked' => 'yes'], ['rating_marked']));
    }

    #[Test]
    public function an_answer_against_it_is_wrong_and_says_what_to_do(): void
    {
        $sheet = new ClassSheet(
            InstallationKind::WholeHouse,
            ['surge_device' => 'no', 'dwelling' => 'yes', 'wall_m' => 0.3, 'source_sign' => 'yes'],
            raised: [Register::finding('too-close-to-combustible-wall', ['distance' => '0.3 m', 'least' => '1.5 m'])],
        );
        $facts = array_merge(...array_values($sheet->groups()));
        $wrong = array_filter($facts, static fn(AskedFact $fact): bool => $fact->against !== null);
        self::assertSame(['surge_device', 'wall_m'], self::keys(array_values($wrong)));
        self::assertSame([Severity::Warn, Severity::Stop], array_map(static fn(AskedFact $fact) => $fact->against, array_values($wrong)));
        foreach ($facts as $fact) {
            self::assertNotSame('', $fact->finding->reason, $fact->question->key);
        }
    }

    #[Test]
    public function every_type_has_a_sheet_and_a_vehicle_is_asked_nothing_of_a_service(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $groups = (new ClassSheet($kind, []))->groups();
            self::assertNotSame([], $groups, $kind->value);
            self::assertSame($kind->isMobile(), ! isset($groups['Service and source']), $kind->value);
            $counts = (new ClassSheet($kind, []))->counts();
            self::assertSame([0, 0], [$counts['declared'], $counts['shown']], $kind->value);
            self::assertSame(count(array_merge(...array_values($groups))), $counts['open']);
        }
    }

    #[Test]
    public function every_article_belongs_to_a_finding_that_exists(): void
    {
        $ids = array_map(static fn($entry): string => $entry->id, Register::all());
        /** @var array<string, string> $references */
        $references = require __DIR__ . '/../../data/references.php';
        self::assertSame([], array_values(array_diff(array_keys($references), $ids)));
        self::assertSame('NEC 110.9', Register::reference('interrupting-rating-exceeded'));
        self::assertNull(Register::reference('no-slack'));
    }

    /**
     * @param list<AskedFact> $facts
     *
     * @return list<string>
     */
    private static function keys(array $facts): array
    {
        return array_map(static fn(AskedFact $fact): string => $fact->question->key, $facts);
    }
}
