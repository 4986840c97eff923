<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadTest;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Plans a load test and begins its record. */
final readonly class OpenLoadTest
{
    public function __construct(private TestBook $book) {}

    public function open(Request $request, TransferSwitch $switch): LoadTest
    {
        $facts = new LoadTestFacts($switch->load(['site', 'loads', 'plan']));
        abort_if($facts->lacks() !== null, 409, (string) $facts->lacks());
        $read = (new PlanRequest($facts))->read($request);
        /** @var User $user */
        $user = $request->user();

        return DB::transaction(function () use ($switch, $user, $read): LoadTest {
            $test = LoadTest::query()->create([
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
                'profile' => $read['plan']['profile'], 'top_pct' => LoadTest::topPct($read['plan']),
            ] + $read)->refresh();
            $this->book->plan($test, $user);

            return $test;
        });
    }
}
