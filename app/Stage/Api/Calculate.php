<?php

declare(strict_types=1);

namespace App\Stage\Api;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Exported;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** One calculation: the same JSON in and out as of the command line, and what the pages export goes in as well. */
final readonly class Calculate
{
    /** A season of thousands of outages takes longer than anybody waits for an answer. */
    public const LEFT_OUT = ['settings_compare'];

    public function __construct(private Calculations $calculations) {}

    /** @throws BadInput */
    public function __invoke(Request $request, string $name): JsonResponse
    {
        if (in_array($name, self::LEFT_OUT, true)) {
            return Problem::answer(404, 'A season is played in the queue: on its page, or with bin/escapement calc settings_compare.');
        }
        abort_unless($name === 'rehearse' || in_array($name, Calculations::NAMES, true), 404);
        $input = Exported::input($name, Node::fromJson($request->getContent()));

        return Lines::json($name === 'rehearse' ? $this->calculations->rehearse($input) : $this->calculations->calc($name, $input));
    }
}
