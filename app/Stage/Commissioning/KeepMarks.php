<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Mark;
use App\Models\Run;
use App\Models\User;
use Escapement\Core\Commissioning\MarkEvent;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Takes marks from a device. The id is made there, so that sending twice is once; what differs from the mark of that id
 * is an edit, and both are in the record. A strange time is kept and flagged, never dropped.
 */
final readonly class KeepMarks
{
    public function __construct(private Record $record) {}

    /**
     * @param list<mixed> $marks
     *
     * @return array{kept: list<string>, refused: list<array{path: string, message: string}>}
     */
    public function keep(Run $run, User $user, array $marks): array
    {
        return DB::transaction(function () use ($run, $user, $marks): array {
            $locked = Run::locked($run->id);
            abort_if($locked->isSigned(), 409, 'This run is signed and closed.');
            $kept = [];
            $refused = [];
            foreach ($marks as $i => $mark) {
                $fault = $this->fault($mark);
                if ($fault !== null) {
                    $refused[] = ['path' => "/marks/$i" . $fault[0], 'message' => $fault[1]];
                } else {
                    /** @var array<string, mixed> $mark */
                    $refusal = $this->keepOne($locked, $user, $mark);
                    $refusal === null ? $kept[] = (string) $mark['id'] : $refused[] = ['path' => "/marks/$i/id", 'message' => $refusal];
                }
            }

            return ['kept' => $kept, 'refused' => $refused];
        });
    }

    /** @param array<string, mixed> $mark */
    private function keepOne(Run $run, User $user, array $mark): ?string
    {
        $known = Mark::query()->withoutGlobalScope('company')->find((string) $mark['id']);
        if ($known !== null && $known->run_id !== $run->id) {
            return 'This id belongs to another run.';
        }
        $edit = ['note' => $mark['note'] ?? null, 'is_undone' => (bool) ($mark['undone'] ?? false)];
        if ($known !== null) {
            $before = ['note' => $known->note, 'is_undone' => $known->is_undone];
            if ($before !== $edit) {
                $known->update($edit);
                $this->record->append($run, $user, 'mark_edited', ['id' => $known->id, 'before' => $before, 'after' => $edit], $mark['client_wall'] ?? null);
            }

            return null;
        }
        $late = $mark['late_reason'] ?? null;
        $latest = (int) Mark::query()->where('run_id', $run->id)->where('is_undone', false)->max('at_ms');
        $flag = $late === null && $mark['at_ms'] < $latest ? 'Its time lies before a mark that came earlier.' : null;
        Mark::query()->create($edit + [
            'id' => $mark['id'], 'company_id' => $run->company_id, 'run_id' => $run->id, 'event' => $mark['event'], 'at_ms' => $mark['at_ms'],
            'client_wall' => $mark['client_wall'] ?? null, 'late_reason' => $late, 'flag' => $flag, 'user_id' => $user->id,
            'received_at' => Carbon::now(),
        ]);
        $this->record->append($run, $user, 'mark', [
            'id' => $mark['id'], 'event' => $mark['event'], 'at_ms' => $mark['at_ms'], 'late_reason' => $late, 'flag' => $flag,
        ] + $edit, $mark['client_wall'] ?? null);

        return null;
    }

    /** @return null|array{string, string} pointer within the mark and what is wrong */
    private function fault(mixed $mark): ?array
    {
        $isText = static fn(mixed $value, int $max): bool => $value === null || is_string($value) && mb_strlen($value) <= $max;

        return match (true) {
            ! is_array($mark) => ['', 'This must be an object.'],
            ! Str::isUuid($mark['id'] ?? null) => ['/id', 'This must be a UUID.'],
            MarkEvent::tryFrom(is_string($mark['event'] ?? null) ? $mark['event'] : '') === null => ['/event', 'This event is not known.'],
            ! is_int($mark['at_ms'] ?? null) || $mark['at_ms'] < 0 || $mark['at_ms'] > 31_536_000_000 => ['/at_ms', 'Milliseconds from the start of the run, 0 to a year.'],
            ! $isText($mark['note'] ?? null, 500) => ['/note', '500 characters at most.'],
            ! $isText($mark['late_reason'] ?? null, 200) => ['/late_reason', '200 characters at most.'],
            ! $isText($mark['client_wall'] ?? null, 40) => ['/client_wall', 'The time on the device, 40 characters at most.'],
            ! is_bool($mark['undone'] ?? false) => ['/undone', 'This must be true or false.'],
            default => null,
        };
    }
}
