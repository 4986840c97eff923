<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Run;
use App\Stage\Commissioning\ProcedurePage;
use Escapement\Core\Commissioning\Procedure\Step;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** A procedure worked through as a phone does it. */
trait WorksThrough
{
    /** An outage of the whole house by its sheet. */
    private const IN_TIME = [
        'utility_off' => 0,
        'start_signal' => 5600,
        'engine_running' => 11_300,
        'transferred' => 21_200,
        'utility_on' => 180_000,
        'retransferred' => 480_400,
        'engine_stopped' => 606_900,
    ];

    /** Closes every step before one, as expected or with a note. */
    private function pass(Run $run, string $until): void
    {
        while (($step = $this->page($run)->next()) !== null && $step->id !== $until) {
            $this->send($run, [$this->answer($step->id, self::asExpected($step))])->assertJsonPath('refused', []);
        }
    }

    /** @return array<string, mixed> an answer that closes the step, without a picture */
    private static function asExpected(Step $step): array
    {
        return match ($step->kind->value) {
            'measure' => ['value' => $step->band->min ?? min(1, $step->band->max ?? 1)] + ($step->tick === null ? [] : ['so' => true]),
            'choose' => ['choice' => array_key_first($step->choices)],
            'time' => ['note' => 'By ear.'],
            'photo' => ['so' => true, 'note' => 'The lens was wet.'],
            'sign' => ['so' => true, 'name' => 'Ana Quist'],
            default => ['so' => true] + ($step->asks === null ? [] : ['note' => 'TS-14, March 2027']),
        };
    }

    /**
     * Marks as a phone sends them.
     *
     * @param array<string, int> $times by event, in ms
     *
     * @return list<array<string, mixed>>
     */
    private static function timed(array $times = self::IN_TIME, int $fromMs = 0): array
    {
        return array_map(static fn(string $event, int $atMs): array => [
            'id' => (string) Str::uuid(),
            'event' => $event,
            'at_ms' => $fromMs + $atMs,
            'client_wall' => null,
            'note' => null,
            'late_reason' => null,
            'undone' => false,
        ], array_keys($times), array_values($times));
    }

    /**
     * @param list<array<string, mixed>> $marks
     *
     * @return TestResponse<JsonResponse>
     */
    private function sendMarks(Run $run, array $marks): TestResponse
    {
        return $this->postJson("/runs/$run->id/marks", ['marks' => $marks]);
    }

    private function page(Run $run): ProcedurePage
    {
        return ProcedurePage::of(Run::query()->findOrFail($run->id), null);
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed>
     */
    private function answer(string $step, array $given): array
    {
        return ['id' => (string) Str::uuid(), 'step' => $step] + $given;
    }

    /**
     * @param list<array<string, mixed>> $answers
     *
     * @return TestResponse<JsonResponse>
     */
    private function send(Run $run, array $answers): TestResponse
    {
        return $this->postJson("/runs/$run->id/answers", ['answers' => $answers]);
    }
}
