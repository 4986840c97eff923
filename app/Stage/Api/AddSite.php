<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\User;
use App\Stage\Survey\OpenSite;
use App\Stage\Survey\SiteRequest;
use Illuminate\Http\JsonResponse;

final readonly class AddSite
{
    public function __construct(private OpenSite $opener) {}

    public function __invoke(SiteRequest $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $site = $this->opener->open($user->company_id, $request->columns($request->validated()));

        return Lines::json(Lines::site($site->refresh()->load('switches')), 201, ['Location' => route('api.site', $site)]);
    }
}
