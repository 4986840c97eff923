<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Bridge\RecordingSeries;
use App\Bridge\SwitchFacts;
use App\Bridge\Units;
use App\Models\Recording;
use App\Models\Sheet;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Recording\Climate;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Wire\CompareReader;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** A season as a person describes it: the disturbances, drawn or recorded, and the sheets to try. */
final class SeasonRequest extends FormRequest
{
    public const MOST_CANDIDATES = 20;
    /** The delays and limits worth trying one against the other; seconds, percent for the drop-out. */
    public const TURNS = [
        '/start_delay_ms' => 1000, '/return_delay_ms' => 1000, '/transfer_delay_ms' => 1000, '/cooldown_ms' => 1000,
        '/sensing/normal/dropout_delay_ms' => 1000, '/sensing/normal/under_voltage/dropout_pct' => 1,
    ];

    /** @return array<string, array<int, mixed>> */
    public function rules(): array
    {
        $rate = ['required_without:recording', 'nullable', 'numeric', 'between:0,10000'];
        $seconds = ['required_without:recording', 'nullable', 'numeric', 'between:0.05,31536000'];

        return [
            'recording' => ['nullable', 'integer'],
            'blinks' => $rate, 'sags' => $rate, 'outages' => $rate,
            'blink_s' => $seconds, 'sag_s' => $seconds, 'outage_least_s' => $seconds, 'outage_most_s' => $seconds,
            'sag_pct' => ['required_without:recording', 'nullable', 'numeric', 'between:0,89'],
            'false_pct' => ['required_without:recording', 'nullable', 'numeric', 'between:0,100'],
            'days' => ['required_without:recording', 'nullable', 'integer', 'between:1,365'],
            'seed' => ['required_without:recording', 'nullable', 'integer', 'between:0,999999999'],
            'versions' => ['array', 'max:20'], 'versions.*' => ['integer'],
            'turn' => ['nullable', 'string', 'in:' . implode(',', array_keys(self::TURNS))],
            'turn_from' => ['required_with:turn', 'nullable', 'numeric', 'between:0,31536000'],
            'turn_to' => ['required_with:turn', 'nullable', 'numeric', 'between:0,31536000'],
            'turn_steps' => ['required_with:turn', 'nullable', 'integer', 'between:2,20'],
            'idle_burn' => ['nullable', 'numeric', 'between:0,1000'],
            'loaded_burn' => ['nullable', 'required_with:idle_burn', 'numeric', 'between:0,1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'blinks.*' => 'How many a year, from 0 to 10 000.',
            'sags.*' => 'How many a year, from 0 to 10 000.',
            'outages.*' => 'How many a year, from 0 to 10 000.',
            'blink_s.*' => 'Seconds, from 0.05.',
            'sag_s.*' => 'Seconds, from 0.05.',
            'outage_least_s.*' => 'Seconds, from 0.05.',
            'outage_most_s.*' => 'Seconds, from 0.05.',
            'sag_pct.*' => 'Percent of nominal, from 0 to 89.',
            'false_pct.*' => 'Percent of the outages, from 0 to 100.',
            'days.*' => 'Days, from 1 to 365.',
            'seed.*' => 'A whole number.',
            'turn_from.*' => 'Where to begin, a number from 0.',
            'turn_to.*' => 'Where to end, a number from 0.',
            'turn_steps.*' => 'From 2 to 20 steps.',
            'idle_burn.*' => 'How much an hour, from 0.', 'loaded_burn.*' => 'How much an hour, from 0; both figures are needed.',
        ];
    }

    /**
     * `settings_compare` on the wire, and what to call it.
     *
     * @return array{title: string, input: array<string, mixed>}
     */
    public function season(TransferSwitch $switch): array
    {
        $facts = new SwitchFacts($switch);
        $candidates = $this->candidates($switch, $facts);
        $input = [
            'system' => $facts->plant->toArray(),
            'candidates' => $candidates,
            'loads' => array_map(static fn($load): array => $load->toArray(), $facts->loads()),
        ];
        if ($this->filled('idle_burn')) {
            $units = new Units($switch->site->units);
            $input['fuel'] = [
                'idle_l_h' => $units->toLitres((float) $this->validated('idle_burn')),
                'loaded_l_h' => $units->toLitres((float) $this->validated('loaded_burn')),
            ];
        }
        $recording = $this->filled('recording') ? Recording::query()->find($this->integer('recording')) : null;
        if ($this->filled('recording') && $recording === null) {
            throw ValidationException::withMessages(['recording' => 'There is no such recording.']);
        }
        if ($recording !== null) {
            $series = new RecordingSeries($recording);
            if (! $series->fits($facts->plant->normal)) {
                throw ValidationException::withMessages([
                    'recording' => "\"$recording->name\" has $recording->phases voltages; this supply has {$facts->plant->normal->phases}.",
                ]);
            }
            $sensings = array_map(static fn(array $candidate) => $facts->settings($candidate['settings'])->normal, $candidates);
            $input['recording'] = array_map(
                static fn(ScenarioEvent $event): array => $event->toArray(),
                $series->events($facts->plant->normal, $sensings),
            );
            $input['until_ms'] = min(Node::YEAR_MS, $recording->until_ms + 3_600_000);
            $title = $recording->name;
        } else {
            $input['disturbances'] = $this->climate()->disturbances($facts->plant->normal->nominalV);
            $input['until_ms'] = min(Node::YEAR_MS, ($this->integer('days') + 1) * 86_400_000);
            $title = sprintf('%d days, drawn with seed %d', $this->integer('days'), $this->integer('seed'));
            if (count($input['disturbances']) >= Climate::MOST_DISTURBANCES) {
                throw ValidationException::withMessages(['days' => 'This draws more than 5000 disturbances. Ask for fewer days.']);
            }
        }
        try {
            (new CompareReader())->comparison(Node::fromArray($input));
        } catch (BadInput $e) {
            throw ValidationException::withMessages(['days' => "At $e->path: " . $e->getMessage()]);
        }

        return ['title' => $title, 'input' => $input];
    }

    private function climate(): Climate
    {
        return new Climate(
            (float) $this->validated('blinks'),
            (float) $this->validated('blink_s'),
            (float) $this->validated('sags'),
            (float) $this->validated('sag_pct'),
            (float) $this->validated('sag_s'),
            (float) $this->validated('outages'),
            (float) $this->validated('outage_least_s'),
            (float) $this->validated('outage_most_s'),
            (float) $this->validated('false_pct') / 100,
            $this->integer('days'),
            $this->integer('seed'),
        );
    }

    /** @return list<array{name: string, settings: array<string, mixed>}> */
    private function candidates(TransferSwitch $switch, SwitchFacts $facts): array
    {
        $candidates = [];
        $versions = array_map(intval(...), (array) $this->input('versions', []));
        foreach ($switch->sheets()->whereIn('version', $versions)->orderBy('version')->get() as $sheet) {
            $candidates[] = ['name' => "Version $sheet->version, {$sheet->standing->label()}", 'settings' => $sheet->settings];
        }
        $path = $this->string('turn')->toString();
        $newest = $switch->sheet;
        if ($path !== '' && $newest instanceof Sheet) {
            array_push($candidates, ...$this->turned($facts, $facts->settings($newest->settings), $path));
        }
        if ($candidates === [] || count($candidates) > self::MOST_CANDIDATES) {
            throw ValidationException::withMessages([
                'versions' => 'One to ' . self::MOST_CANDIDATES . ' sheets can be tried; these are ' . count($candidates) . '.',
            ]);
        }

        return $candidates;
    }

    /** @return list<array{name: string, settings: array<string, mixed>}> */
    private function turned(SwitchFacts $facts, Settings $base, string $path): array
    {
        $factor = self::TURNS[$path];
        $steps = $this->integer('turn_steps');
        $turned = [];
        for ($i = 0; $i < $steps; $i++) {
            $from = (float) $this->validated('turn_from');
            $typed = $from + ((float) $this->validated('turn_to') - $from) * $i / ($steps - 1);
            $value = $factor === 1 ? round($typed, 1) : (int) round($typed * $factor);
            $patch = $value;
            foreach (array_reverse(explode('/', substr($path, 1))) as $key) {
                $patch = [$key => $patch];
            }
            $settings = MergePatch::apply($base->toWire(), $patch);
            try {
                $facts->settings($settings);
            } catch (BadInput $e) {
                throw ValidationException::withMessages(['turn_from' => SheetWords::label($path) . " of $typed: " . $e->getMessage()]);
            }
            $turned[SheetWords::label($path) . ' ' . SheetWords::value($path, $value)] = $settings;
        }

        return array_map(
            static fn(string $name, array $settings): array => ['name' => mb_substr($name, 0, 64), 'settings' => $settings],
            array_keys($turned),
            array_values($turned),
        );
    }
}
