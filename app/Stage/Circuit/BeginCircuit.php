<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Models\Circuit;
use App\Models\CircuitTemplate;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Draft\CircuitDraft;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Wire\RelayCheckReader;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Begins a circuit: with a standard one, one of the company, an empty ladder, or a file. */
final readonly class BeginCircuit
{
    private const MOST_BYTES = 200_000;

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'begin' => ['required', 'string', 'max:40'],
            'file' => ['nullable', 'file', 'max:200'],
        ], ['file.max' => 'A circuit is a small file: 200 kB at most.']);
        [$document, $supplies] = $this->begun((string) $fields['begin'], $request, $switch);
        /** @var User $user */
        $user = $request->user();
        KeepCircuit::for($switch, $user, $document, $supplies, static function (?Circuit $kept): void {
            if ($kept !== null) {
                throw ValidationException::withMessages(['begin' => 'This switch has a circuit by now. Edit that one.']);
            }
        });

        return redirect()->route($fields['begin'] === 'blank' ? 'circuit.edit' : 'circuit', $switch);
    }

    /** @return array{string, string} document and supplies */
    private function begun(string $with, Request $request, TransferSwitch $switch): array
    {
        if ($with === 'file') {
            return [self::fromFile($request->file('file')), '{}'];
        }
        if ($with === 'blank') {
            $kind = $switch->site->installation;
            $names = $kind->hasGenerator() ? ['mains', 'gen'] : ['t1', 't2'];
            $blank = CircuitDraft::blank($names[0], $names[1], true);

            return [CircuitFacts::written($blank), $kind->hasGenerator() ? '{"gen":{"engine":{"cooldown_ms":300000}}}' : '{}'];
        }
        $standard = StandardCircuits::all()[$with] ?? null;
        if ($standard !== null) {
            $circuit = (new RelayCheckReader())->circuit(Node::fromArray($standard['circuit']));

            return [CircuitFacts::written($circuit), json_encode((object) $standard['supplies'], JSON_THROW_ON_ERROR)];
        }
        $own = ctype_digit($with) ? CircuitTemplate::query()->find((int) $with) : null;

        return $own === null
            ? throw ValidationException::withMessages(['begin' => 'This template is not there any more.'])
            : [$own->document, $own->supplies];
    }

    /** @param mixed $file what was uploaded */
    public static function fromFile(mixed $file): string
    {
        $text = $file instanceof UploadedFile ? (string) file_get_contents($file->getRealPath(), length: self::MOST_BYTES) : '';
        if ($text === '') {
            throw ValidationException::withMessages(['file' => 'Choose a file: a circuit as JSON.']);
        }
        try {
            return CircuitFacts::written(CircuitFacts::read($text));
        } catch (BadInput $bad) {
            $place = $bad->path === '' ? 'The file' : "At $bad->path";
            throw ValidationException::withMessages(['file' => "$place: " . $bad->getMessage()]);
        }
    }
}
