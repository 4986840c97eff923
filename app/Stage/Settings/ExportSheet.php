<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\SwitchFacts;
use App\Models\TransferSwitch;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

/** A version as a file, by the published schema settings-sheet. */
final readonly class ExportSheet
{
    public const FORMAT = 'escapement/settings-sheet/1';

    public function __invoke(TransferSwitch $switch, int $version): JsonResponse
    {
        $sheet = $switch->sheets()->with('user')->where('version', $version)->firstOrFail();
        $switch->load(['site', 'loads', 'plan']);
        $facts = new SwitchFacts($switch);
        $name = Str::slug("{$switch->site->name} $switch->name v$version") . '.json';

        return response()->json([
            'format' => self::FORMAT,
            'site' => $switch->site->name,
            'switch' => $switch->name,
            'version' => $sheet->version,
            'standing' => $sheet->standing->value,
            'author' => $sheet->user->name,
            'written_at' => $sheet->created_at->toIso8601ZuluString('millisecond'),
            'note' => $sheet->note,
            'settings' => $sheet->settings,
            'habits' => (object) $sheet->habits,
            'check' => $facts->checkInput($facts->settings($sheet->settings), $sheet->habits),
        ], 200, [
            'Content-Disposition' => "attachment; filename=\"$name\"",
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }
}
