<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use App\Stage\Picture;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

/** One answer with its pictures, from the form of its step on a browser without script; with it, TakeAnswers and TakePhoto have them. */
final readonly class AnswerStep
{
    public function __construct(private KeepAnswers $keeper, private KeepPhoto $photos) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $form = new TypedAnswer($request->all());
        $answer = $form->answer();
        /** @var User $user */
        $user = $request->user();
        $fault = $this->pictures($request, $run, $user, $answer['step']);
        if ($fault === null) {
            $refused = $this->keeper->keep($run, $user, [$answer])['refused'][0] ?? null;
            $fault = $refused === null ? null : ['field' => basename($refused['path']), 'message' => $refused['message']];
        }
        $back = redirect()->route('procedure', $run)->withFragment('now');

        return $fault === null ? $back : $back->with('fault', $fault + ['step' => $answer['step'], 'typed' => $form->typed]);
    }

    /** @return null|array{field: string, message: string} */
    private function pictures(Request $request, Run $run, User $user, string $step): ?array
    {
        foreach (array_filter((array) $request->file('photos'), static fn(mixed $file): bool => $file instanceof UploadedFile) as $file) {
            $picture = Picture::of($file);
            $fault = $picture === null ? [
                'field' => 'photos', 'message' => Picture::UNREADABLE,
            ] : $this->photos->keep($run, $user, (string) Str::uuid(), $step, $picture, null);
            if ($fault !== null) {
                return $fault;
            }
        }

        return null;
    }
}
