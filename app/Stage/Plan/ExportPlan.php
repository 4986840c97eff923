<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Models\TransferSwitch;
use Escapement\Core\Wire\Topology\BondingWriter;
use Escapement\Core\Wire\Topology\OneLineWriter;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

/** The inputs of `topology` and `bonding`, for the command line and for other tools. */
final readonly class ExportPlan
{
    public function __invoke(TransferSwitch $switch): JsonResponse
    {
        $switch->load(['site', 'loads', 'plan']);
        $facts = new PlanFacts($switch, $switch->plan);
        $plan = $facts->plan;
        $name = Str::slug($switch->site->name) . '-plan.json';

        return response()->json(
            [
                'topology' => (new OneLineWriter())->drawing($plan->oneLine()),
                'bonding' => (new BondingWriter())->model($facts->bonding()->model()),
                'names' => $plan->names(),
            ],
            200,
            ['Content-Disposition' => "attachment; filename=\"$name\""],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
    }
}
