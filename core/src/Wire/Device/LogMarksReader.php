<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Device\DeviceEntry;
use Escapement\Core\Device\LogMarks;
use Escapement\Core\Device\LogMarksInput;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Wire\InputReader;

/** `log_to_marks` on the wire. Rule: docs/rules.md#log-to-marks. */
final readonly class LogMarksReader implements InputReader
{
    public const MOST_MS = 31_536_000_000;
    private const MOST_SEQ = 4_294_967_295;
    private const SIDES = ['normal', 'emergency'];
    /** Marks of an outage run; those of the test button belong to another one. */
    private const EVENTS = [
        'utility_off', 'start_signal', 'engine_running', 'transferred', 'utility_on', 'retransferred', 'engine_stopped', 'bait_on',
        'bait_off',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new LogMarks())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): LogMarksInput
    {
        $in = (new Fields($node))->only(['log', 'normal_dropout_delay_ms', 'kind', 'stopwatch', 'match_ms']);
        $entries = array_map(static fn(Node $one): DeviceEntry => self::entry(new Fields($one)), $in->list('log', 0, 10_000));
        $dropoutMs = $in->int('normal_dropout_delay_ms', 0, self::MOST_MS, 0);
        $kind = PlantKind::from($in->oneOf('kind', array_column(PlantKind::cases(), 'value'), 'standby'));
        $stopwatch = [];
        foreach ($in->maybeList('stopwatch', 0, 1000) ?? [] as $one) {
            $mark = (new Fields($one))->only(['event', 'at_ms', 'undone']);
            $event = MarkEvent::from($mark->oneOf('event', self::EVENTS));
            $atMs = $mark->int('at_ms', 0, self::MOST_MS);
            if (! $mark->bool('undone', false)) {
                $stopwatch[] = [$event, $atMs];
            }
        }
        usort($stopwatch, static fn(array $a, array $b): int => $a[1] <=> $b[1]);
        $matchMs = $in->int('match_ms', 0, self::MOST_MS, 5000);
        usort($entries, static fn(DeviceEntry $a, DeviceEntry $b): int => $a->seq <=> $b->seq);
        $log = [];
        foreach ($entries as $entry) {
            if ($log === [] || $log[count($log) - 1]->seq !== $entry->seq) {
                $log[] = $entry;
            }
        }

        return new LogMarksInput($log, count($log) < count($entries), $dropoutMs, $kind, $stopwatch, $matchMs);
    }

    private static function entry(Fields $in): DeviceEntry
    {
        $in->only(['seq', 't_ms', 'kind', 'source', 'from', 'to']);

        return new DeviceEntry(
            $in->int('seq', 0, self::MOST_SEQ),
            $in->int('t_ms', 0, self::MOST_MS),
            $in->text('kind'),
            $in->maybeOneOf('source', self::SIDES),
            $in->maybeOneOf('from', self::SIDES),
            $in->maybeText('to'),
        );
    }
}
