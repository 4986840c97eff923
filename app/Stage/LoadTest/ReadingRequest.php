<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\Units;
use App\Models\LoadTest;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\ValidationException;

/** One reading as it is typed on site, in the units of the site. */
final readonly class ReadingRequest
{
    public function __construct(private LoadTest $test, private int $phases) {}

    /**
     * @param array<mixed> $typed `taken_at` of a device, else the hour on site as `time`
     *
     * @return array<string, mixed> columns of a reading
     *
     * @throws ValidationException
     */
    public function columns(array $typed): array
    {
        $site = $this->test->switch->site;
        $units = new Units($site->units);
        $legs = ['array', "size:$this->phases"];
        $fields = Validator::make($typed, [
            'id' => ['required', 'uuid'], 'time' => ['required_without:taken_at', 'date_format:H:i:s,H:i'],
            'taken_at' => ['nullable', 'date_format:Y-m-d\\TH:i:s.v\\Z'],
            'v' => ['required', ...$legs], 'v.*' => ['required', 'numeric', 'between:0,1000'],
            'a' => ['required', ...$legs], 'a.*' => ['required', 'numeric', 'between:0,10000'],
            'hz' => ['required', 'numeric', 'between:0,100'], 'kw' => ['nullable', 'numeric', 'between:0,100000'],
            'oil' => ['nullable', 'numeric', 'between:0,2000'], 'coolant' => ['nullable', 'numeric', 'between:-60,400'],
            'exhaust' => ['nullable', 'numeric', 'between:-60,2000'], 'battery_v' => ['nullable', 'numeric', 'between:0,60'],
            'note' => ['nullable', 'string', 'max:300'],
        ], [
            'time.*' => 'The hour on site, as 14:35.', 'v.*.*' => 'Volts of this leg, from 0 to 1000.',
            'a.*.*' => 'Amperes of this leg, from 0 to 10 000.', 'hz.*' => 'Hertz, as 60.02.', 'kw.*' => 'Kilowatts, or nothing.',
            'oil.*' => 'A number, or nothing.', 'coolant.*' => 'A number, or nothing.', 'exhaust.*' => 'A number, or nothing.',
            'battery_v.*' => 'Volts, or nothing.', 'note.*' => 'Up to 300 characters.',
        ])->validate();
        // to the places that are kept: the record says what the table does
        $number = static fn(string $key, int $places = 3): ?float => isset($fields[$key]) ? round((float) $fields[$key], $places) : null;
        $celsius = static fn(?float $typed): ?float => $typed === null ? null : round($units->toCelsius($typed), 1);
        $oil = $number('oil');

        return [
            'id' => strtolower($fields['id']), 'taken_at' => isset($fields['taken_at'])
                ? Carbon::parse((string) $fields['taken_at'])
                : SiteHour::last((string) $fields['time'], $site->timezone),
            'v_v' => array_map(floatval(...), array_values($fields['v'])), 'a_a' => array_map(floatval(...), array_values($fields['a'])),
            'hz' => $number('hz'), 'kw' => $number('kw'),
            'oil_kpa' => $oil === null ? null : round($units->toKilopascals($oil), 1),
            'coolant_c' => $celsius($number('coolant')), 'exhaust_c' => $celsius($number('exhaust')),
            'battery_v' => $number('battery_v', 2),
            'note' => $fields['note'] ?? null,
        ];
    }
}
