<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** Which classes of the app read a document, and of what kind. docs/decisions/0015-which-documents-the-app-reads.md. */
final class DocumentsTest extends TestCase
{
    private const KEPT = [
        'Bridge/BenchFacts', 'Bridge/CircuitFacts', 'Bridge/DistributionFacts', 'Bridge/LoadTestFacts', 'Bridge/MeterFacts',
        'Bridge/ProcedureFacts', 'Bridge/ProcedureWork', 'Bridge/RecordCheck', 'Bridge/SurveyFacts', 'Bridge/SwitchFacts',
        'Bridge/TestPointFacts', 'Bridge/UpkeepFacts', 'Jobs/PlaySeason', 'Models/DeviceProfile', 'Stage/Bench/MarksPage',
        'Stage/Circuit/BeginCircuit', 'Stage/Fleet/FleetPage', 'Stage/LoadTest/TestReport', 'Stage/Plan/PowerDownPage',
        'Stage/Upkeep/LogbookExport',
    ];
    private const TYPED = [
        'Console/Commands/MakeRecording', 'Stage/Plan/SavePowerDown', 'Stage/Rehearsal/ScriptForm', 'Stage/Season/SeasonRequest',
        'Stage/Settings/HabitsRequest', 'Stage/Settings/SheetForm', 'Stage/Survey/SwitchRequest',
    ];
    private const FOREIGN = [
        'Device/Installation', 'Stage/Api/Calculate', 'Stage/Devices/AddProfile', 'Stage/Handover/ImportRun',
        'Stage/Handover/PrintImportedRun', 'Stage/Handover/ShowImportedRun', 'Stage/Library/ImportScenario',
        'Stage/Rehearsal/ScenarioFile', 'Stage/Settings/TakeSheet',
    ];

    #[Test]
    public function a_class_that_reads_a_document_says_which(): void
    {
        $reading = [];
        foreach ((new Finder())->files()->in(dirname(__DIR__, 2) . '/app')->name('*.php')->contains('/\bNode::from|new Node\(/') as $file) {
            $reading[] = substr($file->getRelativePathname(), 0, -4);
        }
        sort($reading);
        $listed = [...self::KEPT, ...self::TYPED, ...self::FOREIGN];
        sort($listed);
        self::assertSame($listed, $reading);
    }

    #[Test]
    public function no_answer_is_written_as_json_to_be_read_back(): void
    {
        $back = [];
        foreach ((new Finder())->files()->in(dirname(__DIR__, 2) . '/app')->name('*.php') as $file) {
            if (preg_match('/Node::from(Array|Json)\([^;]*(->answer\(|->calc\()/', $file->getContents()) === 1) {
                $back[] = $file->getRelativePathname();
            }
        }
        self::assertSame([], $back);
    }
}
