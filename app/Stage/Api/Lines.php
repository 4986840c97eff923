<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\LoadTest;
use App\Models\Run;
use App\Models\Sheet;
use App\Models\Site;
use App\Models\TransferSwitch;
use App\Stage\Survey\LoadLines;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the API says of each thing; lengths in metres, times in UTC. */
final readonly class Lines
{
    public const MOST = 200;
    public const USUAL = 50;

    /** @return array<string, mixed> */
    public static function site(Site $site): array
    {
        return [
            'id' => $site->id, 'name' => $site->name, 'address' => $site->address, 'owner' => $site->owner, 'timezone' => $site->timezone,
            'units' => $site->units, 'installation' => $site->installation->value, 'service_a' => $site->service_a,
            'altitude_m' => $site->altitude_m === null ? null : (float) $site->altitude_m,
            'switches' => array_values($site->switches->map(self::reference(...))->all()),
        ];
    }

    /** @return array<string, mixed> */
    public static function switch(TransferSwitch $switch): array
    {
        return self::reference($switch) + [
            'site' => $switch->site_id, 'poles' => $switch->poles, 'service_rated' => $switch->service_rated,
            'fuel' => $switch->fuel?->value, 'rated_kw' => (object) $switch->rated_kw, 'plant' => $switch->plant,
            'survey' => (object) ($switch->survey ?? []),
            'sheets' => array_values($switch->sheets->map(self::sheet(...))->all()),
        ];
    }

    /** @return array<string, mixed> the whole of it is at /switches/{id}/sheets/{version} */
    public static function sheet(Sheet $sheet): array
    {
        return ['version' => $sheet->version, 'standing' => $sheet->standing->value, 'note' => $sheet->note,
            'author' => $sheet->user->name, 'written_at' => $sheet->created_at->toIso8601ZuluString('millisecond'),
        ];
    }

    /** @return array<string, mixed> */
    public static function run(Run $run): array
    {
        return [
            'id' => $run->id, 'switch' => $run->switch_id, 'sheet_version' => $run->sheet->version, 'by' => $run->user->name,
            'begun_at' => $run->created_at->toIso8601ZuluString('millisecond'),
            'signed_at' => $run->signed_at?->toIso8601ZuluString('millisecond'), 'signed_name' => $run->signed_name,
            'verdict' => $run->verdict, 'head' => $run->head,
        ];
    }

    /** @return array<string, mixed> */
    public static function loadTest(LoadTest $test): array
    {
        return [
            'id' => $test->id, 'switch' => $test->switch_id, 'profile' => $test->profile->value, 'plan' => $test->plan,
            'planned_for' => $test->planned_for?->toIso8601ZuluString(), 'by' => $test->user->name,
            'closed_at' => $test->closed_at?->toIso8601ZuluString('millisecond'), 'closed_by' => $test->closed_by,
            'verdict' => $test->verdict, 'head' => $test->head,
        ];
    }

    /** @return array{loads: list<array<string, mixed>>} figures as numbers */
    public static function loads(TransferSwitch $switch): array
    {
        $figures = array_flip(LoadLines::FIGURES);

        return ['loads' => array_map(static function (array $load) use ($figures): array {
            foreach (array_intersect_key($load, $figures) as $key => $value) {
                $load[$key] = is_numeric($value) ? $value + 0 : null;
            }

            return $load;
        }, LoadLines::kept($switch))];
    }

    /** How many a page has, as it was asked for. */
    public static function size(Request $request): int
    {
        $request->validate(['page' => ['integer', 'between:1,1000000'], 'per_page' => ['integer', 'between:1,' . self::MOST]], [
            'page.*' => 'Pages are counted from 1.', 'per_page.*' => 'A page has 1 to ' . self::MOST . ' lines.',
        ]);

        return $request->integer('per_page', self::USUAL);
    }

    /**
     * @template T of \Illuminate\Database\Eloquent\Model
     *
     * @param LengthAwarePaginator<int, T>      $page
     * @param callable(T): array<string, mixed> $line
     */
    public static function page(LengthAwarePaginator $page, callable $line): JsonResponse
    {
        return self::json([
            'data' => array_map($line, $page->items()), 'page' => $page->currentPage(), 'per_page' => $page->perPage(),
            'pages' => $page->lastPage(), 'total' => $page->total(),
        ]);
    }

    /**
     * @param array<string, mixed>  $data
     * @param array<string, string> $headers
     */
    public static function json(array $data, int $status = 200, array $headers = []): JsonResponse
    {
        $how = JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

        return new JsonResponse($data, $status, $headers, $how);
    }

    /** @return array<string, mixed> */
    private static function reference(TransferSwitch $switch): array
    {
        return ['id' => $switch->id, 'name' => $switch->name, 'application' => $switch->application->value,
            'rating_a' => $switch->rating_a,
        ];
    }
}
