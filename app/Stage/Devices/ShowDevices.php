<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowDevices
{
    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();

        return view('devices.page', ['page' => new DevicesPage($user)]);
    }
}
