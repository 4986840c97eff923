<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\SwitchFacts;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Doubts;
use Escapement\Core\Settings\SettingsDiff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

final readonly class SaveSheet
{
    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'seen_version' => ['required', 'integer', 'min:0'],
            'standing' => ['required', Rule::enum(Standing::class)],
            'note' => ['nullable', 'string', 'max:500'],
            'f' => ['required', 'array', 'max:60'],
            'h' => ['array', 'max:20'],
            'sure' => ['nullable', 'boolean'],
        ], ['standing.*' => 'Say whether this is as found, proposed or as left.', 'f.*' => 'The settings are missing from this form.']);
        $switch->load(['sheet.user', 'loads']);
        $facts = new SwitchFacts($switch);
        $settings = (new SheetForm($facts->plant))->settings($fields['f'], $switch->sheet->settings ?? []);
        $habits = (new HabitsRequest())->habits($fields['h'] ?? [], $switch->sheet->habits ?? []);
        $this->askBack($facts, $settings, $habits, $fields);
        /** @var User $user */
        $user = $request->user();
        $sheet = $this->sheets->write(
            $switch,
            $settings,
            $habits,
            Standing::from($fields['standing']),
            $fields['note'] ?? null,
            $user,
            (int) $fields['seen_version'],
        );
        if ($sheet !== null) {
            return redirect()->route('sheet', $switch)->with('said', "Version $sheet->version is saved, {$sheet->standing->label()}.");
        }

        $newest = $switch->sheet()->with('user')->firstOrFail();
        $changes = (new SettingsDiff())->compare($facts->settings($newest->settings), $facts->settings($settings));

        return redirect()->route('sheet', $switch)->withInput()->with('overtaken', [
            'version' => $newest->version,
            'by' => $newest->user->name,
            'changes' => array_map(static fn($change): string => $change->meaning(), $changes),
        ]);
    }

    /**
     * What nobody means is asked back once; and what is left against a stop says why, for the next who reads it.
     *
     * @param array<string, mixed> $settings
     * @param array<string, mixed> $habits
     * @param array<string, mixed> $fields as validated
     *
     * @throws ValidationException
     */
    private function askBack(SwitchFacts $facts, array $settings, array $habits, array $fields): void
    {
        $doubts = ($fields['sure'] ?? false) ? [] : Doubts::of($settings);
        $messages = [];
        foreach ($doubts as $path => $doubt) {
            $messages["f.$path"] = $doubt;
        }
        if ($doubts !== []) {
            $messages['sure'] = 'Tick that it is meant, or correct it: ' . implode(' ', $doubts);
        }
        if ($fields['standing'] === Standing::AsLeft->value && trim((string) ($fields['note'] ?? '')) === '') {
            $stops = array_filter(
                $facts->check($facts->settings($settings), $habits)->findings,
                static fn(Finding $finding): bool => $finding->severity === Severity::Stop,
            );
            if ($stops !== []) {
                $messages['note'] = 'It is left with a stop: ' . implode(
                    ' ',
                    array_map(static fn(Finding $finding): string => $finding->message, $stops),
                ) . ' Write why.';
            }
        }
        if ($messages !== []) {
            throw ValidationException::withMessages($messages);
        }
    }
}
