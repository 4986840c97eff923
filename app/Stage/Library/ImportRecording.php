<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Bridge\RecordingSeries;
use App\Models\Recording;
use App\Models\User;
use App\Stage\ColumnChoice;
use App\Stage\RecordingUpload;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Reads a recording into RMS steps and keeps those. A fault is reported with its line or byte, and nothing is kept. */
final readonly class ImportRecording
{
    public function __invoke(RecordingRequest $request): RedirectResponse
    {
        $phases = $request->integer('phases');
        try {
            $upload = RecordingUpload::of(RecordingUpload::files($request));
            $choice = ColumnChoice::for($upload, $request, $phases);
            if (count($choice->columns->phases) !== $phases) {
                throw RecordingFault::whole(
                    "$phases voltages are needed; " . count($choice->columns->phases) . ' were found. Say which columns they are.',
                );
            }
            $series = $upload->read(
                $choice->columns,
                $phases,
                (float) $request->validated('nominal_v'),
                (float) $request->validated('nominal_hz'),
            );
        } catch (RecordingFault $fault) {
            throw ValidationException::withMessages(['files' => $fault->getMessage() . ' Nothing was kept.']);
        }
        /** @var User $user */
        $user = $request->user();
        $config = $upload->config();
        $how = $config === null ? ($choice->columns->isWaveform ? 'a table of samples' : 'a table of RMS values')
            : "COMTRADE {$config->format->value}, " . ($config->isWaveform() ? sprintf(
                '%d samples at %s a second',
                $config->samples(),
                $config->rates[0]['rate'],
            ) : "{$config->samples()} values");
        $recording = DB::transaction(static function () use ($request, $user, $series, $choice, $phases, $upload, $how): Recording {
            $choice->remember($user);

            return Recording::query()->create([
                'company_id' => $user->company_id,
                'user_id' => $user->id,
                'name' => $request->string('name')->toString(),
                'source' => "From $upload->name, $how",
                'phases' => $phases, 'nominal_v' => (float) $request->validated('nominal_v'),
                'nominal_hz' => (float) $request->validated('nominal_hz'),
                'until_ms' => $series->untilMs, 'points' => count($series->atMs), 'series' => RecordingSeries::pack($series),
            ]);
        });

        return redirect()->route('recording', $recording)->with(
            'said',
            "\"$recording->name\" is read: $recording->points different values.",
        );
    }
}
