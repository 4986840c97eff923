<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Device\DeviceReading;
use App\Device\Networks;
use App\Device\NoDevice;
use App\Models\Device;
use App\Models\LoadTest;
use App\Models\User;
use Escapement\Core\Device\Profile\Quantity;
use Escapement\Core\LoadTest\ReadingSource;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * A reading that a device of the switch gives, asked now. It is kept as it came, with where it came from; nothing is filled in by hand.
 * What a made-up device says is no reading (decision 0011).
 */
final readonly class ReadMeter
{
    private const VOLTS = [Quantity::VoltsL1, Quantity::VoltsL2, Quantity::VoltsL3];
    private const AMPERES = [Quantity::AmperesL1, Quantity::AmperesL2, Quantity::AmperesL3];

    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        $device = Device::query()->with('profile')->where('switch_id', $test->switch_id)->findOrFail($request->integer('device'));
        /** @var User $user */
        $user = $request->user();
        try {
            $reading = DeviceReading::from($device, Networks::of($user->company));
        } catch (\DomainException | NoDevice $fault) {
            throw ValidationException::withMessages(['device' => $fault->getMessage() . ' Read it by eye.']);
        }
        if ($reading->isSimulated) {
            throw ValidationException::withMessages(['device' => 'This device is made up: what it says proves nothing, and is not kept.']);
        }
        DB::transaction(function () use ($test, $user, $reading, $device): void {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its readings stay as they are.');
            $phases = (new LoadTestFacts($locked->load('switch.site', 'switch.loads', 'switch.plan')->switch))->phases();
            $columns = self::columns($reading, $phases, $device);
            $this->book->reading($locked, $user, $columns, ReadingSource::Device);
        });

        return redirect()->route('load-test', $test)->with('said', "$device->name was read, and its reading is kept.");
    }

    /** @return array<string, mixed> */
    private static function columns(DeviceReading $reading, int $phases, Device $device): array
    {
        $all = static fn(array $quantities): array => array_map(
            $reading->value(...),
            array_slice($quantities, 0, $phases),
        );
        $volts = $all(self::VOLTS);
        $amperes = $all(self::AMPERES);
        $hertz = $reading->value(Quantity::Hertz);
        if ($hertz === null || in_array(null, [...$volts, ...$amperes], true)) {
            throw ValidationException::withMessages([
                'device' => 'It does not say volts and amperes of each leg, and hertz: that is no reading. Look at its map by a test '
                    . 'read.',
            ]);
        }
        $kept = static fn(array $legs): array => array_map(static fn(?float $leg): float => round($leg ?? 0.0, 3), $legs);
        $rounded = static fn(Quantity $quantity, int $places): ?float => ($value = $reading->value($quantity)) === null
            ? null : round($value, $places);

        return [
            'id' => (string) Str::uuid(), 'taken_at' => Carbon::now(),
            'v_v' => $kept($volts), 'a_a' => $kept($amperes), 'hz' => round($hertz, 3),
            'kw' => $rounded(Quantity::Kilowatts, 3), 'oil_kpa' => $rounded(Quantity::OilPressure, 1),
            'coolant_c' => $rounded(Quantity::Coolant, 1), 'exhaust_c' => $rounded(Quantity::Exhaust, 1),
            'battery_v' => $rounded(Quantity::Battery, 2),
            'note' => Str::limit("By $device->name, {$device->profile->name}, unit $device->unit.", 300),
        ];
    }
}
