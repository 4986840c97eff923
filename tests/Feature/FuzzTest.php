<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\Fuzz;
use Tests\TestCase;
use Tests\WalksRoutes;

/** No request, however it is made, is answered by a failure. `FUZZ=10000` asks more often, `FUZZ_SEED` otherwise. */
final class FuzzTest extends TestCase
{
    use WalksRoutes;

    private const USUAL = 700;
    private const LEFT_OUT = ['logout', 'up', '_ignition', 'storage/{path}'];

    #[Test]
    public function hostile_requests_to_every_route_are_refused_and_never_fail(): void
    {
        $times = (int) (getenv('FUZZ') ?: self::USUAL);
        $fuzz = new Fuzz((int) (getenv('FUZZ_SEED') ?: 20261127));
        $user = $this->signIn(Role::Lead);
        $switch = $this->switchOf($user);
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        $isAsked = static fn(array $one): bool => ! in_array($one[1]->uri(), self::LEFT_OUT, true);
        $routes = array_values(array_filter($this->routes(), $isAsked));
        foreach ($this->app['router']->getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                $routes[] = [$route->methods()[0], $route];
            }
        }
        shuffle($routes); // by the seed
        $token = $user->createToken('fuzz', ['read', 'write', 'calc'], now()->addDay())->plainTextToken;
        config(['cache.default' => 'null']); // nothing is counted: else most would be told to wait
        $failed = $answered = [];
        for ($i = 0; $i < $times; $i++) {
            [$method, $route] = $routes[$i % count($routes)];
            [$path, $fields, $headers] = $fuzz->request($route, $ids);
            $json = array_filter($fields, static fn(mixed $one): bool => ! is_object($one));
            $this->app['auth']->forgetGuards();
            $this->flushSession();
            Auth::setUser($user);
            DB::beginTransaction();
            try {
                $answer = str_starts_with($path, '/api/')
                    ? $this->withToken($token)->json($method, $path, $json)
                    : $this->flushHeaders()->call($method, $path, $fields, server: $headers);
                $answered[intdiv($answer->getStatusCode(), 100)] = true;
                if ($answer->getStatusCode() >= 500) {
                    $fault = $answer->exception;
                    $failed[] = ($fault === null ? $answer->getStatusCode() : $fault::class . " {$fault->getMessage()} at "
                        . "{$fault->getFile()}:{$fault->getLine()}") . " by $method $path "
                        . json_encode($fields, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_UNESCAPED_SLASHES);
                }
            } finally {
                while (DB::transactionLevel() > 1) {
                    DB::rollBack();
                }
            }
        }
        self::assertArrayHasKey(2, $answered, 'some of them get through');
        self::assertSame([], array_map(static fn(string $one): string => mb_strimwidth($one, 0, 900, '…'), array_slice($failed, 0, 20)));
    }
}
