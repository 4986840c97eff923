<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Bench\PutOnBench;
use App\Stage\SiteStanding;

/** Three made-up installations on the bench: one in order, one whose engine does not start, one whose meter counts a leg backwards. */
final readonly class DemoBenches
{
    public function of(TransferSwitch $inOrder, TransferSwitch $noStart, TransferSwitch $reversed, User $user): void
    {
        foreach ([
            [$inOrder, []],
            [$noStart, [['at_ms' => 0, 'do' => 'crank_failures', 'count' => 5]]],
            [$reversed, [['at_ms' => 0, 'do' => 'ct', 'phase' => 2, 'reversed' => true]]],
        ] as [$switch, $inputs]) {
            $why = PutOnBench::put($switch->fresh(SiteStanding::NEEDS) ?? $switch, $user, $inputs);
            if ($why !== null) {
                throw new \LogicException("The demo has no bench: $why");
            }
        }
    }
}
