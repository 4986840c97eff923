<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Models\DeviceProfile;
use App\Stage\CsvFile;
use Escapement\Core\Device\Profile\Place;
use Escapement\Core\Wire\Device\ProfileReader;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final readonly class ExportProfile
{
    public function __invoke(DeviceProfile $profile, string $form): JsonResponse|Response
    {
        $name = Str::slug($profile->name) . "-registers.$form";
        if ($form === 'json') {
            return response()->json($profile->profile, 200, ['Content-Disposition' => "attachment; filename=\"$name\""], JSON_PRETTY_PRINT
                | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
        }
        $rows = array_map(static function (Place $place): array {
            $row = ProfileReader::row($place);

            return array_map(static fn(string $column): null|bool|float|int|string => is_scalar($row[$column] ?? null) ? $row[$column]
                : null, ProfileReader::COLUMNS);
        }, $profile->read()->places);

        return CsvFile::download($name, ProfileReader::COLUMNS, $rows);
    }
}
