<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\Typed;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        Model::shouldBeStrict(! app()->environment('production'));
        RateLimiter::for('sign-in', static fn(Request $request): array => [
            Limit::perMinute(5)->by(Str::lower(Typed::text($request, 'email')) . '|' . $request->ip()),
            Limit::perMinute(60)->by('ip|' . $request->ip()),
        ]);
        RateLimiter::for('owner', static fn(Request $request): Limit => Limit::perMinute(60)->by('owner|' . $request->ip()));
    }
}
