<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\TransferSwitch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Says of names of files where each picture belongs; nothing is sent yet. */
final readonly class LookAtNames
{
    private const MOST = 500;

    public function __invoke(Request $request): JsonResponse
    {
        $fields = $request->validate(
            ['names' => ['required', 'array', 'max:' . self::MOST], 'names.*' => ['string', 'max:250']],
            ['names.*' => 'Up to ' . self::MOST . ' names of files.'],
        );
        $query = TransferSwitch::query()->with('site');
        $query->orderBy('id');
        $names = new PictureName($query->get());

        return response()->json(['places' => array_map(static function (string $file) use ($names): array {
            $switch = $names->switch($file);

            return [
                'place' => $switch === null ? '' : "{$switch->site->name}, $switch->name", 'subject' => PictureName::subject($file)->value,
            ];
        }, array_values($fields['names']))]);
    }
}
