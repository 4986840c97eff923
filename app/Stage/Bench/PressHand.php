<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A hand on the front panel; the answer is what lamps and meters show then. */
final readonly class PressHand
{
    public function __invoke(Request $request, TransferSwitch $switch): Response|RedirectResponse
    {
        $bench = BenchDesk::standing($switch);
        $fields = $request->validate([
            'coil' => ['nullable', 'integer', 'between:0,63'], 'on' => ['nullable', 'boolean'],
            'rate' => ['nullable', 'integer', 'between:0,60'], 'step_ms' => ['nullable', 'integer', 'between:1,600000'],
            'do' => ['nullable', 'in:utility,emergency,load,handle,generator_rotation'],
            'v' => ['nullable', 'array', 'max:3'], 'v.*' => ['nullable', 'numeric', 'between:0,100000'],
            'hz' => ['nullable', 'numeric', 'between:0,1000'], 'rotation' => ['nullable', 'in:abc,acb'],
            'load' => ['nullable', 'string', 'max:64'], 'kw' => ['nullable', 'numeric', 'between:0,100000'],
            'to' => ['nullable', 'in:normal,emergency'],
        ], [
            'v.*' => 'Volts from 0 to 100 000.', 'hz.*' => 'Hertz from 0 to 1000.', 'kw.*' => 'Kilowatts from 0 to 100 000.',
            'rate.*' => 'A rate from 0, which pauses, to 60.',
        ]);
        $fault = null;
        try {
            $client = BenchDesk::client($bench);
            $hand = new HandInput($fields);
            $clock = $hand->clock();
            $clock === null ? $client->ask('input', $hand->input()) : $client->ask('clock', $clock);
        } catch (NoDevice|Refused $no) {
            $fault = $no->getMessage();
        }
        if ($request->header('HX-Request') === null) {
            return redirect()->route('bench', $switch)->with('said', $fault ?? 'Done.');
        }
        $live = LivePart::of($switch->load(SiteStanding::NEEDS), $bench, $fault);

        return response(view('bench.partials._wrapped', ['live' => $live, 'switch' => $switch]));
    }
}
