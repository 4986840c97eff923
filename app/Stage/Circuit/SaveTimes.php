<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Measured times of the panel's devices in the place of the usual ones; an empty field is the usual one again. */
final readonly class SaveTimes
{
    private const WHOLE = ['pick_ms', 'drop_ms', 'travel_ms', 'open_ms', 'close_ms', 'trip_ms', 'loss_trip_ms', 'reset_ms'];
    private const DECIMAL = ['deviation_pct', 'under_pct', 'over_pct', 'unbalance_pct', 'pick_pct', 'hold_pct'];

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $circuit = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        $times = $errors = [];
        $typed = $request->input('times');
        foreach (is_array($typed) ? $typed : [] as $device => $fields) {
            foreach (is_array($fields) ? $fields : [] as $key => $value) {
                $text = is_string($value) ? str_replace(',', '.', trim($value)) : '';
                if ($text === '' || ! in_array($key, [...self::WHOLE, ...self::DECIMAL], true)) {
                    continue;
                }
                $isWhole = in_array($key, self::WHOLE, true);
                if (! is_numeric($text) || $isWhole && (float) $text !== floor((float) $text)) {
                    $errors["times.$device.$key"] = $isWhole ? 'A whole number of milliseconds.' : 'A number.';
                    continue;
                }
                $times[$device][$key] = $isWhole ? (int) $text : (float) $text;
            }
        }
        if ($errors !== []) {
            throw ValidationException::withMessages($errors);
        }
        $json = json_encode((object) $times, JSON_THROW_ON_ERROR);
        try {
            CircuitFacts::playOf(CircuitFacts::read($circuit->document), $circuit->supplies, $json, [], 1);
        } catch (BadInput $bad) {
            throw ValidationException::withMessages([str_replace('/', '.', ltrim($bad->path, '/')) => $bad->getMessage()]);
        }
        $circuit->update(['times' => $json]);

        return redirect()->route('circuit.play', $switch)->with('said', 'The times are saved.');
    }
}
