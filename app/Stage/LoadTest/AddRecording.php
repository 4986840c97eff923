<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\RecordingSeries;
use App\Bridge\SwitchFacts;
use App\Models\LoadTest;
use App\Models\Recording;
use App\Models\User;
use App\Stage\ColumnChoice;
use App\Stage\RecordingUpload;
use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\RecordedWave;
use Escapement\Core\LoadTest\StepTransients;
use Escapement\Core\LoadTest\TransientInput;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\Series;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * A fast recording of load steps: read, its steps found or given, and judged; a fault is shown with its line or byte, and nothing is
 * kept.
 */
final readonly class AddRecording
{
    private const PRE_MS = 1000.0;
    private const WINDOW_MS = 15_000.0;
    private const SETTLE_MS = 1000.0;
    private const STAY_MS = 500.0;
    private const SIDE_MS = 500.0;
    private const MOST_STEPS = 40;

    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        abort_if($test->isClosed(), 409, 'This test is closed; its recordings stay as they are.');
        $fields = $request->validate([
            'phases' => ['required', 'integer', 'between:1,3'], 'class' => ['required', 'in:G1,G2,G3'],
            'step_kw' => ['nullable', 'numeric', 'gt:0'], 'given' => ['nullable', 'string', 'max:2000'],
        ], [
            'phases.*' => 'One, two or three voltages.', 'class.*' => 'Choose a class.',
            'step_kw.*' => 'Kilowatts above 0.', 'given.*' => 'Up to 2000 characters.',
        ]);
        $given = $this->given((string) ($fields['given'] ?? ''));
        $supply = (new SwitchFacts($test->switch->load(['site', 'loads', 'plan'])))->plant->emergency;
        try {
            $upload = RecordingUpload::of(RecordingUpload::files($request));
            $choice = ColumnChoice::for($upload, $request, (int) $fields['phases']);
            $volts = $upload->read($choice->columns, (int) $fields['phases'], (float) $supply->nominalV, (float) $supply->nominalHz);
            $power = $given !== [] ? null : $upload->power($choice->columns, $choice->kw, $choice->kwScale);
        } catch (RecordingFault $fault) {
            throw ValidationException::withMessages(['files' => $fault->getMessage() . ' Nothing was kept.']);
        }
        if ($given === [] && $power === null) {
            throw ValidationException::withMessages([
                'given' => 'The recording has no column of power: say where its steps are, as 12.5: 0 > 8.',
            ]);
        }
        if ($given !== [] && $given[count($given) - 1]->tMs > $volts->untilMs) {
            throw ValidationException::withMessages([
                'given' => sprintf('The recording ends at %.1f s, before the last step.', $volts->untilMs / 1000),
            ]);
        }
        $input = $this->input($test, $volts, $power, $given, (float) ($fields['step_kw'] ?? 0), GovernorClass::from($fields['class']));
        $this->keep($test, $request->user(), $upload, $choice, $volts, $input);

        return redirect()->route('load-test', [$test, '#recordings'])->with('said', 'The recording is read.');
    }

    /** @param list<GivenStep> $given */
    private function input(
        LoadTest $test,
        Series $volts,
        ?Series $power,
        array $given,
        float $stepKw,
        GovernorClass $class,
    ): TransientInput {
        $supply = (new SwitchFacts($test->switch))->plant->emergency;
        $nameplateKw = (float) ((new LoadTestFacts($test->switch))->nameplateKw() ?? 0.0);

        return new TransientInput(
            (new RecordedWave($volts, $power, (float) $supply->nominalHz, $given))->wave(),
            $given,
            $given === [] ? ($stepKw > 0 ? $stepKw : max(0.1, $nameplateKw / 20)) : null,
            self::SIDE_MS,
            (float) $supply->nominalV,
            (float) $supply->nominalHz,
            $test->switch->fuel === Fuel::Diesel,
            $class,
            self::PRE_MS,
            self::WINDOW_MS,
            self::SETTLE_MS,
            self::STAY_MS,
        );
    }

    private function keep(
        LoadTest $test,
        mixed $user,
        RecordingUpload $upload,
        ColumnChoice $choice,
        Series $volts,
        TransientInput $input,
    ): void {
        if (! $user instanceof User) {
            throw new \LogicException('Nobody is signed in.');
        }
        $steps = json_decode(json_encode(ResultWriter::write((new StepTransients())->judge($input)), JSON_THROW_ON_ERROR), true);
        DB::transaction(function () use ($test, $user, $upload, $choice, $volts, $input, $steps): void {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its recordings stay as they are.');
            $choice->remember($user);
            $recording = Recording::query()->create([
                'company_id' => $locked->company_id, 'user_id' => $user->id, 'load_test_id' => $locked->id,
                'name' => mb_substr("Load test $locked->id: $upload->name", 0, 80), 'source' => "From $upload->name",
                'phases' => count($volts->v), 'nominal_v' => $input->nominalV, 'nominal_hz' => $input->nominalHz,
                'until_ms' => $volts->untilMs, 'points' => count($volts->atMs), 'series' => RecordingSeries::pack($volts),
                'steps' => (is_array($steps) ? $steps : []) + ['class' => $input->class->value],
            ]);
            $this->book->recording($locked, $user, $recording);
        });
    }

    /**
     * Lines such as "12.5: 0 > 8": seconds in the recording, kilowatts before and after.
     *
     * @return list<GivenStep>
     */
    private function given(string $typed): array
    {
        $steps = [];
        $number = '(\d+(?:[.,]\d+)?)';
        foreach (preg_split('/[;\n]+/', $typed) ?: [] as $line) {
            if (trim($line) === '') {
                continue;
            }
            if (preg_match(
                "/^\\s*$number\\s*(?:s)?\\s*:\\s*$number\\s*(?:kW)?\\s*(?:>|->|→|to)\\s*$number\\s*(?:kW)?\\s*$/u",
                $line,
                $found,
            ) !== 1) {
                throw ValidationException::withMessages([
                    'given' => '"' . trim($line) . '" is no step. Write seconds: kW > kW, as 12.5: 0 > 8.',
                ]);
            }
            [$s, $from, $to] = array_map(static fn(string $one): float => (float) str_replace(',', '.', $one), array_slice($found, 1));
            if ($s <= 0 || $steps !== [] && 1000 * $s <= $steps[count($steps) - 1]->tMs) {
                throw ValidationException::withMessages(['given' => 'The steps go on in time, from after the beginning of the recording.']);
            }
            $steps[] = new GivenStep(1000 * $s, $from, $to);
        }
        if (count($steps) > self::MOST_STEPS) {
            throw ValidationException::withMessages(['given' => 'Up to ' . self::MOST_STEPS . ' steps of one recording.']);
        }

        return $steps;
    }
}
