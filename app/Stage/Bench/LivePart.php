<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\Bench;
use App\Models\TransferSwitch;

/** The part of the front panel that goes on, rendered; and what tells whether it has changed. */
final readonly class LivePart
{
    private function __construct(public string $html, public string $tag, public int $tMs, public int $rate) {}

    /** @param ?string $fault what was refused a moment ago */
    public static function of(TransferSwitch $switch, Bench $bench, ?string $fault = null): self
    {
        try {
            $panel = LivePanel::read($switch, $bench);
            $html = view('bench.partials._live', ['panel' => $panel, 'switch' => $switch, 'fault' => $fault])->render();

            return new self($html, md5($html), $panel->tMs, $panel->rate);
        } catch (NoDevice|Refused $away) {
            $html = view('bench.partials._away', ['why' => $away->getMessage()])->render();

            return new self($html, md5($html), 0, 0);
        }
    }
}
