<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\Units;
use App\Models\Device;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\User;
use App\Stage\Board\KeptTrain;
use Escapement\Core\Finding\Finding;
use Escapement\Core\LoadTest\BankCable;
use Escapement\Core\LoadTest\OwnLoadStep;
use Escapement\Core\LoadTest\PlannedStep;
use Escapement\Core\Wiring\Sizes;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** One load test of this company: its plan, its bank, the newest of its readings, what is proved so far. */
final readonly class LoadTestPage
{
    private const A_PAGE = 15;

    /** What of a test it reads, to be loaded before; of the readings only as many as it shows. */
    public const NEEDS = [
        'marks.user', 'photos', 'recordings', 'bank', 'user', 'switch.site.switches', 'switch.loads', 'switch.plan',
    ];

    public KeptTrain $standing;
    public LoadTestFacts $facts;
    public JudgedTest $judged;
    /** @var LengthAwarePaginator<int, LoadReading> struck ones too: the newest on the first page, in order of time on each */
    public LengthAwarePaginator $readings;

    public function __construct(public LoadTest $test, int $page = 1)
    {
        $switch = $test->switch;
        $this->standing = new KeptTrain($switch);
        $this->facts = new LoadTestFacts($switch);
        $words = new ReadingWords(new Units($switch->site->units), $switch->site->timezone);
        $this->judged = new JudgedTest($test, TestDigest::cached($test, $this->facts, $words), $words);
        $this->readings = $this->page($page);
    }

    /** @return Collection<int, Device> meters of the switch that can be asked */
    public function devices(): Collection
    {
        $query = Device::query()->where('switch_id', $this->test->switch_id);
        $query->orderBy('name');

        return $query->get();
    }

    /** @return LengthAwarePaginator<int, LoadReading> a page past the last is the last */
    private function page(int $page): LengthAwarePaginator
    {
        $count = $this->judged->digest->taken();
        $page = max(1, min($page, (int) ceil($count / self::A_PAGE)));
        $readings = $this->test->readings()->with('user');
        $readings->reorder()->orderByDesc('taken_at')->orderByDesc('id')->forPage($page, self::A_PAGE);

        return new LengthAwarePaginator($readings->get()->reverse()->values(), $count, self::A_PAGE, $page, [
            'path' => route('load-test', $this->test), 'fragment' => 'readings',
        ]);
    }

    public static function loaded(int $id): LoadTest
    {
        return LoadTest::query()->with(self::NEEDS)->findOrFail($id);
    }

    public function mayWrite(User $user): bool
    {
        return ! $this->test->isClosed() && $user->role->mayWrite();
    }

    /** Cables and volts of the bank; null without one. */
    public function cable(): ?BankCable
    {
        $mostKw = max([0.0, ...array_map(static fn(PlannedStep $step): float => $step->bankKw, $this->judged->plan->steps)]);
        $phases = $this->facts->phases();
        $system = $this->facts->plan->system;

        return $mostKw <= 0 || ! in_array($phases, [1, 2, 3], true) ? null : new BankCable(
            $mostKw,
            (float) ($phases === 1 ? $system->vLn : $system->vLl()),
            $phases,
            $this->test->bank?->cable_a,
            $this->test->bank?->rated_v,
        );
    }

    /** The bank and where its fans are fed from; null where none of the equipment list was chosen. */
    public function bank(): ?string
    {
        $bank = $this->test->bank;

        return $bank === null ? null : $bank->name . ($bank->fan_supply === null ? '' : ", fans from $bank->fan_supply");
    }

    /** The conductor that the table gives for the bank. */
    public function conductor(BankCable $cable): string
    {
        $size = $cable->conductor->size;

        return $size === null ? 'none of the table: parallel sets' : sprintf('%s copper, %.1f mm²', $size, Sizes::mm2($size));
    }

    /** What the cable set of the bank is rated for, as the end of a sentence. */
    public function cableSet(): string
    {
        return $this->test->bank?->cable_a === null ? '' : ': ' . round($this->test->bank->cable_a, 1) . ' A';
    }

    public function mark(LoadMark $one): string
    {
        return $one->kind->label() . ($one->level_pct === null ? '' : " to $one->level_pct %");
    }

    /** @return list<OwnLoadStep> which loads of its own a house without a bank switches; empty with a bank */
    public function ownLoads(): array
    {
        return ($this->test->plan['bank_elements_kw'] ?? []) === [] ? $this->facts->ownLoads($this->judged->plan) : [];
    }

    /** @return Collection<int, Photo> of a reading */
    public function photosOf(LoadReading $reading): Collection
    {
        return $this->test->photos->where('reading_id', $reading->id);
    }

    /** The level that comes next by the plan, after those that were marked. */
    public function nextLevel(): ?float
    {
        $marked = $this->test->marks->filter(static fn(LoadMark $one): bool => $one->struck_why === null && $one->kind->hasLevel())
            ->count();

        return $this->judged->plan->steps[$marked]->levelPct ?? null;
    }

    public function freshId(): string
    {
        return (string) Str::uuid();
    }

    public function now(): string
    {
        return Carbon::now($this->test->switch->site->timezone)->format('H:i');
    }

    /** @return list<string> the elements of a step, by their kilowatts */
    public function elements(int $step): array
    {
        $bank = $this->test->plan['bank_elements_kw'] ?? [];

        return array_map(
            static fn(int $i): string => '#' . ($i + 1) . ' ' . (float) ($bank[$i] ?? 0) . ' kW',
            $this->judged->plan->steps[$step]->elements ?? [],
        );
    }

    /** @return list<Finding> of the plan too, until the test is closed */
    public function findings(): array
    {
        return $this->test->isClosed() ? $this->judged->findings() : $this->judged->told([
            ...$this->judged->result->findings ?? [], ...$this->judged->spans->findings,
            ...$this->judged->plan->findings, ...$this->cable()->findings ?? [],
        ]);
    }
}
