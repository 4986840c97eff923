<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\Paper;
use Illuminate\Http\Response;

/** One page for the owner and for the person who opens the supply. */
final readonly class PrintPowerDown
{
    public function __invoke(TransferSwitch $switch): Response
    {
        return Paper::of(view('plan.power-down-pdf', ['page' => PowerDownPage::of($switch)]), $switch->site, 'power-down');
    }
}
