<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\ImportedRun;
use App\Models\Recording;
use App\Models\Scenario;
use App\Models\Site;
use Illuminate\Contracts\View\View;

/** What a company keeps to rehearse with: its own scenarios and its recordings. */
final readonly class ShowLibrary
{
    public function __invoke(): View
    {
        return view('library.page', [
            'scenarios' => Scenario::query()->orderBy('name')->get(),
            'recordings' => Recording::query()->with('user')->orderByDesc('id')->get([
                'id',
                'company_id',
                'user_id',
                'name',
                'source',
                'phases',
                'nominal_v',
                'nominal_hz',
                'until_ms',
                'points',
                'created_at',
            ]),
            'runs' => ImportedRun::query()->with('user')->orderByDesc('id')->get([
                'id',
                'company_id',
                'user_id',
                'kind',
                'site',
                'verdict',
                'created_at',
            ]),
            'sites' => Site::query()->with('switches.sheet')->orderBy('name')->get(),
        ]);
    }
}
