<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * Answers of a whole sheet at once, in the order of the procedure: an earlier one opens what waits for it. What is refused
 * stays as it was typed.
 */
final readonly class AnswerSheet
{
    private const MOST = 400;

    public function __construct(private KeepAnswers $keeper) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $rows = array_map(
            static fn(mixed $row): TypedAnswer => new TypedAnswer(is_array($row) ? $row : []),
            array_slice(array_values((array) $request->input('answers', [])), 0, self::MOST),
        );
        $filled = array_values(array_filter($rows, static fn(TypedAnswer $row): bool => ! $row->isEmpty()));
        /** @var User $user */
        $user = $request->user();
        $outcome = $this->keeper->keep($run, $user, array_map(static fn(TypedAnswer $row): array => $row->answer(), $filled));
        $faults = [];
        foreach ($outcome['refused'] as $refused) {
            [, , $place, $field] = explode('/', $refused['path']) + ['', '', '', ''];
            $row = $filled[(int) $place];
            $faults[$row->typed['step'] ?? ''] = ['field' => $field, 'message' => $refused['message'], 'typed' => $row->typed];
        }
        $kept = count($outcome['kept']);
        $said = match (true) {
            $filled === [] => 'Nothing was filled in.',
            $faults === [] => self::kept($kept) . '.',
            default => self::kept($kept) . ', ' . (count($faults) === 1
                ? 'one is not: it stands below as it was typed.'
                : count($faults) . ' are not: they stand below as they were typed.'),
        };

        return redirect()->route('procedure.sheet', $run)->with('said', $said)->with('faults', $faults);
    }

    private static function kept(int $count): string
    {
        return match ($count) {
            0 => 'No answer is kept',
            1 => 'One answer is kept',
            default => "$count answers are kept",
        };
    }
}
