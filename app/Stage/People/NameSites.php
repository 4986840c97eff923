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
        $field = "guest.$guest->id"; // of this guest: the page has a form for each
        $request->validate(
            [
                "$field.until" => ['required', 'date', 'after:yesterday'],
                "$field.sites" => ['array', 'max:200'], "$field.sites.*" => ['integer'],
            ],
            ["$field.until.*" => 'The last day, from today on.'],
        );
        if ($guest->role !== Role::Guest) {
            throw ValidationException::withMessages([$field => "$guest->name is no guest."]);
        }
        $named = Site::query()->whereKey((array) $request->input("$field.sites", []))->pluck('id')->all();
        $until = Carbon::parse($request->string("$field.until")->toString());
        DB::transaction(static function () use ($guest, $until, $named): void {
            $guest->update(['guest_until' => $until->toDateString()]);
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
