<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadTest;
use App\Models\PartProof;
use App\Models\Run;
use App\Models\TransferSwitch;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Proof\PartRecord;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\Proof\RunParts;
use Escapement\Core\Commissioning\Proof\Standing;
use Escapement\Core\Commissioning\Proof\StandingInput;
use Escapement\Core\Commissioning\Proof\StandingResult;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\LoadTest\ClosedTest;
use Escapement\Core\LoadTest\CountingTests;
use Escapement\Core\SettingsCheck\ExpectedTimes;

/** The parts of a proof, asked of the core: what a run says to them, and where a switch stands by all its signed runs. */
final readonly class ProofFromRuns
{
    /** Needs of the run: sheet, answers, switch.site, switch.loads, switch.plan. */
    public static function parts(Run $run, TimingVerdictResult $timing, bool $isDeclaredReady = false): RunParts
    {
        $facts = new ProcedureFacts($run);

        return new RunParts(
            $run->switch->site->installation,
            (new SwitchFacts($run->switch, $run->plantThen()))->plant->kind,
            array_values($facts->steps),
            $facts->progress($timing->runs),
            $timing,
            $isDeclaredReady,
        );
    }

    /** Needs of the switch: site, loads, plan, sheet, run, proofs, closedLoadTests, upkeep. */
    public static function standing(TransferSwitch $switch): StandingResult
    {
        $facts = new SwitchFacts($switch);
        $settings = $switch->sheet === null ? null : $facts->settings($switch->sheet->settings);

        return (new Standing())->of(new StandingInput(
            $switch->site->installation,
            $facts->plant->kind,
            $settings !== null && (new ExpectedTimes($facts->plant, $settings))->baitMs !== null,
            (bool) ($switch->run->options['bait'] ?? (new ProcedureOptions())->hasBait),
            $switch->upkeep !== null && $switch->site->installation->hasGenerator() && $switch->fuel?->value !== 'battery',
            [...self::ofLoadTests($switch), ...array_values($switch->proofs->filter(
                static fn(PartProof $proof): bool => $proof->outcome !== 'open',
            )->map(static fn(PartProof $proof): PartRecord => new PartRecord(
                $proof->part,
                $proof->outcome !== 'failed',
                $proof->outcome === 'noted',
                $proof->proved_at->toIso8601ZuluString('millisecond'),
                "Run $proof->run_id",
                $proof->by_name,
                $proof->why,
                $proof->basis,
                $proof->edition,
            ))->all())],
            ProofFacts::now($switch),
        ));
    }

    /** Which load tests of the switch count. Needs of the switch: closedLoadTests. */
    public static function counting(TransferSwitch $switch): CountingTests
    {
        return new CountingTests(array_values($switch->closedLoadTests->map(
            static fn(LoadTest $test): ClosedTest => new ClosedTest($test->id, $test->verdict ?? 'not_proven', $test->top_pct),
        )->all()));
    }

    /** @return list<PartRecord> a load test that was closed without a verdict says nothing */
    private static function ofLoadTests(TransferSwitch $switch): array
    {
        $records = [];
        $counting = array_map(static fn(ClosedTest $one): int => $one->id, self::counting($switch)->tests);
        foreach ($switch->closedLoadTests as $test) {
            if ($test->closed_at !== null && in_array($test->id, $counting, true)) {
                $records[] = new PartRecord(
                    ProofPart::LoadTest,
                    $test->verdict === 'pass',
                    false,
                    $test->closed_at->toIso8601ZuluString('millisecond'),
                    "Load test $test->id",
                    (string) $test->closed_by,
                    $test->verdict === 'pass' ? [] : ['The load test failed.'],
                    $test->basis ?? [],
                );
            }
        }

        return $records;
    }
}
