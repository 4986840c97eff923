<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Device\Networks;
use App\Http\Typed;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\ValidationException;

/** A lead names the private networks in which devices are asked. Nothing is asked outside of them. */
final readonly class SaveNetworks
{
    public function __invoke(Request $request): RedirectResponse
    {
        $typed = preg_split('/[\s,;]+/', Typed::text($request, 'networks', 2000), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        try {
            $networks = array_values(array_unique(array_map(Networks::checked(...), $typed)));
        } catch (\DomainException $refused) {
            throw ValidationException::withMessages(['networks' => $refused->getMessage()]);
        }
        if (count($networks) > Networks::MOST) {
            throw ValidationException::withMessages(['networks' => 'Twenty networks at most.']);
        }
        /** @var User $user */
        $user = $request->user();
        $user->company->update(['device_networks' => $networks === [] ? null : $networks]);
        Log::notice('Networks of devices changed', ['company' => $user->company_id, 'by' => $user->id, 'networks' => $networks]);

        return redirect()->route('devices')->with('said', $networks === [] ? 'Only this machine is asked.'
            : 'Devices are asked on this machine and in ' . implode(', ', $networks) . '.');
    }
}
