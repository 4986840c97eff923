<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\User;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\LoadTest\PlannedStep;
use Escapement\Core\LoadTest\PlausibleReading;
use Escapement\Core\LoadTest\ProvedLevel;
use Escapement\Core\LoadTest\TestMark;

/** The screen of one reading on a phone: large fields, the next reading's time, what is proved so far; it works without a network. */
final readonly class ReadPage
{
    public LoadTestPage $page;

    public function __construct(public LoadTest $test, private User $user)
    {
        $this->page = new LoadTestPage($test);
    }

    /** @return array<string, array{label: string, unit: string, band: ?array{float, float}}> the figures of a reading in their order */
    public function figures(): array
    {
        $units = $this->page->judged->units;
        $source = $this->test->switch->plant['sources']['emergency'] ?? [];
        $volts = is_array($source) && is_numeric($source['nominal_v'] ?? null) ? (float) $source['nominal_v'] : 120.0;
        $hertz = is_array($source) && is_numeric($source['nominal_hz'] ?? null) ? (float) $source['nominal_hz'] : 60.0;
        $phases = $this->page->facts->phases();
        $kw = is_numeric($this->test->plan['nameplate_kw'] ?? null) ? (float) $this->test->plan['nameplate_kw'] : 0.0;
        $bands = PlausibleReading::bands($volts, $hertz, max(20.0, 1500 * $kw / $phases / $volts));
        $shown = static fn(string $unit, array $band): array => [$units->shown($unit, $band[0]), $units->shown($unit, $band[1])];
        $figures = [];
        foreach (['v' => ['V', 'V'], 'a' => ['A', 'A']] as $key => [$label, $unit]) {
            for ($leg = 0; $leg < $phases; $leg++) {
                $figures["$key.$leg"] = ['label' => 'L' . ($leg + 1), 'unit' => $unit, 'band' => $bands[$key]];
            }
        }

        return $figures + [
            'hz' => ['label' => 'Hertz', 'unit' => 'Hz', 'band' => $bands['hz']],
            'kw' => ['label' => 'Power', 'unit' => 'kW', 'band' => null],
            'oil' => ['label' => 'Oil', 'unit' => $units->oilPressure(), 'band' => $shown('kPa', $bands['oil_kpa'])],
            'coolant' => ['label' => 'Coolant', 'unit' => $units->temperature(), 'band' => $shown('°C', $bands['coolant_c'])],
            'exhaust' => ['label' => 'Exhaust', 'unit' => $units->temperature(), 'band' => $shown('°C', $bands['exhaust_c'])],
            'battery_v' => ['label' => 'Battery', 'unit' => 'V', 'band' => $bands['battery_v']],
        ];
    }

    /** Everything the phone needs, as JSON. */
    public function setup(): string
    {
        return json_encode([
            'test' => $this->test->id,
            'user' => $this->user->id,
            'sendTo' => route('load-test.batch', $this->test),
            'figures' => array_map(static fn(array $one): array => ['unit' => $one['unit'], 'band' => $one['band']], $this->figures()),
            'due' => $this->page->judged->plan->readings,
            'total' => count($this->page->judged->plan->readings),
            'last' => $this->last(),
            'taken' => $this->taken(),
            'proved' => $this->proved(),
            'stops' => $this->stops(),
            'closed' => $this->test->isClosed(),
            'marks' => $this->marks(),
            'photosTo' => route('load-test.photos', $this->test),
            'levels' => array_map(static fn(PlannedStep $step): float => $step->levelPct, $this->page->judged->plan->steps),
            'words' => array_combine(array_column(TestMark::cases(), 'value'), array_map(
                static fn(TestMark $one): string => $one->label(),
                TestMark::cases(),
            )),
            'hasBank' => ($this->test->plan['bank_elements_kw'] ?? []) !== [],
        ], JSON_THROW_ON_ERROR);
    }

    /** @return ?array<string, string> figures of the newest reading, as they are typed on this site */
    public function last(): ?array
    {
        $query = $this->test->readings();
        $query->whereNull('struck_why')->reorder()->orderByDesc('taken_at')->orderByDesc('id');
        $last = $query->first();

        return $last === null ? null : $this->shown($last);
    }

    /** @return list<int> when readings that count were taken, in ms since 1970 */
    public function taken(): array
    {
        return $this->page->judged->digest->takenMs();
    }

    /** @return list<array{kind: string, level: ?float, at: int}> the marks that count, in ms since 1970 */
    public function marks(): array
    {
        return array_values($this->test->marks->filter(static fn(LoadMark $one): bool => $one->struck_why === null)->map(
            static fn(LoadMark $one): array => [
                'kind' => $one->kind->value, 'level' => $one->level_pct, 'at' => (int) $one->at->getTimestampMs(),
            ],
        )->all());
    }

    /** @return list<string> each level and how many of its minutes are proved */
    public function proved(): array
    {
        return array_map(static fn(ProvedLevel $one): string => sprintf(
            '%g %%: %d of %d min',
            $one->levelPct,
            (int) floor(min($one->minutes, $one->longestMin)),
            (int) ceil($one->minutes),
        ), $this->page->judged->result->levels ?? []);
    }

    /** @return list<string> what says that the test has to end */
    public function stops(): array
    {
        $stops = array_filter(
            $this->page->judged->result->findings ?? [],
            static fn(Finding $one): bool => $one->severity === Severity::Stop,
        );

        return array_values(array_map(fn(Finding $one): string => $this->page->judged->units->sentence($one->message), $stops));
    }

    /** @return array<string, string> */
    private function shown(LoadReading $one): array
    {
        $units = $this->page->judged->units;
        $figures = [];
        foreach ($one->v_v as $leg => $volts) {
            $figures["v.$leg"] = (string) $volts;
            $figures["a.$leg"] = (string) $one->a_a[$leg];
        }
        $other = [
            'hz' => $one->hz, 'kw' => $one->kw, 'battery_v' => $one->battery_v,
            'oil' => $one->oil_kpa === null ? null : round($units->fromKilopascals($one->oil_kpa)),
            'coolant' => $one->coolant_c === null ? null : round($units->fromCelsius($one->coolant_c)),
            'exhaust' => $one->exhaust_c === null ? null : round($units->fromCelsius($one->exhaust_c)),
        ];

        return $figures + array_map(
            static fn(float $value): string => (string) +$value,
            array_filter($other, static fn(?float $value): bool => $value !== null),
        );
    }
}
