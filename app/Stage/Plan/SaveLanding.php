<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Http\Seen;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Commissioning\Procedure\InstallationSteps;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Torque\TorqueTable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** The landings put right at the lug, in their order; boxes, control conductors and option jumpers beside them. */
final readonly class SaveLanding
{
    private const FUNCTIONS = ['L1', 'L2', 'L3', 'N', 'G'];
    private const WORDS = [
        'enclosures.*.*.terminal.*' => 'The terminal as the enclosure calls it.',
        'enclosures.*.*.maker_value.*' => 'The maker\'s torque, above 0.',
        'enclosures.*.*.place.*' => 'Its place in the order, from 1.',
        'boxes.*.w_in.*' => 'Inches inside, 0.1 to 200.',
        'boxes.*.h_in.*' => 'Inches inside, 0.1 to 200.',
        'boxes.*.d_in.*' => 'Inches inside, 0.1 to 200.',
        'boxes.*.name.*' => 'A name of up to 40 characters.',
        '*.*.terminals.*' => 'Up to 60 characters.',
        '*.*.note.*' => 'Up to 120 characters.',
        '*.*.function.*' => 'What it does, in up to 80 characters.',
    ];

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $request->merge([
            'boxes' => self::typed($request, 'boxes', 'name'),
            'controls' => self::typed($request, 'controls', 'function'),
            'jumpers' => self::typed($request, 'jumpers', 'function'),
        ]);
        $fields = $request->validate(self::rules(), self::WORDS);
        /** @var User $user */
        $user = $request->user();
        Plan::keep(
            $switch,
            $user,
            ['landing' => [
                'enclosures' => array_map(self::inOrder(...), $fields['enclosures'] ?? []),
                'boxes' => array_map(self::box(...), $fields['boxes'] ?? []),
                'controls' => $fields['controls'] ?? [], 'jumpers' => $fields['jumpers'] ?? [],
            ]],
            Seen::asks($request),
        );

        return redirect()->route('landing', $switch)->with('said', 'Saved.');
    }

    /** @return array<string, list<mixed>> */
    private static function rules(): array
    {
        $inch = ['required', 'numeric', 'between:0.1,200'];
        $line = 'enclosures.*.*';

        return [
            'enclosures' => ['array', 'max:10'], 'enclosures.*' => ['array', 'max:60'],
            "$line.conductor" => ['required', Rule::in(self::FUNCTIONS)],
            "$line.feeder" => ['required', 'string', 'max:80'],
            "$line.on" => ['required', Rule::in(self::FUNCTIONS)],
            "$line.terminal" => ['required', 'string', 'max:40'],
            "$line.place" => ['nullable', 'integer', 'between:1,99'],
            "$line.colour" => ['required', Rule::in(ColourSystem::COLOURS)],
            "$line.reid" => ['nullable', Rule::in(ColourSystem::REID)],
            "$line.screw" => ['required', Rule::in(array_keys(LandingPage::SCREWS))],
            "$line.socket_in" => ['nullable', Rule::in(TorqueTable::sockets())],
            "$line.maker_value" => ['nullable', 'numeric', 'between:0.001,20000'],
            "$line.maker_unit" => ['nullable', Rule::in(array_keys(InstallationSteps::UNITS))],
            'boxes' => ['array', 'max:20'],
            'boxes.*.name' => ['required', 'string', 'max:40'],
            'boxes.*.w_in' => $inch,
            'boxes.*.h_in' => $inch,
            'boxes.*.d_in' => $inch,
            'boxes.*.from' => ['required', 'string', 'max:60'],
            'boxes.*.to' => ['required', 'string', 'max:60'],
            'boxes.*.from_wall' => ['required', Rule::in(LandingPage::WALLS)],
            'boxes.*.to_wall' => ['required', Rule::in(LandingPage::WALLS)],
            'boxes.*.splice' => ['nullable', 'boolean'],
            'controls' => ['array', 'max:40'],
            'controls.*.function' => ['required', 'string', 'max:80'],
            'controls.*.terminals' => ['nullable', 'string', 'max:60'],
            'controls.*.note' => ['nullable', 'string', 'max:120'],
            'jumpers' => ['array', 'max:20'],
            'jumpers.*.function' => ['required', 'string', 'max:80'],
            'jumpers.*.terminals' => ['nullable', 'string', 'max:60'],
            'jumpers.*.note' => ['nullable', 'string', 'max:120'],
            'jumpers.*.fitted' => ['nullable', Rule::in(['yes', 'no'])],
            'jumpers.*.wanted' => ['nullable', Rule::in(['yes', 'no'])],
        ];
    }

    /**
     * @param array<array<string, mixed>> $lines
     *
     * @return list<array<string, mixed>> by the place that was typed
     */
    private static function inOrder(array $lines): array
    {
        usort($lines, static fn(array $a, array $b): int => (int) ($a['place'] ?? 99) <=> (int) ($b['place'] ?? 99));

        return array_map(static fn(array $one): array => [
            'maker_value' => isset($one['maker_value']) ? (float) $one['maker_value'] : null,
        ] + array_diff_key($one, ['place' => true]), $lines);
    }

    /**
     * @param array<string, mixed> $box
     *
     * @return array<string, mixed>
     */
    private static function box(array $box): array
    {
        return [
            'w_in' => (float) $box['w_in'], 'h_in' => (float) $box['h_in'], 'd_in' => (float) $box['d_in'],
            'splice' => (bool) ($box['splice'] ?? false),
        ] + $box;
    }

    /** @return list<mixed> without the lines in which nothing is named */
    private static function typed(Request $request, string $list, string $key): array
    {
        return array_values(array_filter(
            (array) $request->input($list, []),
            static fn(mixed $line): bool => is_array($line) && is_scalar($line[$key] ?? null) && trim((string) $line[$key]) !== '',
        ));
    }
}
