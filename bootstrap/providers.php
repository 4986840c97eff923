<?php

declare(strict_types=1);

use App\Providers\AppServiceProvider;
use Laravel\Sanctum\SanctumServiceProvider;

// Named rather than found: what was found before an upgrade may still be in the cache.
return [AppServiceProvider::class, SanctumServiceProvider::class];
