<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Http\Typed;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** Puts a load of the library, or the lines of a table, below what is typed already. Nothing is kept until the list is saved. */
final readonly class PutInLoads
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $lines = LoadLines::typed($request);
        $back = redirect()->route('survey', ['site' => $switch->site_id, 'on' => 'loads', 'switch' => $switch->id]);
        $file = $request->file('table');
        if ($file instanceof UploadedFile) {
            try {
                $read = LoadTable::read($file->isValid() ? $file->getContent() : '');
            } catch (LoadTableFault $e) {
                return $back->withInput(['loads' => $lines])->withErrors(['table' => $e->getMessage()]);
            }

            return $back->withInput(['loads' => [...$lines, ...$read]])->with('said', count($read) . ' lines are read. Look at them, then save.');
        }
        $typical = TypicalLoads::ofCompany()->firstWhere('name', Typed::text($request, 'typical', 64));
        if ($typical === null) {
            return $back->withInput(['loads' => $lines])->withErrors(['typical' => 'Choose a load of the library.']);
        }
        $placed = LoadLines::placed($typical, $lines, ($switch->plant['sources']['normal']['phases'] ?? 1) === 2);

        return $back->withInput(['loads' => [...$lines, $placed]])->with('said', $placed['name'] . ' stands at the end. Put its figures right, then save.');
    }
}
