<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The circuit and its proof; the page asks again every second while the search runs. */
final readonly class ShowCircuit
{
    public function __invoke(Request $request, TransferSwitch $switch): View|Response
    {
        $switch->load(SiteStanding::NEEDS);
        $stored = Circuit::query()->where('switch_id', $switch->id)->first();
        if ($stored === null) {
            return view('circuit.begin', ['page' => new BeginPage($switch)]);
        }
        if ($request->hasHeader('HX-Request') && $stored->isBeingProved()) {
            return $request->integer('seen', -1) === $stored->proof_done
                ? response()->noContent()
                : response()->view('circuit.partials._progress', ['switch' => $switch, 'stored' => $stored]);
        }
        if ($request->hasHeader('HX-Request')) {
            return response('', 200, ['HX-Refresh' => 'true']);
        }

        return view('circuit.page', ['page' => new CircuitPage($switch, $stored, CircuitLook::from($request))]);
    }
}
