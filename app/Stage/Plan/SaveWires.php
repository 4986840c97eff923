<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\Units;
use App\Http\Seen;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Wiring\Location;
use Escapement\Core\Wiring\Raceways;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** The whole schedule at once; a line with nothing typed in it is left out. */
final readonly class SaveWires
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $lines = array_values(array_filter((array) $request->input('runs', []), self::isTyped(...)));
        $request->merge(['runs' => $lines]);
        $fields = $request->validate([
            'runs' => ['array', 'max:30'],
            'runs.*.name' => ['required', 'string', 'max:60'],
            'runs.*.amps' => ['required', 'numeric', 'between:0.1,2000'],
            'runs.*.ocpd_a' => ['required', 'numeric', 'between:15,1000'],
            'runs.*.length' => ['required', 'numeric', 'between:0.1,10000'],
            'runs.*.material' => ['required', 'in:cu,al'],
            'runs.*.max_ocpd_a' => ['nullable', 'numeric', 'between:15,1000', 'prohibited_if:runs.*.dwelling,1'],
            'runs.*.location' => ['nullable', Rule::enum(Location::class)],
            'runs.*.raceway' => ['required', Rule::in(Raceways::TYPES)],
            'runs.*.trade_size' => ['required', Rule::in(Raceways::TRADE_SIZES), self::listed($lines)],
            'runs.*.from' => ['nullable', 'string', 'max:20'],
            'runs.*.to' => ['nullable', 'string', 'max:20', 'different:runs.*.from'],
            'runs.*.sets' => ['nullable', 'integer', 'between:1,6'],
            'runs.*.dwelling' => ['nullable', 'boolean'], 'runs.*.service' => ['nullable', 'boolean'],
        ], [
            'runs.*.name.*' => 'A name of up to 60 characters; clear the figures too to take the run out.',
            'runs.*.amps.*' => 'Amps it carries, from 0.1 to 2000.',
            'runs.*.ocpd_a.*' => 'Amps of the breaker ahead of it, from 15 to 1000.',
            'runs.*.length.*' => 'One way, from 0.1 to 10 000.',
            'runs.*.to.*' => 'It ends in another enclosure than it begins in.',
            'runs.*.sets.*' => 'Parallel sets, 1 to 6.',
            'runs.*.material.*' => 'Copper or aluminum.',
            'runs.*.raceway.*' => 'One of the raceways of the list.',
            'runs.*.max_ocpd_a.*' => 'Amps on the nameplate of one machine, 15 to 1000; not on a dwelling feeder.',
            'runs.*.trade_size.required' => 'One of the trade sizes of the list.',
        ]);
        $units = new Units($switch->site->units);
        $runs = array_map(static fn(array $line): array => [
            'name' => $line['name'],
            'from' => $line['from'] ?? '',
            'to' => $line['to'] ?? '',
            'sets' => (int) ($line['sets'] ?? 1),
            'amps' => 0 + $line['amps'],
            'ocpd_a' => 0 + $line['ocpd_a'],
            'max_ocpd_a' => isset($line['max_ocpd_a']) ? 0 + $line['max_ocpd_a'] : null,
            'location' => $line['location'] ?? 'dry',
            'length_m' => round($units->toMetres((float) $line['length']), 3),
            'material' => $line['material'],
            'raceway' => $line['raceway'],
            'trade_size' => $line['trade_size'],
            'dwelling' => ($line['dwelling'] ?? false) ? '1' : '0',
            'service' => ($line['service'] ?? false) ? '1' : '0',
        ], $fields['runs'] ?? []);
        /** @var User $user */
        $user = $request->user();
        Plan::keep($switch, $user, ['runs' => $runs], Seen::asks($request));

        return redirect()->route('wires', $switch)->with('said', count($runs) . ' runs saved.');
    }

    /**
     * Some types of raceway end before the largest trade size.
     *
     * @param list<mixed> $lines
     */
    private static function listed(array $lines): \Closure
    {
        return static function (string $attribute, mixed $value, \Closure $fail) use ($lines): void {
            $line = $lines[(int) explode('.', $attribute)[1]] ?? [];
            $type = is_array($line) ? $line['raceway'] ?? null : null;
            if (in_array($type, Raceways::TYPES, true) && is_string($value) && ! Raceways::isListed($type, $value)) {
                $fail('This type of raceway is not made in this trade size.');
            }
        };
    }

    private static function isTyped(mixed $line): bool
    {
        return is_array($line) && implode(
            '',
            array_filter([$line['name'] ?? '', $line['amps'] ?? '', $line['ocpd_a'] ?? '', $line['length'] ?? ''], is_scalar(...)),
        ) !== '';
    }
}
