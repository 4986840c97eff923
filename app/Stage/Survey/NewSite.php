<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use Escapement\Core\Plant\InstallationKind;
use Illuminate\Contracts\View\View;

final readonly class NewSite
{
    public function __invoke(): View
    {
        return view('survey.new', ['kinds' => InstallationKind::cases()]);
    }
}
