<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Http\Typed;
use Illuminate\Http\Request;

/** What of a circuit is looked at: which fault is there, which step of the way, which proposal, in the address. */
final readonly class CircuitLook
{
    public function __construct(public string $fault = '', public ?int $step = null, public string $propose = '') {}

    public static function from(Request $request): self
    {
        $step = Typed::text($request, 'step', 4);

        return new self(
            Typed::text($request, 'fault', 60),
            ctype_digit($step) ? (int) $step : null,
            Typed::text($request, 'propose', 90),
        );
    }
}
