<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Models\TransferSwitch;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowSheet
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(['site.switches', 'loads', 'plan', 'sheet.user', 'sheets.user', 'run.sheet', 'run.user', 'proofs']);
        $version = $request->integer('version');
        $sheet = $version > 0 ? $switch->sheets->firstWhere('version', $version) : $switch->sheet;
        abort_if($version > 0 && $sheet === null, 404);

        return view('settings.page', ['page' => new SheetPage(
            $switch,
            $sheet,
            SheetPage::school($request),
        )]);
    }
}
