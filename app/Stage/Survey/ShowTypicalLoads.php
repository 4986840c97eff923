<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TypicalLoad;
use Illuminate\Contracts\View\View;

final readonly class ShowTypicalLoads
{
    public function __invoke(): View
    {
        return view('survey.typical-loads', ['lines' => TypicalLoads::ofCompany()->all(), 'isOwn' => TypicalLoad::query()->exists()]);
    }
}
