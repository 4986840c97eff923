<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\PanelFacts;
use App\Bridge\SwitchFacts;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Proposes the sheet that says what the panel does: limits of its dials, times of its circuit. */
final readonly class TakeFromCircuit
{
    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate(['seen_version' => ['required', 'integer', 'min:0']]);
        $switch->load(['site', 'loads', 'plan', 'sheet']);
        $page = new SheetPage($switch, $switch->sheet, SheetPage::school($request));
        $panel = (new PanelFacts($switch))->sheet($page->settings());
        if ($panel === null) {
            abort(409, 'No circuit is kept for this switch that a sheet could be taken from.');
        }
        $settings = $panel->proposed()->toWire();
        try {
            (new SwitchFacts($switch))->settings($settings);
        } catch (BadInput $bad) {
            throw ValidationException::withMessages(['circuit' => "The dials give no sheet: at $bad->path, {$bad->getMessage()}"]);
        }
        /** @var User $user */
        $user = $request->user();
        $sheet = $this->sheets->write(
            $switch,
            $settings,
            $page->habits,
            Standing::Proposed,
            'Limits and times of the control circuit.',
            $user,
            (int) $fields['seen_version'],
        );

        return redirect()->route('sheet', $switch)->with('said', $sheet === null
            ? 'Somebody has written a newer sheet in the meantime. Look at it first.'
            : "Version $sheet->version is proposed: it says what the circuit does.");
    }
}
