<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/**
 * Whether this node can serve: 200 with a database that answers, else 503. It says who it is, so that a stranger on the port is none of
 * ours.
 */
final readonly class HealthCheck
{
    public function __invoke(): Response
    {
        try {
            DB::selectOne('SELECT 1');
        } catch (\Throwable) {
            return response("escapement: no database\n", 503, ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store']);
        }

        return response("escapement: up\n", 200, ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store']);
    }
}
