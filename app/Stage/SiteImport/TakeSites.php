<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\User;
use App\Stage\Survey\OpenSite;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Makes sites and switches of the lines of a list: all that have no fault, once the person has seen what becomes of them. */
final readonly class TakeSites
{
    public function __construct(private OpenSite $opener) {}

    public function __invoke(Request $request): RedirectResponse|View
    {
        $page = ImportPage::of($request);
        $faulty = $page->sites?->count(LineFate::Faulty) ?? 0;
        $isHeld = $faulty > 0 && ! $request->boolean('without_faulty');
        if ($page->sites === null || $page->table === null || $page->columns === null || $isHeld) {
            return view('site-import.page', ['page' => $page, 'refused' => $isHeld
                ? 'Nothing was taken in. Mend the lines with faults, or say that they are left out.' : null]);
        }
        /** @var User $user */
        $user = $request->user();
        $page->columns->remember($page->table, $user);
        $page->sites->write($user->company_id, $this->opener);

        return redirect()->route('board')->with('said', $page->becomes() === 0 ? 'Nothing new was in that list.'
            : "Taken in: {$page->summary()}" . ($faulty > 0 ? '; the lines with faults were left out.' : '.'));
    }
}
