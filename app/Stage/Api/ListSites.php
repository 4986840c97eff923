<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final readonly class ListSites
{
    public function __invoke(Request $request): JsonResponse
    {
        $size = Lines::size($request);
        $query = Site::query();
        $query->with('switches')->orderBy('id');

        return Lines::page($query->paginate($size), Lines::site(...));
    }
}
