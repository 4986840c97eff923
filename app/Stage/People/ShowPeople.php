<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Bridge\CompanyKeys;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowPeople
{
    public function __invoke(Request $request): View
    {
        $query = User::query()->where('company_id', $request->user()?->company_id);
        $query->orderBy('name');

        return view('people.page', [
            'people' => $query->get(), 'roles' => Role::cases(),
            'key' => (new CompanyKeys())->public((int) $request->user()?->company_id),
        ]);
    }
}
