<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use Escapement\Core\Wire\BadInput;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php', health: '/up')
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->redirectGuestsTo('/login');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->render(static fn(BadInput $e, Request $request) => $request->expectsJson()
            ? response()->json($e->toArray(), 422) : null);
        $exceptions->dontReport([BadInput::class]);
    })
    ->create();
