<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\RecordedRun;
use App\Models\ImportedRun;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Validation\ValidationException;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Brings in a run that was exported elsewhere. What does not fit is named by its JSON Pointer, and nothing is kept. */
final readonly class ImportRun
{
    private const MOST_BYTES = 20_000_000;

    public function __invoke(Request $request): RedirectResponse
    {
        $file = $request->file('run');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > self::MOST_BYTES) {
            throw ValidationException::withMessages(['run' => 'Choose a run as JSON of 20 MB at most.']);
        }
        try {
            $export = Node::fromJson($file->getContent());
            $this->fits($export);
            $report = new Report(RecordedRun::of($export));
        } catch (BadInput $e) {
            throw ValidationException::withMessages([
                'run' => ($e->path === '' ? '' : "At $e->path: ") . $e->getMessage() . ' Nothing was kept.',
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        $run = $report->run;
        $imported = ImportedRun::query()->firstOrCreate(
            ['company_id' => $user->company_id, 'head' => $run->head],
            [
                'user_id' => $user->id,
                'site' => mb_substr($run->switch->site->name, 0, 120),
                'verdict' => $run->verdict,
                'document' => $file->getContent(),
            ],
        );

        return redirect()->route('imported', $imported)->with(
            'said',
            $imported->wasRecentlyCreated ? 'The run is imported. Its record verifies.' : 'This run was here already.',
        );
    }

    /** @throws BadInput at the first thing that the published schema does not have */
    private function fits(Node $export): void
    {
        $error = (new Validator())->validate($export->value, File::get(base_path('docs/schema/run.schema.json')))->error();
        while ($error instanceof ValidationError && $error->subErrors() !== []) {
            $error = $error->subErrors()[0];
        }
        if ($error !== null) {
            throw new BadInput('/' . implode('/', $error->data()->fullPath()), (new ErrorFormatter())->formatErrorMessage($error) . '.');
        }
    }
}
