<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Mark;
use App\Models\Run;
use App\Models\User;
use App\Stage\Maker;
use App\Stage\Once;
use App\Stage\Record;
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
    private const AT_ONCE = 500;

    public function __construct(private Record $record) {}

    /**
     * @param list<mixed> $marks
     *
     * @return array{kept: list<string>, refused: list<array{path: string, message: string}>}
     */
    public function keep(Run $run, User $user, array $marks): array
    {
        return Once::more(fn() => DB::transaction(function () use ($run, $user, $marks): array {
            $locked = Run::locked($run->id);
            abort_if($locked->isSigned(), 409, 'This run is signed and closed.');
            abort_if($locked->isService(), 409, 'A service visit has no stopwatch.');
            $ids = array_values(array_filter(array_column(array_filter($marks, is_array(...)), 'id'), is_string(...)));
            $query = Mark::query()->withoutGlobalScope('company');
            $query->whereIn('id', $ids);
            $known = [];
            foreach ($query->get() as $mark) {
                $known[strtolower($mark->id)] = $mark; // the same id in capitals is the same id
            }
            $latest = (int) Mark::query()->where('run_id', $locked->id)->where('is_undone', false)->max('at_ms');
            $kept = $refused = $new = $happened = [];
            foreach ($marks as $i => $mark) {
                $fault = $this->fault($mark, $user);
                if ($fault !== null) {
                    $refused[] = ['path' => "/marks/$i" . $fault[0], 'message' => $fault[1]];
                    continue;
                }
                /**
                 * @var array{id: string, event: string, at_ms: int, note?: ?string, undone?: bool, late_reason?: ?string,
                 *     client_wall?: ?string} $mark
                 */
                $id = $mark['id'];
                $key = strtolower($id);
                $before = $known[$key] ?? $new[$key] ?? null;
                if ($before !== null && $before->run_id !== $locked->id) {
                    $refused[] = ['path' => "/marks/$i/id", 'message' => 'This id belongs to another run.'];
                    continue;
                }
                $kept[] = $id;
                if ($before === null) {
                    $new[$key] = $this->made($locked, $user, $mark, $latest);
                    $latest = $new[$key]->is_undone ? $latest : max($latest, $mark['at_ms']);
                    $happened[] = [
                        'kind' => 'mark',
                        'what' => $new[$key]->only(['id', 'event', 'at_ms', 'late_reason', 'flag', 'note', 'is_undone']),
                        'device_time' => $mark['client_wall'] ?? null,
                    ];
                } elseif (($edit = $this->edited($before, $mark)) !== null) {
                    $happened[] = [
                        'kind' => 'mark_edited',
                        'what' => ['id' => $before->id] + $edit,
                        'device_time' => $mark['client_wall'] ?? null,
                    ];
                }
            }
            foreach (array_chunk(
                array_map(static fn(Mark $mark): array => $mark->getAttributes(), array_values($new)),
                self::AT_ONCE,
            ) as $some) {
                Mark::query()->insert($some);
            }
            $this->record->appendAll($locked, $user, $happened);

            return ['kept' => $kept, 'refused' => $refused];
        }));
    }

    /**
     * A mark that is to be written.
     *
     * @param array{id: string, event: string, at_ms: int, note?: ?string, undone?: bool, late_reason?: ?string,
     *     client_wall?: ?string} $mark
     */
    private function made(Run $run, User $user, array $mark, int $latest): Mark
    {
        $late = $mark['late_reason'] ?? null;

        return new Mark([
            'id' => $mark['id'],
            'company_id' => $run->company_id,
            'run_id' => $run->id,
            'event' => $mark['event'],
            'at_ms' => $mark['at_ms'],
            'client_wall' => $mark['client_wall'] ?? null,
            'note' => $mark['note'] ?? null,
            'late_reason' => $late,
            'is_undone' => $mark['undone'] ?? false,
            'flag' => $late === null && $mark['at_ms'] < $latest ? 'Its time lies before a mark that came earlier.' : null,
            'user_id' => $user->id,
            'received_at' => Carbon::now()->format('Y-m-d H:i:s.v'),
        ]);
    }

    /**
     * @param array{id: string, event: string, at_ms: int, note?: ?string, undone?: bool} $mark
     *
     * @return null|array{before: array<string, mixed>, after: array<string, mixed>} null when nothing is changed
     */
    private function edited(Mark $known, array $mark): ?array
    {
        $before = ['note' => $known->note, 'is_undone' => $known->is_undone];
        $after = ['note' => $mark['note'] ?? null, 'is_undone' => $mark['undone'] ?? false];
        if ($before === $after) {
            return null;
        }
        $known->fill($after);
        if ($known->exists) {
            $known->save(); // one that is new in this batch is written with the rest
        }

        return ['before' => $before, 'after' => $after];
    }

    /** @return null|array{string, string} pointer within the mark and what is wrong */
    private function fault(mixed $mark, User $user): ?array
    {
        $isText = static fn(mixed $value, int $max): bool => $value === null || is_string($value) && mb_strlen($value) <= $max;

        $maker = is_array($mark) ? Maker::fault($mark['maker'] ?? null, $user) : null;

        return match (true) {
            ! is_array($mark) => ['', 'This must be an object.'],
            ! Str::isUuid($mark['id'] ?? null) => ['/id', 'This must be a UUID.'],
            MarkEvent::tryFrom(is_string($mark['event'] ?? null) ? $mark['event'] : '') === null => ['/event', 'This event is not known.'],
            ! is_int($mark['at_ms'] ?? null) || $mark['at_ms'] < 0 || $mark['at_ms'] > 31_536_000_000 => [
                '/at_ms',
                'Milliseconds from the start of the run, 0 to a year.',
            ],
            ! $isText($mark['note'] ?? null, 500) => ['/note', '500 characters at most.'],
            ! $isText($mark['late_reason'] ?? null, 200) => ['/late_reason', '200 characters at most.'],
            ! $isText($mark['client_wall'] ?? null, 40) => ['/client_wall', 'The time on the device, 40 characters at most.'],
            ! is_bool($mark['undone'] ?? false) => ['/undone', 'This must be true or false.'],
            $maker !== null => ["/$maker[0]", $maker[1]],
            default => null,
        };
    }
}
