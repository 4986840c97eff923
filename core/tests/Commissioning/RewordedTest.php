<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepRow;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Materials\MaterialLine;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Terminations\Feeder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Words may change: nothing is reopened, unticked or proved anew by it. */
final class RewordedTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function rewording_every_sentence_of_the_procedure_reopens_nothing(InstallationKind $kind): void
    {
        $before = $this->procedure($kind)->steps();
        $answers = array_map(
            static fn(Step $step): JudgedAnswer => new JudgedAnswer($step->id, $step->expectation, Verdict::AsExpected, $step->expected),
            $before,
        );
        $reworded = $this->procedure($kind, array_map(self::reworded(...), self::rows()));
        $after = $reworded->steps();
        self::assertSame(array_column($before, 'id'), array_column($after, 'id'));
        self::assertNotSame(array_column($before, 'title'), array_column($after, 'title'));
        self::assertSame([], $reworded->reopened($answers));
        self::assertEquals(Progress::of($before, $answers)->states, Progress::of($after, $answers)->states);
        foreach ($after as $i => $step) {
            self::assertSame(array_keys($before[$i]->choices), array_keys($step->choices), $step->id);
        }
    }

    #[Test]
    public function an_answer_from_before_data_was_kept_stands_where_its_step_is_the_same_everywhere(): void
    {
        $old = array_map(
            static fn(Step $step): JudgedAnswer => new JudgedAnswer($step->id, $step->expectation, Verdict::AsExpected),
            $this->procedure(InstallationKind::WholeHouse)->steps(),
        );
        $reworded = $this->procedure(InstallationKind::WholeHouse, array_map(self::reworded(...), self::rows()));
        $open = array_column($reworded->reopened($old), 'id');
        foreach ($reworded->steps() as $step) {
            self::assertSame(
                ! $step->isTheSameEverywhere() && $step->band === null && $step->window === null,
                in_array($step->id, $open, true),
                $step->id,
            );
        }
    }

    #[Test]
    public function a_row_that_asks_for_something_else_says_so_by_its_version(): void
    {
        $rows = array_map(static fn(StepRow $row): StepRow => $row->id === 'briefing' ? self::reworded($row, 2) : $row, self::rows());
        $answers = array_map(
            static fn(Step $step): JudgedAnswer => new JudgedAnswer($step->id, $step->expectation, Verdict::AsExpected, $step->expected),
            $this->procedure(InstallationKind::WholeHouse)->steps(),
        );
        self::assertSame(
            ['isolate/briefing'],
            array_column($this->procedure(InstallationKind::WholeHouse, $rows)->reopened($answers), 'id'),
        );
    }

    #[Test, DataProvider('kinds')]
    public function rewording_every_material_unticks_nothing(InstallationKind $kind): void
    {
        $feeders = [
            new Feeder('Service', 'meter', 'ats', ['L1', 'L2'], 'al', '4/0', '4', 2, 'pvc40', '2', 12.0),
            new Feeder('Generator', 'gen', 'ats', ['L1', 'L2'], 'cu', '1/0', '6', 1, 'lfmc', '1-1/4', 8.0),
        ];
        $list = static fn(?array $words): array => (new MaterialsList(
            $kind,
            $feeders,
            3,
            25,
            ['5/16', '3/8'],
            true,
            true,
            [],
            $words,
        ))->lines();
        $before = $list(null);
        /** @var array<string, array{string, string, string}> $words */
        $words = require dirname(__DIR__, 2) . '/data/materials.php';
        $after = $list(array_map(static fn(array $row): array => [$row[0], "Another word for it: $row[1]", 'For another reason.'], $words));
        $keys = array_map(static fn(MaterialLine $line): string => $line->key, $before);
        self::assertSame($keys, array_map(static fn(MaterialLine $line): string => $line->key, $after));
        self::assertSame($keys, array_unique($keys), 'no two things share a tick');
        self::assertNotEquals($before, $after);
        self::assertContains(MaterialsList::torqueToolKey(), $keys);
    }

    #[Test]
    public function a_tenth_more_is_a_tenth_and_not_a_piece_more_by_the_way(): void
    {
        $lines = (new MaterialsList(InstallationKind::WholeHouse, [], 0, 25))->lines();
        $ferrules = array_values(array_filter($lines, static fn(MaterialLine $line): bool => $line->key === 'material-ferrules'));
        self::assertSame(55.0, $ferrules[0]->quantity);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /** @param ?list<StepRow> $rows */
    private function procedure(InstallationKind $kind, ?array $rows = null): Procedure
    {
        $template = new SheetTemplate($kind);

        return new Procedure($kind->value, $template->plant(), $template->settings(), rows: $rows);
    }

    /** @return list<StepRow> */
    private static function rows(): array
    {
        /** @var list<StepRow> */
        return require dirname(__DIR__, 2) . '/data/procedure.php';
    }

    private static function reworded(StepRow $row, int|string $version = 0): StepRow
    {
        $other = static fn(string $text): string => $text === '' ? '' : "In other words: $text";

        return new StepRow(
            $row->stage,
            $row->id,
            $row->kind,
            $other($row->title),
            $other($row->why),
            $other($row->expect),
            $other($row->ifNot),
            $row->hazard === null ? null : $other($row->hazard),
            $row->kinds,
            $row->plants,
            $row->when,
            $row->per,
            $row->band,
            $other($row->instrument),
            array_map($other, $row->choices),
            $row->after,
            $row->isHold,
            $row->mayBeSkipped,
            $row->asks === null ? null : $other($row->asks),
            $row->tick === null ? null : $other($row->tick),
            is_int($version) && $version > 0 ? $version : $row->version,
            $row->since,
            $row->until,
        );
    }
}
