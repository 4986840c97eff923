<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** On which sites a guest works, and until when. */
final readonly class NameSites
{
    public function __invoke(Request $request, int $person): RedirectResponse
    {
        $guest = User::query()->where('company_id', $request->user()?->company_id)->findOrFail($person);
        $fields = $request->validate([
            'guest_until' => ['required', 'date', 'after:yesterday'], 'sites' => ['array', 'max:200'], 'sites.*' => ['integer'],
        ], ['guest_until.*' => 'The last day, from today on.']);
        if ($guest->role !== Role::Guest) {
            throw ValidationException::withMessages(["guest.$guest->id" => "$guest->name is no guest."]);
        }
        $named = Site::query()->whereKey($fields['sites'] ?? [])->pluck('id')->all();
        DB::transaction(static function () use ($guest, $fields, $named): void {
            $guest->update(['guest_until' => Carbon::parse((string) $fields['guest_until'])->toDateString()]);
            DB::table('guest_sites')->where('user_id', $guest->id)->delete();
            DB::table('guest_sites')->insert(array_map(
                static fn(mixed $site): array => ['user_id' => $guest->id, 'site_id' => $site],
                $named,
            ));
        });
        $count = count($named);

        return redirect()->route('people')->with(
            'said',
            "$guest->name works on $count " . ($count === 1 ? 'site' : 'sites') . " until {$guest->guest_until?->format('j M Y')}.",
        );
    }
}
