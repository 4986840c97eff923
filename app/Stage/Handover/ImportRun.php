<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\RecordedRun;
use App\Bridge\RecordedTest;
use App\Models\ImportedRun;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\LoadTestRecord;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Validation\ValidationException;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Imports a run or a load test that was exported elsewhere. What does not fit is named by its JSON Pointer, and nothing is kept. */
final readonly class ImportRun
{
    private const MOST_BYTES = 20_000_000;

    public function __invoke(Request $request): RedirectResponse
    {
        $file = $request->file('run');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > self::MOST_BYTES) {
            throw ValidationException::withMessages(['run' => 'Choose a run or a load test as JSON of 20 MB at most.']);
        }
        try {
            $columns = $this->columns(Node::fromJson($file->getContent()));
        } catch (BadInput $e) {
            throw ValidationException::withMessages([
                'run' => ($e->path === '' ? '' : "At $e->path: ") . $e->getMessage() . ' Nothing was kept.',
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        $imported = ImportedRun::query()->firstOrCreate(
            ['company_id' => $user->company_id, 'head' => $columns['head']],
            $columns + ['user_id' => $user->id, 'document' => $file->getContent()],
        );
        $what = $imported->isLoadTest() ? 'load test' : 'run';

        return redirect()->route('imported', $imported)->with(
            'said',
            $imported->wasRecentlyCreated ? "The $what is imported. Its record verifies." : "This $what was here already.",
        );
    }

    /**
     * @return array{kind: string, site: string, verdict: ?string, head: string}
     *
     * @throws BadInput
     */
    private function columns(Node $export): array
    {
        $isLoadTest = $export->object()->required('format')->value === LoadTestRecord::FORMAT;
        $this->fits($export, $isLoadTest ? 'load-test' : 'run');
        $made = $isLoadTest ? RecordedTest::of($export)->test : (new Report(RecordedRun::of($export)))->run;

        return [
            'kind' => $isLoadTest ? ImportedRun::LOAD_TEST : ImportedRun::RUN,
            'site' => mb_substr($made->switch->site->name, 0, 120), 'verdict' => $made->verdict, 'head' => $made->head,
        ];
    }

    /** @throws BadInput at the first thing that the published schema does not have */
    private function fits(Node $export, string $schema): void
    {
        $error = (new Validator())->validate($export->value, File::get(base_path("docs/schema/$schema.schema.json")))->error();
        while ($error instanceof ValidationError && $error->subErrors() !== []) {
            $error = $error->subErrors()[0];
        }
        if ($error !== null) {
            throw new BadInput('/' . implode('/', $error->data()->fullPath()), (new ErrorFormatter())->formatErrorMessage($error) . '.');
        }
    }
}
