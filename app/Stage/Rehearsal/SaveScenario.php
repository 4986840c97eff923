<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use App\Models\Scenario;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Simulation\ScenarioEvent;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\MessageBag;
use Illuminate\Validation\ValidationException;

/** Keeps the script on the bench for the company; under a name that is there already it takes that one's place. */
final readonly class SaveScenario
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate(
            ['name' => ['required', 'string', 'max:80'], 'teaches' => ['nullable', 'string', 'max:250']],
            ['name.required' => 'It needs a name to be found by.'],
        );
        $switch->load(['loads', 'sheet']);
        $facts = new SwitchFacts($switch);
        $errors = new MessageBag();
        $plot = (new Plots($facts))->fromRequest($request, $errors);
        $events = $plot instanceof ScriptPlot ? $plot->events($facts, $errors) : null;
        if ($events === null) {
            throw ValidationException::withMessages(['name' => $errors->first() ?: 'There is no script to keep: edit a story first.']);
        }
        /** @var User $user */
        $user = $request->user();
        $scenario = Scenario::query()->updateOrCreate(['company_id' => $user->company_id, 'name' => $fields['name']], [
            'user_id' => $user->id, 'teaches' => $fields['teaches'] ?? null,
            'phases' => $facts->plant->normal->phases,
            'nominal_v' => $facts->plant->normal->nominalV,
            'nominal_hz' => $facts->plant->normal->nominalHz,
            'events' => array_map(static fn(ScenarioEvent $event): array => $event->toArray(), $events),
        ]);

        return redirect()->route(
            'rehearsal',
            ['switch' => $switch, 'story' => "saved-$scenario->id"],
        )->with('said', "\"$scenario->name\" is kept for the company.");
    }
}
