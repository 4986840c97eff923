<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\ProofFacts;
use App\Models\LoadTest;
use App\Models\Run;
use App\Models\User;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Signs and closes a load test with the verdict of its readings. */
final readonly class CloseLoadTest
{
    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        $fields = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'signed_drawing' => ['nullable', 'string', 'max:20000', 'regex:' . Run::DRAWING],
        ], ['name.*' => 'Your name.', 'signed_drawing.*' => 'The drawing could not be read; draw it again.']);
        /** @var User $user */
        $user = $request->user();
        $said = DB::transaction(function () use ($test, $user, $fields): string {
            $locked = LoadTest::locked($test->id);
            if ($locked->isClosed()) {
                return "This test was closed by $locked->closed_by already.";
            }
            $locked->load(['readings', 'recordings', 'switch.site', 'switch.loads', 'switch.plan']);
            $facts = new LoadTestFacts($locked->switch);
            $result = $facts->evaluated($locked);
            if ($result === null) {
                throw ValidationException::withMessages(['name' => 'Nothing was read yet: there is nothing to close.']);
            }
            $drawing = $fields['signed_drawing'] ?? null;
            $this->book->sign($locked, $user, $fields['name'], $drawing, $result->verdict, $facts->evaluationInput($locked) ?? []);
            $locked->update([
                'closed_at' => now(), 'closed_by' => $fields['name'], 'signed_drawing' => $drawing, 'verdict' => $result->verdict,
                'result' => ResultWriter::write($result), 'basis' => ProofFacts::ofLoadTest($locked->switch),
            ]);

            return 'The test is signed and closed; what comes later is an amendment.';
        });

        return redirect()->route('load-test', $test)->with('said', $said);
    }
}
