<?php

declare(strict_types=1);

namespace Escapement\Core\PowerDown;

use Escapement\Core\Input\BadInput;

/** The day of a power-down: who opens and closes, and the work around it. Rule: docs/rules.md#power-down. */
final readonly class PowerDownInput
{
    public const OPEN = 'open';
    public const CLOSE = 'close';

    public Task $open;
    public Task $close;
    /** @var list<Task> each behind what it waits for */
    public array $tasks;

    /**
     * @param array{list<string>, int} $open        who, minutes
     * @param array{list<string>, int} $close       who, minutes
     * @param list<PlannedTask>        $tasks       in any order
     * @param ?int                     $promisedMin of darkness, to the people who live there
     *
     * @throws BadInput at the first task that waits for one that is not there, or for itself in the end
     */
    public function __construct(array $open, array $close, array $tasks, public ?int $promisedMin = null, public bool $isHotDay = false)
    {
        $this->open = new Task(-1, self::OPEN, 'Open upstream, lock, prove dead', $open[0], $open[1], [], true);
        $this->close = new Task(-1, self::CLOSE, 'Clear, unlock, close', $close[0], $close[1], [], true);
        $this->tasks = self::sorted($tasks);
    }

    /**
     * @param list<PlannedTask> $planned
     *
     * @return list<Task>
     */
    private static function sorted(array $planned): array
    {
        $places = array_flip(array_column($planned, 'id'));
        $waiting = [];
        foreach ($planned as $at => $one) {
            $after = [];
            foreach ($one->after as $i => $id) {
                $after[] = $places[$id] ?? throw new BadInput("/tasks/$at/after/$i", "There is no task \"$id\".");
            }
            $waiting[$at] = new Task($at, $one->id, $one->name, $one->who, $one->minutes, $after, $one->isDark);
        }
        $sorted = [];
        while ($waiting !== []) {
            $ready = array_filter($waiting, static fn(Task $task): bool => array_intersect_key($waiting, array_flip($task->after)) === []);
            if ($ready === []) {
                throw new BadInput('/tasks/' . array_key_first($waiting) . '/after', 'It waits for itself in the end.');
            }
            array_push($sorted, ...array_values($ready));
            $waiting = array_diff_key($waiting, $ready);
        }

        return $sorted;
    }
}
