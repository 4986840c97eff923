<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\PowerDown\PlannedTask;
use Escapement\Core\PowerDown\PowerDown;
use Escapement\Core\PowerDown\PowerDownInput;

/** `power_down` on the wire, and as a plan keeps it. Rule: docs/rules.md#power-down. */
final readonly class PowerDownReader implements InputReader
{
    private const DAY_MIN = 1440;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new PowerDown())->answer($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): PowerDownInput
    {
        $in = new Fields($node);
        $promisedMin = $in->maybeInt('promised_min', 1, self::DAY_MIN);
        $isHotDay = $in->bool('hot_day', false);
        $open = $this->end($in->object('open'));
        $close = $this->end($in->object('close'));
        $tasks = $in->each('tasks', 0, 60, $this->task(...));
        $in->close();

        return new PowerDownInput($open, $close, $tasks, $promisedMin, $isHotDay);
    }

    /** @return array{list<string>, int} */
    private function end(Fields $in): array
    {
        $end = [$this->who($in), $in->int('minutes', 1, self::DAY_MIN)];
        $in->close();

        return $end;
    }

    private function task(Fields $in): PlannedTask
    {
        $id = $in->text('id');
        if ($id === PowerDownInput::OPEN || $id === PowerDownInput::CLOSE) {
            throw $in->at('id')->bad("\"$id\" is the name of an end of the window.");
        }

        return new PlannedTask(
            $id,
            $in->text('name', 120),
            $this->who($in),
            $in->int('minutes', 1, self::DAY_MIN),
            array_map(static fn(Node $one): string => $one->text(), $in->maybeList('after', 0, 60) ?? []),
            $in->bool('dark', false),
        );
    }

    /** @return list<string> */
    private function who(Fields $in): array
    {
        return array_values(array_unique(array_map(static fn(Node $node): string => $node->text(40), $in->list('who', 1, 6))));
    }
}
