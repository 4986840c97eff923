<?php

declare(strict_types=1);

namespace App\Stage\Survey;

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

            return $back->withInput(['loads' => [...$lines, ...$read]])->with(
                'said',
                count($read) . ' lines are read. Look at them, then save.',
            );
        }
        $names = array_filter((array) $request->input('typical', []), is_string(...));
        $library = TypicalLoads::ofCompany()->whereIn('name', $names);
        if ($library->isEmpty()) {
            return $back->withInput(['loads' => $lines])->withErrors(['typical' => 'Choose a load of the library.']);
        }
        $put = [];
        foreach ($library as $typical) {
            $put[] = LoadLines::placed($typical, [...$lines, ...$put], ($switch->plant['sources']['normal']['phases'] ?? 1) === 2);
        }
        $said = count($put) === 1 ? "{$put[0]['name']} stands at the end. Put its figures right, then save." : count($put)
            . ' loads stand at the end. Put their figures right, then save.';

        return $back->withInput(['loads' => [...$lines, ...$put]])->with('said', $said);
    }
}
