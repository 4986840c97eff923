<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\SwitchFacts;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\CheckReader;
use Escapement\Core\Wire\SettingsReader;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Reads a sheet from a file as a proposed version. What is wrong is named by its JSON Pointer, and nothing is changed. */
final readonly class ImportSheet
{
    /** A real sheet is about 2 kB. */
    private const MOST_BYTES = 100_000;

    public function __construct(private WriteSheet $sheets) {}

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
        try {
            [$settings, $habits, $note] = $this->read($file->getContent(), new SwitchFacts($switch));
        } catch (BadInput $e) {
            throw ValidationException::withMessages([
                'file' => ($e->path === '' ? '' : "At $e->path: ") . $e->getMessage() . ' Nothing was changed.',
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        $sheet = $this->sheets->write(
            $switch,
            $settings,
            $habits,
            Standing::Proposed,
            $note,
            $user,
            (int) $switch->sheets()->max('version'),
        );
        if ($sheet === null) {
            throw ValidationException::withMessages([
                'file' => 'Somebody saved a version at this very moment. Nothing was changed; look at it, and import again.',
            ]);
        }

        return redirect()->route('sheet', $switch)->with('said', "Version $sheet->version is read from the file, as proposed.");
    }

    /** @return array{array<string, mixed>, array<string, mixed>, ?string} settings, habits, note */
    private function read(string $json, SwitchFacts $facts): array
    {
        $object = Node::fromJson($json)->object();
        $object->required('format')->oneOf([ExportSheet::FORMAT]);
        foreach (['site', 'switch', 'version', 'standing', 'author', 'written_at', 'check'] as $told) {
            $object->optional($told); // who wrote it where: told by the file, not taken over
        }
        $note = $object->nullable('note')?->text(500);
        $settings = (new SettingsReader())->settings($object->required('settings'), $facts->plant);
        $habitsNode = $object->optional('habits');
        if ($habitsNode !== null) {
            (new CheckReader())->site($habitsNode);
        }
        $object->close();
        $habits = $habitsNode === null ? [] : json_decode(
            json_encode($habitsNode->value, JSON_THROW_ON_ERROR),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );

        return [$settings->toWire(), is_array($habits) ? $habits : [], $note];
    }
}
