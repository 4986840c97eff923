<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\SourceFacts;
use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Illuminate\Http\Request;

/** Lines of loads as forms, tables and the library know them: one list of columns for all three. */
final readonly class LoadLines
{
    public const FIGURES = ['kw', 'start_kva', 'duty_pct', 'priority'];
    public const TICKS = [
        'must_run' => 'Must run',
        'essential' => 'Essential',
        'shed' => 'May be shed',
        'compressor' => 'Compressor',
        'sensitive' => 'Sulks at a blink',
        'ups' => 'On a UPS',
    ];
    private const WORDS = [
        'L1' => 'L1', 'L2' => 'L2', 'L3' => 'L3', 'L1L2' => 'L1 L2', 'L2L3' => 'L2 L3', 'L3L1' => 'L3 L1', '3P' => 'all three',
    ];
    public const MOST = 200;

    /** @return array<string, string> the ways a load can be connected on the supply of this switch, in words; not known is one of them */
    public static function connections(TransferSwitch $switch): array
    {
        return ['' => 'not known'] + array_intersect_key(self::WORDS, array_flip(SourceFacts::systemOf($switch)->connections()));
    }

    /** @return list<array<string, mixed>> what was typed, without the empty lines */
    public static function typed(Request $request): array
    {
        return array_values(array_filter(
            (array) $request->input('loads', []),
            static fn(mixed $line): bool => is_array($line) && (trim(self::text($line['name'] ?? '')) !== '' || ($line['kw'] ?? '') !== ''),
        ));
    }

    /** @return array<string, list<string>> */
    public static function rules(): array
    {
        return [
            'loads' => ['array', 'max:' . self::MOST],
            'loads.*.name' => ['required', 'string', 'max:64', 'distinct:ignore_case'],
            'loads.*.kw' => ['required', 'numeric', 'between:0,100000'],
            'loads.*.priority' => ['required', 'integer', 'between:1,99'],
            'loads.*.start_kva' => ['nullable', 'numeric', 'between:0,100000'],
            'loads.*.duty_pct' => ['nullable', 'numeric', 'between:0,100'],
        ] + array_fill_keys(
            array_map(static fn(string $tick): string => "loads.*.$tick", array_keys(self::TICKS)),
            ['nullable', 'boolean'],
        );
    }

    /** @return array<string, string> */
    public static function messages(): array
    {
        return [
            'loads.max' => 'Up to ' . self::MOST . ' loads.',
            'loads.*.name.required' => 'A load needs a name.',
            'loads.*.name.distinct' => 'This load is in the list already.',
            'loads.*.kw.*' => 'Running power in kW, from 0 to 100 000.',
            'loads.*.start_kva.*' => 'kVA at the start, from 0.',
            'loads.*.duty_pct.*' => 'Percent of the time, 0 to 100.',
            'loads.*.connect.*' => 'This supply has no such leg.',
            'loads.*.priority.*' => 'From 1, the most important, to 99.',
        ];
    }

    /**
     * @param array<string, mixed> $line as validated
     *
     * @return array<string, mixed> columns of a load
     */
    public static function columns(array $line): array
    {
        $ticks = array_map(
            static fn(string $tick): bool => (bool) ($line[$tick] ?? false),
            array_combine(array_keys(self::TICKS), array_keys(self::TICKS)),
        );
        $ticks['shed'] = $ticks['shed'] && ! $ticks['must_run']; // what must run is never shed, whatever else is ticked

        return [
            'name' => $line['name'],
            'kw' => $line['kw'],
            'priority' => $line['priority'],
            'connect' => $line['connect'] ?? null,
            'start_kva' => $line['start_kva'] ?? 0,
            'duty_pct' => $line['duty_pct'] ?? 100,
        ] + $ticks;
    }

    /**
     * A line so that equal ones are equal, typed or kept.
     *
     * @param array<string, mixed> $line
     *
     * @return array<string, float|string|bool>
     */
    public static function compared(array $line): array
    {
        $compared = ['name' => self::text($line['name'] ?? ''), 'connect' => self::text($line['connect'] ?? '')];
        foreach (self::FIGURES as $figure) {
            $compared[$figure] = (float) self::text($line[$figure] ?? '');
        }
        foreach (array_keys(self::TICKS) as $tick) {
            $compared[$tick] = (bool) ($line[$tick] ?? false);
        }

        return $compared;
    }

    /** @return list<array<string, mixed>> */
    public static function kept(TransferSwitch $switch): array
    {
        return array_values($switch->loads->map(
            static fn(LoadItem $load): array => $load->only([
                'name',
                'kw',
                'connect',
                'start_kva',
                'duty_pct',
                'priority',
                ...array_keys(self::TICKS),
            ]),
        )->all());
    }

    /**
     * A line of the library where it is put in: one leg is the lesser loaded one of the list, two legs are both.
     *
     * @param array<string, mixed>       $typical
     * @param list<array<string, mixed>> $lines   there already
     *
     * @return array<string, mixed>
     */
    public static function placed(array $typical, array $lines, bool $hasTwoLegs): array
    {
        $kwOn = static fn(string $leg): float => array_sum(array_map(
            static fn(array $line): float => ($line['connect'] ?? '') === $leg
                && is_numeric($line['kw'] ?? null) ? (float) $line['kw'] : 0.0,
            $lines,
        ));
        $name = self::text($typical['name'] ?? '');
        $taken = array_map(static fn(array $line): string => mb_strtolower(trim(self::text($line['name'] ?? ''))), $lines);
        for ($n = 2, $free = $name; in_array(mb_strtolower($free), $taken, true); $n++) {
            $free = "$name $n";
        }
        $connect = match (true) {
            ! $hasTwoLegs => null,
            ($typical['legs'] ?? 1) == 2 => 'L1L2',
            default => $kwOn('L1') <= $kwOn('L2') ? 'L1' : 'L2',
        };

        return ['name' => $free, 'connect' => $connect] + array_diff_key($typical, ['legs' => true]);
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
