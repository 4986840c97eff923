<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use App\Drawing\Pen;
use Escapement\Core\RelayLogic\RelayCircuit;

/** Conductors of a ladder: thin where nothing flows, in the pattern of their source where current flows now. */
final readonly class LadderPen
{
    public Pen $pen;

    public function __construct(private RelayCircuit $circuit, public LadderLook $look)
    {
        $this->pen = new Pen($look->ink);
    }

    /** @param ?string $supply whose current flows in it now */
    public function wire(string $d, ?string $supply = null): string
    {
        if ($supply === null) {
            return $this->pen->path($d, 'ink', 1.4);
        }
        $kind = $this->kind($supply);

        return $this->pen->path($d, $kind, 7) . match ($kind) {
            'util' => '',
            'gen' => $this->pen->path($d, 'gen-tint', 3.4, 'stroke-dasharray="3.4 4.6"'),
            default => $this->pen->path($d, 'sheet', 3, 'stroke-dasharray=".1 6" stroke-linecap="round"'),
        };
    }

    /** @return 'gen'|'steel'|'util' the preferred source, another, or a control supply that never fails */
    public function kind(string $supply): string
    {
        return match (true) {
            $this->circuit->supplyById[$supply]->isAlways => 'steel',
            $supply === $this->circuit->preferred => 'util',
            default => 'gen',
        };
    }
}
