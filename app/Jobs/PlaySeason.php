<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Season;
use App\Models\SeasonState;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\CompareReader;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Plays a season candidate by candidate; says after each how far it is, and stops between two when it is cancelled. */
final class PlaySeason implements ShouldQueue
{
    use Queueable;

    private const MOST_DIFFERING = 500;

    public int $tries = 1;
    /** Below the 90 s after which the queue would hand it out again. */
    public int $timeout = 85;

    public function __construct(private readonly int $seasonId) {}

    public function handle(): void
    {
        $season = Season::query()->withoutGlobalScope('company')->find($this->seasonId);
        if ($season === null || $this->claim() === 0) {
            return; // removed or cancelled while it waited
        }
        $comparison = (new CompareReader())->comparison(Node::fromArray($season->input));
        $played = [];
        foreach ($comparison->names() as $i => $name) {
            $played[] = $comparison->play($name);
            if ($this->update(['played' => $i + 1]) === 0) {
                return;
            }
        }
        $differing = $comparison->differing($played);
        $this->update(['state' => SeasonState::Done, 'result' => json_encode([
            'candidates' => array_map(static fn($candidate): array => [
                'name' => $candidate->name,
                'metrics' => array_diff_key($candidate->metrics->toArray(), ['outages' => true]),
                'outages' => intdiv(count($candidate->metrics->outagesMs), 2),
                'fuel_l' => $candidate->fuelLitres,
            ], $played),
            'differing' => array_slice($differing, 0, self::MOST_DIFFERING),
            'differing_count' => count($differing),
        ], JSON_THROW_ON_ERROR)]);
    }

    public function failed(?\Throwable $why): void
    {
        $this->update(['state' => SeasonState::Failed, 'failure' => mb_substr($why?->getMessage() ?? 'It was stopped.', 0, 250)]);
    }

    private function claim(): int
    {
        return Season::query()->withoutGlobalScope('company')
            ->whereKey($this->seasonId)
            ->where('state', SeasonState::Waiting)
            ->update(['state' => SeasonState::Running]);
    }

    /** @param array<string, mixed> $change */
    private function update(array $change): int
    {
        return Season::query()->withoutGlobalScope('company')
            ->whereKey($this->seasonId)
            ->where('state', SeasonState::Running)
            ->update($change);
    }
}
