<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Http\Typed;
use App\Models\Run;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** One answer, from the form of its step on a browser without script; with it, TakeAnswers has them. */
final readonly class AnswerStep
{
    public function __construct(private KeepAnswers $keeper) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $text = static fn(string $key): ?string => Typed::text($request, $key, 600) === '' ? null : Typed::text($request, $key, 600);
        $value = str_replace(',', '.', (string) $text('value'));
        $isSkipped = $request->boolean('skip');
        /** @var User $user */
        $user = $request->user();
        $answer = [
            'id' => Str::isUuid($text('id')) ? $text('id') : (string) Str::uuid(), 'step' => (string) $text('step'), 'so' => $text('so') === null ? null : $text('so') === '1',
            'value' => $value === '' ? null : (is_numeric($value) ? (float) $value : $value), 'choice' => $text('choice'), 'note' => $text('note'), 'client_wall' => now()->toIso8601ZuluString('millisecond'),
        ] + ($isSkipped ? ['skip_reason' => (string) $text('note')] : []);
        $refused = $this->keeper->keep($run, $user, [$answer])['refused'][0] ?? null;
        $fault = $refused === null ? null : ['step' => $answer['step'], 'field' => basename($refused['path']), 'message' => $refused['message'], 'typed' => ['value' => $text('value'), 'note' => $text('note'), 'choice' => $text('choice')]];
        $back = redirect()->route('procedure', $run)->withFragment('now');

        return $fault === null ? $back : $back->with('fault', $fault);
    }
}
