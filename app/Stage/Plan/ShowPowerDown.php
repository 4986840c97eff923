<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use Illuminate\Contracts\View\View;

final readonly class ShowPowerDown
{
    public function __invoke(TransferSwitch $switch): View
    {
        return view('plan.power-down', ['page' => PowerDownPage::of($switch)]);
    }
}
