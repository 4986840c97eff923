<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\ProofFacts;
use App\Models\LoadTest;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Closes a load test with the verdict of its readings. */
final readonly class CloseLoadTest
{
    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        $fields = $request->validate(['name' => ['required', 'string', 'max:120']], ['name.*' => 'Your name.']);
        $result = DB::transaction(static function () use ($test, $fields): ?LoadTestResult {
            $locked = LoadTest::locked($test->id);
            $locked->load(['readings', 'switch.site', 'switch.loads', 'switch.plan']);
            $result = $locked->isClosed() ? null : (new LoadTestFacts($locked->switch))->evaluated($locked);
            if ($result !== null) {
                $locked->update([
                    'closed_at' => now(), 'closed_by' => $fields['name'], 'verdict' => $result->verdict,
                    'result' => ResultWriter::write($result), 'basis' => ProofFacts::ofLoadTest($locked->switch),
                ]);
            }

            return $result;
        });
        if ($result === null && ! $test->refresh()->isClosed()) {
            throw ValidationException::withMessages(['name' => 'Nothing was read yet: there is nothing to close.']);
        }

        return redirect()->route('load-test', $test)->with('said', 'The test is closed.');
    }
}
