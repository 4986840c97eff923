<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadTest;
use App\Models\Logbook;
use App\Models\LogEntry;
use App\Models\Run;
use App\Models\ServiceInterval;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Exercise;
use Escapement\Core\Schedule\Logbook\LogbookInput;
use Escapement\Core\Schedule\Logbook\LogbookReach;
use Escapement\Core\Schedule\Logbook\LogbookSummary;
use Escapement\Core\Schedule\Service\ServiceInput;
use Escapement\Core\Schedule\Service\ServiceItem;
use Escapement\Core\Wire\Schedule\LogbookReader;
use Escapement\Core\Wire\Schedule\ServiceDueReader;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;

/** Logbook, sheet, runs and load tests of a switch as the schedule of the core takes them. One logbook, from which everything reads. */
final readonly class UpkeepFacts
{
    /** Entries from which on the reckoning is felt on a page. */
    private const LONG = 500;
    private const KEPT_S = 3600;

    /**
     * @param list<LoadTest> $tests   of the switch, with readings
     * @param list<Run>      $runs    of the switch
     * @param array<string, ServiceInterval> $intervals of site or company, by item
     */
    public function __construct(
        private TransferSwitch $switch,
        public ?Upkeep $upkeep,
        public LogLines $lines,
        private array $tests,
        private array $runs,
        public Carbon $now,
        private array $intervals = [],
    ) {}

    public static function of(TransferSwitch $switch, Carbon $now): self
    {
        return new self(
            $switch,
            Upkeep::query()->where('switch_id', $switch->id)->first(),
            new LogLines($switch->id),
            array_values(LoadTest::query()->with('readings:id,load_test_id,taken_at,kw,struck_why')->where('switch_id', $switch->id)->get()
                ->all()),
            array_values(Run::query()->with('sheet')->where('switch_id', $switch->id)->get()->all()),
            $now->copy()->setTimezone($switch->site->timezone),
            ServiceInterval::of($switch->id),
        );
    }

    public function today(): string
    {
        return $this->now->format('Y-m-d');
    }

    /** An inverter and a second supply have none to be served. */
    public function hasEngine(): bool
    {
        return $this->switch->site->installation->hasGenerator() && $this->switch->fuel?->value !== 'battery';
    }

    /** @return list<string> what service still needs to be known, in words */
    public function missing(): array
    {
        return ! $this->hasEngine() ? [] : array_values(array_filter([
            $this->upkeep?->installed_on === null ? 'when the set was installed' : null,
            $this->upkeep?->cooling === null ? 'how the engine is cooled' : null,
            $this->switch->fuel === null ? 'its fuel' : null,
        ]));
    }

    /** @throws BadInput */
    public function service(): ?ServiceInput
    {
        $fuel = $this->switch->fuel?->value;
        if ($this->missing() !== [] || ! $this->hasEngine()) {
            return null;
        }
        $known = $this->genericItems();
        $readings = $history = [];
        foreach ($this->lines->of('hours') as $entry) {
            $readings[] = ['date' => $this->dayAsWritten($entry)] + $entry->fields;
        }
        foreach ($this->lines->of('service') as $entry) {
            foreach (is_array($entry->fields['items'] ?? null) ? $entry->fields['items'] : [] as $item) {
                if (is_string($item) && isset($known[$item])) { // another engine may stand there by now
                    $history[] = ['item' => $item, 'date' => $this->dayAsWritten($entry)];
                }
            }
        }
        foreach (isset($known['load_test']) ? $this->closedTests() : [] as $test) {
            $history[] = ['item' => 'load_test', 'date' => $this->day($test->closed_at ?? $this->now)];
        }

        return (new ServiceDueReader())->input(Node::fromArray([
            'today' => $this->today(), 'installed' => $this->upkeep?->installed_on?->format('Y-m-d'),
            'cooling' => $this->upkeep?->cooling, 'fuel' => $fuel, 'readings' => $readings,
            'history' => array_values(array_filter(
                $history,
                fn(array $one): bool => ($this->intervals[$one['item']]->is_off ?? false) === false,
            )),
            'items' => $this->ownIntervals($known),
        ]));
    }

    /** @return array<string, ServiceItem> what an engine like this one has, by generic intervals; empty where that is not known */
    public function genericItems(): array
    {
        $fuel = $this->switch->fuel?->value;

        return $this->missing() !== [] || $fuel === null || ! $this->hasEngine() ? []
            : ServiceItem::generic($this->upkeep?->cooling === 'liquid', $fuel);
    }

    /**
     * @param array<string, ServiceItem> $known
     *
     * @return list<array<string, mixed>> the intervals of site or company, as service_due takes them
     */
    private function ownIntervals(array $known): array
    {
        $items = [];
        foreach (array_intersect_key($this->intervals, $known) as $one) {
            $figures = array_filter(['hours' => $one->hours, 'months' => $one->months], static fn(mixed $figure): bool => $figure !== null);
            $items[] = ['id' => $one->item] + ($one->is_off ? ['off' => true] : $figures);
        }

        return $items;
    }

    /** The exercise of the sheet, as the schedule takes it; null: none, or one that keeps no weekday. */
    public function exercise(): ?Exercise
    {
        return ExerciseFacts::of($this->switch);
    }

    /** @throws BadInput */
    public function logbook(Carbon $from, ?LogEntry $more = null): LogbookInput
    {
        $entries = array_map(self::wire(...), [...$this->linesFrom($from), ...($more === null ? [] : [$more])]);
        $fuel = $this->switch->fuel->value ?? 'battery';
        $kw = $this->switch->rated_kw[$fuel] ?? null;
        $source = $kw === null || $fuel === 'battery' ? null : ['fuel' => $fuel, 'rated_kw' => $kw];

        return (new LogbookReader())->input(Node::fromArray([
            'from' => self::instant($from), 'to' => self::instant($this->now->copy()->addSecond()),
            'entries' => [...$entries, ...$this->ofTests(), ...$this->ofRuns()],
        ] + ($source === null ? [] : ['source' => $source])));
    }

    /**
     * What a storm asks, as `storm_readiness` reads it; what is not known is left out.
     *
     * @return array<string, mixed>
     */
    public function readiness(string $id, int $openStops, ?int $alarmsActive, ?int $serviceOverdue): array
    {
        $exercises = array_values(array_filter(
            $this->lines->of('exercise'),
            static fn(LogEntry $one): bool => ($one->fields['done'] ?? false) === true,
        ));
        $last = $exercises === [] ? null : $exercises[count($exercises) - 1];
        $rests = array_values(array_filter(
            $this->lines->of('battery'),
            static fn(LogEntry $one): bool => ($one->fields['state'] ?? 'rest') === 'rest',
        ));
        $rest = $rests === [] ? null : $rests[count($rests) - 1];
        $habit = ExerciseFacts::habit($this->switch);

        return array_filter([
            'id' => $id,
            'priority' => $this->upkeep->priority ?? 3,
            'school' => $this->upkeep->school ?? 'quarterly',
            'selector' => $this->upkeep?->selector,
            'open_stops' => $openStops,
            'outage_test' => $this->outageTest(),
            'load_test' => $this->loadTest(),
            'fuel_piped' => $this->switch->fuel?->value === 'natural_gas' ? true : null,
            'fuel_days' => $this->upkeep?->fuel_days,
            'battery_installed' => $this->upkeep?->battery_installed_on?->format('Y-m-d'),
            'battery_rest_v' => $rest?->fields['v'] ?? null,
            'settings_proven' => $this->settingsOf(array_filter(
                $this->runs,
                static fn(Run $run): bool => $run->verdict === 'pass' && ! $run->isService(),
            )),
            'settings_now' => $this->switch->sheet === null ? null : self::hash($this->switch->sheet->settings),
            'last_exercise' => $last === null ? null : $this->day($last->at),
            'exercise_every_days' => $habit?->everyDays,
            'alarms_active' => $alarmsActive,
            'service_overdue' => $serviceOverdue,
        ], static fn(mixed $value): bool => $value !== null);
    }

    /**
     * What was recorded of a time span, as it stands now; of a long logbook as it stood when something was written last, within the hour.
     *
     * @throws BadInput where what is written does not fit together
     */
    public function summary(Carbon $from): CalculationResult
    {
        $summary = fn(): CalculationResult => (new LogbookSummary())->of($this->logbook($from));
        $query = Logbook::query();
        $head = (string) $query->where('switch_id', $this->switch->id)->value('head');
        $count = $this->lines->count();

        return $count < self::LONG ? $summary() : Cache::remember(
            "logbook-summary/{$this->switch->id}/" . hash('sha256', json_encode([
                $head, $count, $from->format('Y-m-d H'), count($this->closedTests()), array_column($this->ofRuns(), 'until'),
                $this->switch->rated_kw, $this->switch->fuel,
            ], JSON_THROW_ON_ERROR)),
            self::KEPT_S,
            $summary,
        );
    }

    /** @return list<LoadTest> that are closed, in order of time */
    public function closedTests(): array
    {
        $closed = array_filter($this->tests, static fn(LoadTest $one): bool => $one->isClosed());
        usort($closed, static fn(LoadTest $a, LoadTest $b): int => $a->closed_at <=> $b->closed_at);

        return $closed;
    }

    /** @return list<LogEntry> the lines that a summary of the logbook from then on needs */
    private function linesFrom(Carbon $from): array
    {
        $visits = array_map(static fn(array $one): array => [
            'kind' => 'visit', 'at' => Carbon::parse($one['at'])->getTimestamp(), 'end' => Carbon::parse($one['until'])->getTimestamp(),
        ], $this->ofRuns());

        return $this->lines->within(new LogbookReach(
            [...$this->lines->reaching(), ...$visits],
            $from->getTimestamp(),
            $this->now->getTimestamp() + 1,
        ));
    }

    /** @return array<string, mixed> */
    private static function wire(LogEntry $entry): array
    {
        return ['at' => self::instant($entry->at), 'kind' => $entry->kind] + $entry->fields;
    }

    /** @return list<array<string, mixed>> load tests are in the logbook without being written there */
    private function ofTests(): array
    {
        $entries = [];
        foreach ($this->closedTests() as $test) {
            $readings = $test->readings->whereNull('struck_why')->values();
            $first = $readings->first();
            $last = $readings->last();
            if ($first !== null && $last !== null && $first->taken_at !== null && $last->taken_at !== null) {
                $entries[] = [
                    'at' => self::instant($first->taken_at), 'kind' => 'test',
                    'run_min' => round(abs($first->taken_at->diffInSeconds($last->taken_at)) / 60, 1),
                    'kw' => max(0.0, round((float) $readings->avg('kw'), 2)),
                ];
            }
        }

        return $entries;
    }

    /** @return list<array{at: string, kind: string, until: string, by: string}> signed runs are visits */
    private function ofRuns(): array
    {
        $entries = [];
        foreach ($this->runs as $run) {
            $by = mb_substr(trim((string) $run->signed_name), 0, 64);
            if ($run->signed_at !== null && $run->signed_at >= $run->created_at) {
                $entries[] = [
                    'at' => self::instant($run->created_at), 'kind' => 'visit', 'until' => self::instant($run->signed_at),
                    'by' => $by === '' ? 'not named' : $by,
                ];
            }
        }

        return $entries;
    }

    /** @return ?array{date: string, result: string} */
    private function outageTest(): ?array
    {
        foreach ($this->switch->proofs->reverse() as $proof) {
            if ($proof->part === ProofPart::Sensing && in_array($proof->outcome, ['proved', 'failed'], true)) {
                return ['date' => $this->day($proof->proved_at), 'result' => $proof->outcome === 'proved' ? 'pass' : 'fail'];
            }
        }

        return null;
    }

    /** @return ?array{date: string, result: string} */
    private function loadTest(): ?array
    {
        $standing = ProofFromRuns::counting($this->switch)->standing();
        $test = $standing === null ? null : $this->switch->closedLoadTests->firstWhere('id', $standing->id);

        return $test?->closed_at === null ? null : ['date' => $this->day($test->closed_at), 'result' => (string) $test->verdict];
    }

    /** @param array<int, Run> $runs */
    private function settingsOf(array $runs): ?string
    {
        $last = $runs === [] ? null : $runs[max(array_keys($runs))];

        return $last === null ? null : self::hash($last->sheet->settings);
    }

    private function dayAsWritten(LogEntry $entry): string
    {
        return $entry->at->copy()->setTimezone($this->switch->site->timezone)->format('Y-m-d');
    }

    private function day(Carbon $at): string
    {
        return min($at->copy()->setTimezone($this->switch->site->timezone)->format('Y-m-d'), $this->today());
    }

    private static function hash(mixed $settings): string
    {
        return substr(hash('sha256', json_encode($settings, JSON_THROW_ON_ERROR)), 0, 32);
    }

    private static function instant(Carbon $at): string
    {
        return $at->copy()->utc()->format('Y-m-d\TH:i:s\Z');
    }
}
