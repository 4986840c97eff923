<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Drawing\LoadTest\FigureLane;
use App\Models\LoadTest;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;

/**
 * What the readings of a load test come to, as a page shows it: their answer, and few points a lane however many they are.
 *
 * @phpstan-type Kept array{
 *     result: ?array<string, mixed>,
 *     lanes: list<array{title: string, unit: string, lines: list<array{name: string, points: list<array{float, float}>}>}>,
 *     power: list<array{float, float}>, words: list<array{s: float, words: string}>, takenMs: list<int>, taken: int
 * }
 */
final readonly class TestDigest
{
    /** Raised when what is kept changes its shape: what an older edition kept is then judged again. */
    private const EDITION = 2;
    private const DAYS = 30;

    /** @param Kept $kept */
    private function __construct(private array $kept, public ?LoadTestResult $result) {}

    /** @param ?LoadTestResult $result what they come to, as they were judged */
    public static function of(LoadTest $test, ReadingWords $words, ?LoadTestResult $result): self
    {
        return new self(self::kept($test, $words, $result), $result);
    }

    /**
     * Of a test of one's own, from the cache where the readings are still the same: thousands are read and judged once, not on every
     * view. Reads the readings itself where it has to.
     */
    public static function cached(LoadTest $test, LoadTestFacts $facts, ReadingWords $words): self
    {
        $site = $facts->switch->site;
        // The head of the record changes with each reading that is added or struck out.
        $of = hash('sha256', json_encode([
            self::EDITION, $test->head, $facts->evaluationBase($test), $site->units, $site->timezone, $test->closed_at !== null,
        ], JSON_THROW_ON_ERROR));
        $key = "load-test-$test->id";
        /** @var null|array{of: string, kept: Kept} $cached */
        $cached = Cache::get($key);
        if (($cached['of'] ?? null) !== $of) {
            $test->loadMissing('readings');
            $result = ($test->isClosed() ? LoadTestFacts::kept($test->result) : null) ?? $facts->evaluated($test);
            $cached = ['of' => $of, 'kept' => self::kept($test, $words, $result)];
            Cache::put($key, $cached, Carbon::now()->addDays(self::DAYS));
        }

        return new self($cached['kept'], LoadTestFacts::kept($cached['kept']['result']));
    }

    /** @return list<FigureLane> */
    public function lanes(): array
    {
        return array_map(
            static fn(array $one): FigureLane => new FigureLane($one['title'], $one['unit'], $one['lines']),
            $this->kept['lanes'],
        );
    }

    /**
     * The power of the readings, on the clock of the plan.
     *
     * @return list<array{float, float}> seconds from the beginning of the warm-up, and kilowatts
     */
    public function power(float $startS): array
    {
        return array_map(static fn(array $point): array => [$startS + $point[0], $point[1]], $this->kept['power']);
    }

    /** @return list<array{s: float, words: string}> what a cursor says */
    public function words(): array
    {
        return $this->kept['words'];
    }

    /** @return list<int> when readings that count were taken, in ms since 1970 */
    public function takenMs(): array
    {
        return $this->kept['takenMs'];
    }

    /** How many readings count. */
    public function count(): int
    {
        return count($this->kept['takenMs']);
    }

    /** How many were read, struck ones too. */
    public function taken(): int
    {
        return $this->kept['taken'];
    }

    public function firstAt(): ?Carbon
    {
        return self::moment($this->kept['takenMs'][0] ?? null);
    }

    public function lastAt(): ?Carbon
    {
        return self::moment($this->kept['takenMs'][$this->count() - 1] ?? null);
    }

    /** @return Kept */
    private static function kept(LoadTest $test, ReadingWords $words, ?LoadTestResult $result): array
    {
        $lanes = new TestLanes($test->counting(), $words);

        return [
            'result' => $result === null ? null : ResultWriter::write($result),
            'lanes' => array_map(
                static fn(FigureLane $one): array => ['title' => $one->title, 'unit' => $one->unit, 'lines' => $one->lines],
                $lanes->lanes(),
            ),
            'power' => $lanes->power(), 'words' => $lanes->words(), 'takenMs' => $lanes->takenMs,
            'taken' => $test->readings->count(),
        ];
    }

    private static function moment(?int $ms): ?Carbon
    {
        return $ms === null ? null : Carbon::createFromTimestampMs($ms, 'UTC');
    }
}
