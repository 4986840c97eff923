<?php

declare(strict_types=1);

namespace App\Stage\Meters;

use App\Models\MeterReading;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** Keeps what a panel meter showed, with who read it; a reading is never changed. */
final readonly class AddMeterReading
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $columns = MeterRequest::columns($request);
        /** @var User $user */
        $user = $request->user();
        $reading = MeterReading::query()->create($columns + [
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'read_at' => Carbon::now(),
        ]);

        return redirect()->route('meters', ['switch' => $switch, 'reading' => $reading->id])->with('said', 'The reading is kept.');
    }
}
