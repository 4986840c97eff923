<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Http\Typed;
use Illuminate\Http\Request;

/** How the drawing is looked at: where the switch stands, what is open, whether to show what stays live. */
final readonly class PlanLook
{
    public function __construct(
        public string $on = 'normal',
        public string $open = '',
        public bool $showsStillLive = false,
        public string $bonds = 'moves',
    ) {}

    public static function from(Request $request): self
    {
        $on = Typed::text($request, 'on');

        $bonds = Typed::text($request, 'bonds');

        return new self(
            in_array($on, ['normal', 'off', 'emergency'], true) ? $on : 'normal',
            Typed::text($request, 'open', 80),
            $request->boolean('still'),
            in_array($bonds, ['before', 'after'], true) ? $bonds : 'moves',
        );
    }
}
