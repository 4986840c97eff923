<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Http\Seen;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\PowerDownReader;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;

/** The tasks as typed; a line with nothing typed in it is left out, the others keep their numbers. */
final readonly class SavePowerDown
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'opens_at' => ['nullable', 'date_format:Y-m-d\TH:i', ...$this->notInThePast($request, $switch)],
            'promised_min' => ['nullable', 'integer', 'between:1,1440'], 'hot_day' => ['nullable', 'boolean'],
            'open_who' => ['required', 'string', 'max:200'],
            'open_minutes' => ['required', 'integer', 'between:1,1440'],
            'close_who' => ['required', 'string', 'max:200'],
            'close_minutes' => ['required', 'integer', 'between:1,1440'],
            'tasks' => ['array', 'max:62'],
            'tasks.*.name' => ['nullable', 'string', 'max:120'],
            'tasks.*.who' => ['nullable', 'string', 'max:200'],
            'tasks.*.minutes' => ['nullable', 'integer', 'between:1,1440'],
            'tasks.*.after' => ['nullable', 'string', 'max:200'], 'tasks.*.dark' => ['nullable', 'boolean'],
        ], [
            'opens_at.after_or_equal' => 'This day is over. The power-down is planned, not remembered.',
            'opens_at.*' => 'A day and an hour.', 'promised_min.*' => 'Whole minutes, from 1 to 1440.',
            'open_minutes.*' => 'Whole minutes, from 1.', 'close_minutes.*' => 'Whole minutes, from 1.',
            'open_who.*' => 'Who does it.',
            'close_who.*' => 'Who does it.',
            'tasks.*.minutes.*' => 'Whole minutes, from 1 to 1440.',
            'tasks.*.name.*' => 'Up to 120 characters.',
        ]);
        $lines = array_filter(
            $fields['tasks'] ?? [],
            static fn(array $line): bool => trim(
                ($line['name'] ?? '') . ($line['minutes'] ?? '') . ($line['who'] ?? '') . ($line['after'] ?? ''),
            ) !== '',
        );
        $input = array_filter(['promised_min' => isset($fields['promised_min']) ? (int) $fields['promised_min'] : null], is_int(...)) + [
            'hot_day' => (bool) ($fields['hot_day'] ?? false),
            'open' => ['who' => self::words($fields['open_who']), 'minutes' => (int) $fields['open_minutes']],
            'close' => ['who' => self::words($fields['close_who']), 'minutes' => (int) $fields['close_minutes']],
            'tasks' => array_map(static fn(int|string $id, array $line): array => [
                'id' => (string) $id,
                'name' => $line['name'] ?? '',
                'who' => self::words($line['who'] ?? ''),
                'minutes' => (int) ($line['minutes'] ?? 0),
                'after' => self::words($line['after'] ?? ''), 'dark' => (bool) ($line['dark'] ?? false),
            ], array_keys($lines), $lines),
        ];
        $this->refuseWhatCannotBe($input, array_keys($lines));
        /** @var User $user */
        $user = $request->user();
        Plan::keep($switch, $user, ['power_down' => $input + ['opens_at' => $fields['opens_at'] ?? null]], Seen::asks($request));

        return redirect()->route('power-down', $switch)->with('said', 'The day is saved.');
    }

    /** @return list<string> a day that was saved while it lay ahead may stay as it is */
    private function notInThePast(Request $request, TransferSwitch $switch): array
    {
        $isKept = ($switch->plan->power_down['opens_at'] ?? null) === $request->input('opens_at');

        return $isKept ? [] : ['after_or_equal:' . Carbon::now($switch->site->timezone)->format('Y-m-d\T00:00')];
    }

    /** @return list<string> */
    private static function words(string $typed): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', $typed)), static fn(string $word): bool => $word !== ''));
    }

    /**
     * The core says what is wrong with it, and where; here that becomes the field of the form.
     *
     * @param array<string, mixed> $input
     * @param list<int|string>     $numbers of the lines
     */
    private function refuseWhatCannotBe(array $input, array $numbers): void
    {
        try {
            (new PowerDownReader())->input(Node::fromArray($input));
        } catch (BadInput $e) {
            $path = explode('/', trim($e->path, '/'));
            $field = match (true) {
                $path[0] === 'tasks' && isset($path[2]) => 'tasks.' . $numbers[(int) $path[1]] . ".$path[2]",
                isset($path[1]) => "$path[0]_$path[1]",
                default => $path[0],
            };
            throw ValidationException::withMessages([$field => $e->getMessage()]);
        }
    }
}
