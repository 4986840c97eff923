<?php

declare(strict_types=1);

use App\Http\HealthCheck;
use App\Http\Middleware\NamedRequest;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SmallBody;
use App\Stage\Account\Interrupted;
use App\Stage\Api\JsonOnly;
use App\Stage\Api\Problem;
use App\Stage\FleetFeed\TakeReport;
use Escapement\Core\Input\BadInput;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpKernel\Exception\HttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
        api: __DIR__ . '/../routes/api.php',
        apiPrefix: 'api/v1',
        commands: __DIR__ . '/../routes/console.php',
        then: static function (): void {
            Route::get('/up', HealthCheck::class); // without session and cookie: they need the database it asks for
            Route::post('/feed/report', TakeReport::class)->middleware('throttle:fleet-feed')->name('fleet-feed.report');
        },
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->trustHosts(); // which, AppServiceProvider says
        $middleware->prepend(NamedRequest::class);
        $middleware->append([SecurityHeaders::class, SmallBody::class]);
        $middleware->api(prepend: [JsonOnly::class]);
        $middleware->redirectGuestsTo('/login');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->render(static fn(\Throwable $e, Request $request) => $request->is('api/*') ? Problem::of($e) : null);
        $exceptions->render(static fn(BadInput $e) => response()->json($e->toArray(), 422)); // only what scripts send comes to this
        $exceptions->render(static fn(HttpException $e, Request $request) => $e->getStatusCode() === 419 ? Interrupted::kept($request)
            : null);
        $exceptions->render(static fn(AuthenticationException $e, Request $request) => Interrupted::kept($request));
        // Without the values of the statement: what people typed, and what is secret, is no matter for a log.
        $exceptions->report(static function (QueryException $e): bool {
            Log::error(
                'Database: ' . $e->getPrevious()?->getMessage(),
                ['sql' => $e->getSql(), 'trace' => mb_substr($e->getTraceAsString(), 0, 4000)],
            );

            return false;
        });
        $exceptions->dontReport([BadInput::class]);
    })
    ->create();
