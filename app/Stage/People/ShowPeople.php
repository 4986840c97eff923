<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Bridge\CompanyKeys;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final readonly class ShowPeople
{
    public function __invoke(Request $request): View
    {
        $query = User::query()->where('company_id', $request->user()?->company_id);
        $query->orderBy('name');

        return view('people.page', [
            'people' => $query->get(), 'roles' => Role::cases(), 'sites' => Site::query()->orderBy('name')->pluck('name', 'id')->all(),
            'named' => self::named((int) $request->user()?->company_id),
            'key' => (new CompanyKeys())->public((int) $request->user()?->company_id),
        ]);
    }

    /** @return array<int, list<int>> sites of each guest */
    private static function named(int $company): array
    {
        $named = [];
        $rows = DB::table('guest_sites')->join('sites', 'sites.id', '=', 'guest_sites.site_id')->where('sites.company_id', $company);
        foreach ($rows->get(['guest_sites.user_id', 'guest_sites.site_id']) as $row) {
            $named[(int) $row->user_id][] = (int) $row->site_id;
        }

        return $named;
    }
}
