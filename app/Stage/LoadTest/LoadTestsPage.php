<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\Units;
use App\Models\Equipment;
use App\Models\LoadTest;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\LoadTest\ExerciseResult;
use Escapement\Core\LoadTest\FigureTrend;
use Escapement\Core\LoadTest\RunType;
use Escapement\Core\LoadTest\TrendResult;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** The load tests of one switch, and what a new one begins with. */
final readonly class LoadTestsPage
{
    /** What each profile is for, in the order of a year. */
    public const PROFILES = [
        'quarterly_house' => 'Quarterly, a house: 20 minutes with its own load',
        'semi_annual' => 'Semi-annual: 30, 50 and 75 %, an hour',
        'monthly_building' => 'Monthly on building load, 30 minutes',
        'annual_supplemental' => 'Annual supplemental: 50 % for 30, 75 % for 60 minutes',
        'triennial' => 'Every three years, four hours',
        'triennial_annual' => 'Every three years with the annual one: the last hour at 75 %',
        'building_acceptance' => 'Acceptance on building load, cold start, 90 minutes',
        'acceptance' => 'Acceptance by steps: 30, 50 and 100 %, two hours',
        'custom' => 'Steps of your own',
    ];

    public SiteStanding $standing;
    public LoadTestFacts $facts;
    /** @var Collection<int, LoadTest> newest first */
    public Collection $tests;
    public ?TrendResult $trend;
    /** @var Collection<int, Equipment> load banks of the company */
    public Collection $banks;
    /** What the company tested by last. */
    public ?string $edition;
    public ExerciseResult $due;

    public function __construct(public TransferSwitch $switch, public string $school = 'quarterly')
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->facts = new LoadTestFacts($switch);
        $query = LoadTest::query();
        $query->where('switch_id', $switch->id)->orderByDesc('id');
        $this->tests = $query->with('user')->get();
        $banks = Equipment::query();
        $banks->where('kind', 'load_bank')->whereNull('retired_at')->orderBy('name');
        $this->banks = $banks->get();
        $edition = LoadTest::query();
        $edition->whereNotNull('edition')->orderByDesc('id');
        $this->edition = $edition->first()?->edition;
        $this->trend = LoadTestFacts::trend(array_values($this->tests->all()));
        $this->due = $this->facts->due(
            array_values($this->tests->all()),
            $school,
            Carbon::now($switch->site->timezone)->format('Y-m-d'),
        );
    }

    public function fuelUnit(): string
    {
        return match ($this->switch->fuel?->value) {
            'diesel', 'petrol' => 'L',
            default => 'BTU',
        };
    }

    /** @return list<TrendRow> those that were read at least once */
    public function figures(): array
    {
        $units = new Units($this->switch->site->units);
        $today = Carbon::now($this->switch->site->timezone)->format('Y-m-d');

        return array_map(
            static fn(FigureTrend $one): TrendRow => new TrendRow($one, $units, $today),
            array_values(array_filter($this->trend->figures ?? [], static fn(FigureTrend $one): bool => $one->n > 0)),
        );
    }

    public static function run(string $type): string
    {
        return RunType::from($type)->label();
    }

    public static function words(LoadTest $test): string
    {
        return self::PROFILES[$test->profile->value];
    }

    public function outcome(LoadTest $test): string
    {
        return $test->isClosed() && $test->closed_at !== null
            ? str_replace('_', ' ', (string) $test->verdict) . ', ' . $this->standing->date($test->closed_at)
            : 'open';
    }
}
