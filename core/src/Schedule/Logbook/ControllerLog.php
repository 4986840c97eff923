<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/**
 * The event log of a controller told as entries of a logbook. An outage lasts from the loss of the utility to its last return before the
 * load went back or the engine stopped; one that the log does not see end is left out, and so is a run that nothing explains: nobody
 * guesses here. Rule: docs/rules.md#controller-log.
 *
 * @phpstan-type Told array{at: int, kind: 'alarm'|'exercise'|'outage', fields: array<string, bool|float|int|string>}
 */
final class ControllerLog
{
    private const CODE_LETTERS = 64;

    /** @var list<Told> fields as logbook_summary has them; moments in seconds since 1970 */
    public array $entries = [];
    /** Outages and exercises that the log does not see end. */
    public int $unfinished = 0;

    /** @var null|array{at: int, started: bool, transfer: ?int, back: ?int} */
    private ?array $outage = null;
    private ?int $exercise = null;
    /** @var list<int> alarms that are not cleared, by their place among the entries */
    private array $open = [];

    /** @param list<ControllerEvent> $events in any order */
    public function __construct(array $events)
    {
        usort($events, static fn(ControllerEvent $a, ControllerEvent $b): int => $a->at <=> $b->at);
        foreach ($events as $event) {
            match ($event->meaning) {
                EventMeaning::UtilityLost => $this->lost($event->at),
                EventMeaning::UtilityBack => $this->outage === null ? null : $this->outage['back'] = $event->at,
                EventMeaning::EngineStarted => $this->outage === null ? null : $this->outage['started'] = true,
                EventMeaning::OnGenerator => $this->carried($event->at),
                EventMeaning::OnUtility => $this->closeOutage(),
                EventMeaning::EngineStopped => $this->stopped($event->at),
                EventMeaning::ExerciseBegun => $this->exercise ??= $event->at,
                EventMeaning::ExerciseEnded => $this->closeExercise($event->at),
                EventMeaning::Alarm => $this->alarm($event),
                EventMeaning::Cleared => $this->clear($event->at),
                EventMeaning::Nothing => null,
            };
        }
        $this->closeOutage();
        $this->unfinished += ($this->outage === null ? 0 : 1) + ($this->exercise === null ? 0 : 1);
        usort($this->entries, static fn(array $a, array $b): int => $a['at'] <=> $b['at']);
    }

    /** Lost again before the load went back: the same outage goes on. */
    private function lost(int $at): void
    {
        if ($this->outage === null) {
            $this->outage = ['at' => $at, 'started' => false, 'transfer' => null, 'back' => null];
        } else {
            $this->outage['back'] = null;
        }
    }

    private function carried(int $at): void
    {
        if ($this->outage !== null) {
            $this->outage['started'] = true;
            $this->outage['transfer'] ??= $at - $this->outage['at'];
        }
    }

    private function stopped(int $at): void
    {
        $this->closeExercise($at);
        $this->closeOutage();
    }

    /** Where the utility is back. */
    private function closeOutage(): void
    {
        $outage = $this->outage;
        if ($outage === null || $outage['back'] === null) {
            return;
        }
        $this->entries[] = ['at' => $outage['at'], 'kind' => 'outage', 'fields' => [
            'end' => $outage['back'], 'started' => $outage['started'],
        ] + ($outage['transfer'] === null ? [] : ['transfer_s' => $outage['transfer']])];
        $this->outage = null;
    }

    private function closeExercise(int $at): void
    {
        if ($this->exercise !== null) {
            $this->entries[] = ['at' => $this->exercise, 'kind' => 'exercise', 'fields' => [
                'done' => true, 'run_min' => round(($at - $this->exercise) / 60, 1),
            ]];
            $this->exercise = null;
        }
    }

    private function alarm(ControllerEvent $event): void
    {
        $this->open[] = count($this->entries);
        $this->entries[] = [
            'at' => $event->at, 'kind' => 'alarm', 'fields' => ['code' => mb_substr(trim($event->words), 0, self::CODE_LETTERS)],
        ];
    }

    private function clear(int $at): void
    {
        foreach ($this->open as $place) {
            $this->entries[$place]['fields']['cleared'] = $at;
        }
        $this->open = [];
    }
}
