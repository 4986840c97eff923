<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Reads a sheet from a file as a proposed version. What is wrong is named by its JSON Pointer, and nothing is changed. */
final readonly class ImportSheet
{
    /** A real sheet is about 2 kB. */
    private const MOST_BYTES = 100_000;

    public function __construct(private TakeSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages(['file' => 'Choose a file to read.']);
        }
        if ($file->getSize() > self::MOST_BYTES) {
            throw ValidationException::withMessages([
                'file' => sprintf(
                    'This file has %s kB; a sheet has 100 kB at most. Nothing was changed.',
                    number_format($file->getSize() / 1000),
                ),
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        try {
            $sheet = $this->sheets->take($file->getContent(), $switch, $user);
        } catch (BadInput $e) {
            throw ValidationException::withMessages([
                'file' => ($e->path === '' ? '' : "At $e->path: ") . $e->getMessage() . ' Nothing was changed.',
            ]);
        }
        if ($sheet === null) {
            throw ValidationException::withMessages([
                'file' => 'Somebody saved a version at this very moment. Nothing was changed; look at it, and import again.',
            ]);
        }

        return redirect()->route('sheet', $switch)->with('said', "Version $sheet->version is read from the file, as proposed.");
    }
}
