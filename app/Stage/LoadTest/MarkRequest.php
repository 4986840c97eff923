<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use Escapement\Core\LoadTest\TestMark;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** A mark of a load test as it is typed, or as a device sends it. */
final readonly class MarkRequest
{
    public function __construct(private LoadTest $test) {}

    /**
     * @param array<array-key, mixed> $typed id, kind, level_pct, note; the moment as `at` in UTC, or the hour on site as `time`
     *
     * @return array<string, mixed> columns of a mark
     *
     * @throws ValidationException
     */
    public function columns(array $typed): array
    {
        $fields = Validator::make($typed, [
            'id' => ['required', 'uuid'], 'kind' => ['required', Rule::enum(TestMark::class)],
            'time' => ['required_without:at', 'nullable', 'date_format:H:i:s,H:i'],
            'at' => ['nullable', 'date_format:Y-m-d\\TH:i:s.v\\Z'],
            'level_pct' => ['nullable', 'numeric', 'between:0,120'], 'note' => ['nullable', 'string', 'max:300'],
        ], [
            'kind.*' => 'Say what happened.', 'time.*' => 'The hour on site, as 14:35.', 'at.*' => 'A moment in UTC.',
            'level_pct.*' => 'The level of the step, 0 to 120 %.', 'note.*' => 'Up to 300 characters.',
        ])->validate();
        $kind = TestMark::from($fields['kind']);

        return [
            'id' => strtolower($fields['id']), 'kind' => $kind,
            'at' => isset($fields['at']) ? Carbon::parse((string) $fields['at'])
                : SiteHour::last((string) $fields['time'], $this->test->switch->site->timezone),
            'level_pct' => $kind->hasLevel() && isset($fields['level_pct']) ? round((float) $fields['level_pct'], 2) : null,
            'note' => $fields['note'] ?? null,
        ];
    }
}
