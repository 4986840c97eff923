<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\DeviceClient;
use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\Mark;
use App\Models\Run;
use App\Stage\Commissioning\RunResult;
use App\Stage\SiteStanding;
use Escapement\Core\Device\LogMarks;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Wire\Device\LogMarksReader;

/** The log of a device beside the stopwatch of a run: which of the two says what, and how far their clocks are apart. */
final readonly class MarksPage
{
    private const LEAVES_OUT = ['test_on', 'test_off'];
    private const KEYS = ['seq' => 1, 't_ms' => 1, 'kind' => 1, 'source' => 1, 'from' => 1, 'to' => 1];

    public SiteStanding $standing;
    /** Why nothing can be compared; null when it can. */
    public ?string $why;
    /** @var list<array{event: string, device: string, stopwatch: string, apart: string}> */
    public array $rows;
    /** @var list<Finding> */
    public array $findings;
    public ?string $offset;
    public string $serial;

    /** Needs of the run: marks, sheet, switch with what a standing needs. */
    public function __construct(public Run $run)
    {
        $this->standing = new SiteStanding($run->switch->site, $run->switch);
        $rows = $findings = [];
        $why = $offset = null;
        $serial = '';
        try {
            $bench = BenchDesk::of($run->switch) ?? throw new NoDevice('It does not stand on the bench.');
            $client = BenchDesk::client($bench, 'viewer');
            $serial = is_string($client->device['serial'] ?? null) ? $client->device['serial'] : '';
            $result = (new LogMarks())->of((new LogMarksReader())->input($this->input($client)));
            $findings = $result->findings;
            $ms = $result->values['offset_ms'];
            $offset = is_int($ms) || is_float($ms)
                ? SheetWords::seconds((int) round(abs($ms))) . ($ms < 0 ? ' behind it' : ' ahead of it') : null;
            /** @var list<array<string, mixed>> $marks */
            $marks = $result->values['marks'];
            /** @var list<array{event: string, at_ms: int}> $only */
            $only = $result->values['stopwatch_only'];
            $rows = [...array_map($this->row(...), $marks), ...array_map($this->alone(...), $only)];
        } catch (NoDevice|Refused|BadInput $no) {
            $why = $no->getMessage();
        }
        [$this->rows, $this->findings, $this->why, $this->offset, $this->serial] = [$rows, $findings, $why, $offset, $serial];
    }

    /**
     * The log from the outage on that the first mark of the stopwatch is likely to be.
     *
     * @throws NoDevice
     * @throws Refused
     */
    private function input(DeviceClient $client): Node
    {
        $log = [];
        $from = 0;
        do {
            $answer = $client->ask('log', ['from_seq' => $from, 'limit' => 1000]);
            /** @var list<array<string, mixed>> $entries */
            $entries = is_array($answer['entries'] ?? null) ? array_values($answer['entries']) : [];
            array_push($log, ...$entries);
            $last = end($entries);
            $from = 1 + (is_array($last) && is_int($last['seq']) ? $last['seq'] : 0);
        } while (count($entries) === 1000);
        $marks = $this->run->marks->filter(static fn(Mark $mark): bool => ! in_array($mark->event, self::LEAVES_OUT, true));
        $outages = $marks->where('event', 'utility_off')->where('is_undone', false)->count();

        return Node::fromArray([
            'log' => array_map(
                static fn(array $one): array => array_intersect_key($one, self::KEYS),
                self::fromOutage($log, max(1, $outages)),
            ),
            'normal_dropout_delay_ms' => (int) data_get($this->run->sheet->settings, 'sensing.normal.dropout_delay_ms', 0),
            'kind' => $this->run->plantThen()['kind'],
            'stopwatch' => array_values($marks->map(static fn(Mark $mark): array => [
                'event' => $mark->event, 'at_ms' => $mark->at_ms, 'undone' => $mark->is_undone,
            ])->all()),
        ]);
    }

    /**
     * @param list<array<string, mixed>> $log
     *
     * @return list<array<string, mixed>> from the outage on that is so many from the end
     */
    private static function fromOutage(array $log, int $outages): array
    {
        $starts = [];
        $held = 'normal';
        foreach ($log as $i => $one) {
            $held = $one['kind'] === 'switch_closed' && is_string($one['to'] ?? null) ? $one['to'] : $held;
            if ($one['kind'] === 'source_lost' && ($one['source'] ?? null) === 'normal' && $held === 'normal') {
                $starts[] = $i;
            }
        }

        return array_slice($log, $starts[max(0, count($starts) - $outages)] ?? 0);
    }

    /**
     * @param array<string, mixed> $mark
     *
     * @return array{event: string, device: string, stopwatch: string, apart: string}
     */
    private function row(array $mark): array
    {
        $time = static fn(mixed $ms): string => is_int($ms) || is_float($ms) ? SheetWords::clock((int) round($ms)) : 'not marked';
        $apart = $mark['difference_ms'];

        return [
            'event' => $this->name(is_string($mark['event']) ? $mark['event'] : ''), 'device' => $time($mark['at_ms']),
            'stopwatch' => $time($mark['stopwatch_ms']),
            'apart' => is_int($apart) || is_float($apart) ? sprintf('%+.1f s', $apart / 1000) : '',
        ];
    }

    /**
     * @param array{event: string, at_ms: int} $mark
     *
     * @return array{event: string, device: string, stopwatch: string, apart: string}
     */
    private function alone(array $mark): array
    {
        return [
            'event' => $this->name($mark['event']), 'device' => 'not in its log', 'stopwatch' => SheetWords::clock($mark['at_ms']),
            'apart' => '',
        ];
    }

    private function name(string $event): string
    {
        $kind = $this->run->plantThen()['kind'];

        return RunResult::eventName($event, is_string($kind) ? $kind : '');
    }
}
