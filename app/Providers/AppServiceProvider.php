<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\NumberValidator;
use App\Http\Shown;
use App\Models\User;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\Translation\Translator;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustHosts;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\PersonalAccessToken;
use Laravel\Sanctum\Sanctum;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton('db.factory', static fn(Container $app): OrderedHosts => new OrderedHosts($app));
    }

    public function boot(): void
    {
        Validator::resolver(
            static fn(
                Translator $translator,
                array $data,
                array $rules,
                array $messages,
                array $attributes,
            ) => new NumberValidator($translator, $data, $rules, $messages, $attributes),
        );
        Blade::setEchoFormat('\\' . Shown::class . '::text(%s)');
        TrustProxies::at(config()->array('app.proxies'));
        $pattern = static fn(string $host): string => '^' . preg_quote($host) . '$';
        TrustHosts::at(static fn(): array => array_map($pattern, self::hosts()), subdomains: false);
        Model::shouldBeStrict(! app()->environment('production'));
        RateLimiter::for('password', static fn(Request $request): Limit => Limit::perMinute(5)->by('password|'
            . $request->user()?->getAuthIdentifier()));
        RateLimiter::for('uploads', static fn(Request $request): Limit => Limit::perMinute(120)->by('uploads|'
            . $request->user()?->getAuthIdentifier()));
        $numbers = ['person', 'version', 'site', 'switch', 'run', 'season', 'scenario', 'recording', 'imported', 'link', 'key', 'hook',
            'profile', 'device', 'heard'];
        foreach ($numbers as $number) {
            Route::pattern($number, '[0-9]{1,9}'); // what is no number of ours is not there: it never reaches a query or an int
        }
        RateLimiter::for('owner-report', static fn(Request $request): Limit => Limit::perHour(6)->by('owner-report|'
            . (is_string($request->route('token')) ? $request->route('token') : '')));
        RateLimiter::for('fleet-feed', self::perToken(30));
        RateLimiter::for('api-token', self::perToken(120));
        RateLimiter::for('api-calc', self::perToken(60));
        Sanctum::authenticateAccessTokensUsing(static function (PersonalAccessToken $token, bool $isValid): bool {
            $person = $token->getRelationValue('tokenable');

            return $isValid && $person instanceof User && $person->isHere();
        });
        RateLimiter::for('owner', static fn(Request $request): Limit => Limit::perMinute(60)->by('owner|' . $request->ip()));
    }

    /** @return list<string> names that this may be called by: a link in a mail never points to what a stranger wrote into a request */
    private static function hosts(): array
    {
        $own = parse_url(config()->string('app.url'), PHP_URL_HOST);
        $others = array_filter(config()->array('app.hosts'), is_string(...));

        return array_values([...is_string($own) ? [$own] : [], '127.0.0.1', 'localhost', '[::1]', ...$others]);
    }

    /** By the token that came, and by the address, for one that comes with many tokens. */
    private static function perToken(int $times): \Closure
    {
        return static fn(Request $request): array => [
            Limit::perMinute($times)->by("$times|" . hash('sha256', $request->bearerToken() ?? (string) $request->ip())),
            Limit::perMinute($times * 10)->by("$times|" . $request->ip()),
        ];
    }
}
