<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Http\Typed;
use App\Models\Circuit;
use App\Models\CircuitDraft;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class EditCircuit
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $stored = Circuit::query()->with('user')->where('switch_id', $switch->id)->firstOrFail();
        $draft = CircuitDraft::query()->where('switch_id', $switch->id)->where('user_id', $request->user()?->getAuthIdentifier())->first();

        return view('circuit.edit', ['page' => new DrawPage(
            $switch,
            $stored,
            $draft,
            Typed::text($request, 'at', 50),
            Typed::text($request, 'new', 40),
        )]);
    }
}
