<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class SignRun
{
    public function __construct(private CloseRun $closer) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $fields = $request->validate([
            'signed_name' => ['required', 'string', 'max:120'],
            'signed_drawing' => ['nullable', 'string', 'max:20000', 'regex:' . Run::DRAWING],
            'left_ready' => ['nullable', 'boolean'],
        ], [
            'signed_name.*' => 'Type the name of the person who signs.',
            'signed_drawing.*' => 'The drawing could not be read; draw it again.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $this->closer->close(
            $run,
            $user,
            $fields['signed_name'],
            $fields['signed_drawing'] ?? null,
            (bool) ($fields['left_ready'] ?? false),
        );

        return redirect()->route('report', $run)->with('said', 'Signed. The run is closed; later findings are amendments.');
    }
}
