<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Bridge\BenchFacts;
use App\Device\BenchStore;
use App\Device\Installation;
use App\Models\Bench;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Stands up a made-up installation with the plant, sheet and loads of a switch, in place of the one before. */
final readonly class PutOnBench
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $why = self::put($switch->load(SiteStanding::NEEDS), $user);

        return redirect()->route('bench', $switch)->with('said', $why ?? 'It stands on the bench.');
    }

    /**
     * @param list<array<string, mixed>> $inputs that it begins with, as `bench_play` has them
     *
     * @return ?string why it cannot be; null when it stands
     */
    public static function put(TransferSwitch $switch, User $user, array $inputs = []): ?string
    {
        $facts = new BenchFacts($switch);
        $lacks = $facts->lacks();
        if ($lacks !== null) {
            return $lacks;
        }
        $kept = [
            'serial' => "BENCH-$switch->id-" . strtoupper(bin2hex(random_bytes(3))), 'kind' => $switch->site->installation->value,
            'spec' => $facts->spec(hasBank: true), 'inputs' => $inputs, 'base_ms' => 0, 'now_ms' => 0, 'rate' => 1, 'revision' => 1,
            'last_seq' => 0,
        ];
        try {
            new Installation($kept, BenchStore::mono());
        } catch (BadInput $bad) {
            return 'Survey and sheet do not make a bench: ' . lcfirst($bad->getMessage());
        }

        return DB::transaction(static function () use ($switch, $user, $kept): ?string {
            TransferSwitch::locked($switch->id);
            $query = Bench::query()->withoutGlobalScopes();
            $taken = $query->where('switch_id', '<>', $switch->id)->lockForUpdate()->pluck('place')->all();
            $free = array_values(array_diff(range(0, config()->integer('bench.most') - 1), $taken));
            if ($free === []) {
                return 'Every place of the bench is taken: take another installation down first.';
            }
            $before = BenchDesk::of($switch);
            $before?->delete();
            Bench::query()->create([
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'serial' => $kept['serial'],
                'place' => $before->place ?? $free[0], 'kept' => $kept, 'stood_at' => Carbon::now(),
            ]);

            return null;
        });
    }
}
