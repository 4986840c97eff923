<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Http\Typed;
use Illuminate\Http\Request;

/** How the drawing is looked at: where the switch stands, what is open, whether to show what stays live, and fault currents. */
final readonly class PlanLook
{
    public function __construct(
        public string $on = 'normal',
        public string $open = '',
        public bool $showsStillLive = false,
        public string $bonds = 'moves',
        public bool $showsFaults = false,
        public ?string $lost = null,
    ) {}

    public static function from(Request $request): self
    {
        $on = Typed::text($request, 'on');

        $bonds = Typed::text($request, 'bonds');
        $lost = Typed::text($request, 'lost');

        return new self(
            in_array($on, ['normal', 'off', 'emergency'], true) ? $on : 'normal',
            Typed::text($request, 'open', 80),
            $request->boolean('still'),
            in_array($bonds, ['before', 'after'], true) ? $bonds : 'moves',
            $request->boolean('fault'),
            in_array($lost, ['L1', 'L2', 'L3'], true) ? $lost : null,
        );
    }

    /** @return array<string, int|string> as a query, for the same look on paper */
    public function query(): array
    {
        return [
            'on' => $this->on, 'open' => $this->open, 'still' => (int) $this->showsStillLive, 'bonds' => $this->bonds,
            'fault' => (int) $this->showsFaults,
        ] + ($this->lost === null ? [] : ['lost' => $this->lost]);
    }
}
