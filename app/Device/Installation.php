<?php

declare(strict_types=1);

namespace App\Device;

use Escapement\Core\Bench\Coil;
use Escapement\Core\Bench\LiveBench;
use Escapement\Core\Bench\LogLine;
use Escapement\Core\Bench\Supervisor;
use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Device\Register\SettingsBlock;
use Escapement\Core\Device\Register\UnknownRegister;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Wire\Device\BenchInputReader;
use Escapement\Core\Wire\Device\BenchReader;
use Escapement\Core\Wire\SettingsReader;

/**
 * One made-up installation as a device: it goes by its clock, takes what hands do, tells what it shows, keeps settings with a revision.
 * All of it can be written down and begun again from there. Rule: docs/rules.md#bench-live.
 *
 * @phpstan-type Kept array{serial: string, kind: string, spec: array<string, mixed>, inputs: list<array<string, mixed>>, base_ms: int,
 *     now_ms: int, rate: int, revision: int, last_seq: int, earlier?: list<array<string, mixed>>}
 */
final class Installation
{
    private const END_MS = 31_536_000_000;
    /** A longer script could not be played by `bench_play`. */
    private const MOST_INPUTS = 5000;
    private const KNOBS = ['utility' => ['v', 'hz', 'rotation'], 'emergency' => ['v', 'hz', 'rotation']];
    private const LEVERS = [
        'utility_disconnect' => null, 'fuel' => null, 'selector' => null, 'panel_main' => null, 'door' => null, 'charger' => null,
        'generator_breaker' => null, 'generator_rotation' => null, 'load' => 'load', 'bank' => 'element', 'ct' => 'phase',
    ];

    public readonly string $serial;
    public readonly string $kind;
    private LiveBench $live;
    private BenchInputReader $reader;
    private Settings $settings;
    private ?Supervisor $supervisor;
    private BenchClock $clock;
    /** @var null|array{int, list<int>} the input registers of a millisecond */
    private ?array $image = null;
    /** @var array<string, mixed> system, settings, loads, bench as `bench_play` reads them */
    private array $spec;
    /** @var list<array<string, mixed>> what hands did since these settings are active */
    private array $inputs;
    /** @var list<LogLine> of before these settings were active */
    private array $earlier;
    /** Of the device, when the present script begins. */
    private int $baseMs;
    private int $revision;
    /** Something has happened that is not written down yet. */
    public bool $isChanged = false;

    /**
     * @param Kept            $kept
     * @param \Closure(): int $mono ms of a clock that nobody sets
     *
     * @throws BadInput where it cannot be made
     */
    public function __construct(array $kept, \Closure $mono)
    {
        $this->serial = $kept['serial'];
        $this->kind = $kept['kind'];
        $this->revision = $kept['revision'];
        $this->earlier = array_map(LogLine::fromArray(...), $kept['earlier'] ?? []);
        $this->begin($kept['spec'], $kept['inputs'], $kept['base_ms'], $kept['last_seq']);
        $this->live->advanceTo(max(0, $kept['now_ms'] - $kept['base_ms']));
        $this->clock = new BenchClock($kept['now_ms'], $kept['rate'], $mono);
    }

    /** @return Kept */
    public function kept(): array
    {
        return [
            'serial' => $this->serial, 'kind' => $this->kind, 'spec' => $this->spec, 'inputs' => $this->inputs, 'base_ms' => $this->baseMs,
            'now_ms' => $this->nowMs(), 'rate' => $this->clock->rate(), 'revision' => $this->revision,
            'last_seq' => $this->seqBefore,
            'earlier' => array_map(static fn(LogLine $line): array => $line->toArray(), $this->earlier),
        ];
    }

    private int $seqBefore = 0;

    public function nowMs(): int
    {
        return min($this->clock->nowMs(), $this->baseMs + self::END_MS);
    }

    public function rate(): int
    {
        return $this->clock->rate();
    }

    /** @throws Refused */
    public function setRate(int $rate): void
    {
        if ($rate < 0 || $rate > BenchClock::FASTEST) {
            throw new Refused('bad_request', 'A rate from 0, which pauses, to 60.', '/rate');
        }
        $this->clock->setRate($rate);
        $this->isChanged = true;
    }

    /** @throws Refused while it runs */
    public function step(int $ms): void
    {
        if ($this->clock->rate() !== 0) {
            throw new Refused('refused', 'The clock is stepped only while it is paused.', '/step_ms');
        }
        if ($ms < 1 || $ms > self::END_MS) {
            throw new Refused('bad_request', 'A step is at least a millisecond.', '/step_ms');
        }
        $this->clock->step($ms);
        $this->isChanged = true;
    }

    /**
     * What a hand does now.
     *
     * @param array<string, mixed> $input as `bench_play` has it, without its time
     *
     * @return int ms of the device at which it acted
     *
     * @throws BadInput at what is wrong with it
     * @throws Refused  when the script is full
     */
    public function input(array $input): int
    {
        if (count($this->inputs) >= self::MOST_INPUTS) {
            throw new Refused('refused', 'This script is full: put the installation on the bench anew.');
        }
        $this->live();
        $atMs = max($this->nowMs() - $this->baseMs, $this->live->nowMs());
        $dated = ['at_ms' => $atMs] + array_diff_key($input, ['at_ms' => 1]);
        $this->live->act(...$this->reader->read(self::node($dated)));
        $this->image = null;
        $this->inputs[] = $dated;
        $this->isChanged = true;

        return $this->baseMs + $atMs;
    }

    /** Whether such a hand is there at all on this kind of installation. */
    public function takes(Coil $coil): bool
    {
        try {
            $this->reader->read(self::node(['at_ms' => 0] + $coil->on));

            return true;
        } catch (BadInput) {
            return false;
        }
    }

    public function live(): LiveBench
    {
        $untilMs = $this->nowMs() - $this->baseMs;
        while ($this->supervisor !== null && $this->live->nowMs() < $untilMs) {
            $this->live->advanceTo($this->supervisor->next($this->live, $untilMs));
            $this->supervise($this->supervisor);
        }
        $this->live->advanceTo($untilMs);

        return $this->live;
    }

    /** What the set does to itself is an input like any other. */
    private function supervise(Supervisor $supervisor): void
    {
        $panel = $this->live->motion->panel;
        $found = $supervisor->look($this->live->sample(), $this->live->nowMs(), $panel->fuelBlockedMs !== null, $panel->isBreakerClosed);
        foreach (count($this->inputs) >= self::MOST_INPUTS ? [] : $found as $input) {
            $dated = ['at_ms' => $this->live->nowMs()] + $input;
            $this->live->act(...$this->reader->read(self::node($dated)));
            $this->inputs[] = $dated;
            $this->isChanged = true;
        }
    }

    /** @return array<string, mixed> as `bench_play` samples it */
    public function sample(): array
    {
        return $this->live()->sample();
    }

    /**
     * Where hands left knobs and levers, which no lamp tells.
     *
     * @return array{coils: array<int, bool>, utility: list<int|float>, emergency: list<int|float>, loads: array<string, int|float>}
     */
    public function hands(): array
    {
        /** @var list<Coil> $coils */
        $coils = require __DIR__ . '/../../core/data/bench_coils.php';
        $live = $this->live();
        $on = [];
        foreach ($coils as $coil) {
            if ($this->takes($coil)) {
                $on[$coil->address] = $coil->isOn($live);
            }
        }
        $script = $live->script();

        return [
            'coils' => $on, 'utility' => $script->knobs(Side::Normal), 'emergency' => $script->knobs(Side::Emergency),
            'loads' => $script->loadKnobs(),
        ];
    }

    /** @return list<int> */
    public function inputRegisters(): array
    {
        $now = $this->nowMs();
        if ($this->image !== null && $this->image[0] === $now) {
            return $this->image[1]; // many ask in one millisecond
        }
        $live = $this->live();
        $log = $this->log(0, 1);
        $word = static fn(int $value): array => [$value >> 16 & 0xFFFF, $value & 0xFFFF];

        $registers = [
            ...(new LiveImage())->ofSample($live->sample()),
            ...$word($log[0]->seq ?? 0),
            ...$word($live->lastSeq()),
        ];
        $this->image = [$now, $registers];

        return $registers;
    }

    public function revision(): int
    {
        return $this->revision;
    }

    /** @return array<string, mixed> as they stand on a sheet */
    public function settings(): array
    {
        return $this->settings->toWire();
    }

    /** @return list<int> the block as found */
    public function settingsRegisters(): array
    {
        return (new SettingsBlock())->encoded($this->settings)[0];
    }

    /**
     * Takes a sheet as a whole, or nothing of it. What its registers cannot keep is rounded, and read back so.
     *
     * @param mixed $settings         as they stand on a sheet
     * @param int   $expectedRevision that the writer saw
     *
     * @return int the new revision
     *
     * @throws Refused with the path of what is wrong
     */
    public function writeSettings(mixed $settings, int $expectedRevision): int
    {
        $this->guardWrite($expectedRevision);
        $plant = $this->reader->plant;
        try {
            $read = (new SettingsReader())->settings(new Node(self::node(['settings' => $settings])->object()->required('settings')
                ->value, '/settings'), $plant);
        } catch (BadInput $bad) {
            throw new Refused('refused', $bad->getMessage(), $bad->path);
        }

        return $this->commit((new SettingsBlock())->encoded($read)[0], $expectedRevision);
    }

    /**
     * @param list<int> $registers a settings block
     *
     * @throws Refused|UnknownRegister where nothing is changed
     */
    public function commit(array $registers, int $expectedRevision): int
    {
        $this->guardWrite($expectedRevision);
        try {
            $sheet = (new SettingsBlock())->sheet($registers);
            $settings = (new SettingsReader())->settings(new Node(self::node($sheet)->value, '/settings'), $this->reader->plant)->toWire();
        } catch (BadInput $bad) {
            throw new Refused('refused', $bad->getMessage(), $bad->path);
        }
        $sample = $this->sample();
        $spec = ['settings' => $settings] + $this->spec;
        if (is_array($spec['bench']['generator'] ?? null)) {
            $spec['bench']['generator'] = array_filter([
                'soc' => $sample['soc'], 'run_h' => $sample['run_h'], 'starts' => $sample['starts'], 'fuel_pct' => $sample['fuel_pct'],
            ], static fn(mixed $value): bool => $value !== null) + $spec['bench']['generator'];
        }
        $earlier = $this->log(0, PHP_INT_MAX);
        $this->begin($spec, $this->standing(), $this->nowMs(), $this->live->lastSeq());
        $this->earlier = $earlier;
        $this->image = null;
        $this->revision++;
        $this->isChanged = true;

        return $this->revision;
    }

    /** @return array{system: mixed, settings: mixed, loads: mixed, bench: mixed, inputs: list<array<string, mixed>>, until_ms: int} */
    public function script(): array
    {
        return [
            'system' => $this->spec['system'], 'settings' => $this->spec['settings'], 'loads' => $this->spec['loads'],
            'bench' => $this->spec['bench'], 'inputs' => $this->inputs, 'until_ms' => $this->nowMs() - $this->baseMs,
        ];
    }

    /** @return array<string, mixed> */
    public function spec(): array
    {
        return $this->spec;
    }

    /** @return list<LogLine> from a number on, of those that are kept: other settings take no line away */
    public function log(int $fromSeq, int $limit): array
    {
        $kept = array_slice([...$this->earlier, ...$this->live()->log()], -LiveBench::RING);
        $from = array_filter($kept, static fn(LogLine $line): bool => $line->seq >= $fromSeq);

        return array_slice(array_values($from), 0, $limit);
    }

    /** @throws Refused */
    private function guardWrite(int $expectedRevision): void
    {
        if ($expectedRevision !== $this->revision) {
            throw new Refused('conflict', "The device is at revision $this->revision: read it again.", '/expected_revision');
        }
        if (! $this->live()->isAtRest()) {
            throw new Refused('refused', 'It takes settings only at rest: on the first source, engine stopped, nothing timed.');
        }
    }

    /**
     * @param array<string, mixed>       $spec
     * @param list<array<string, mixed>> $inputs
     *
     * @throws BadInput
     */
    private function begin(array $spec, array $inputs, int $baseMs, int $lastSeq): void
    {
        $in = (new BenchReader())->input(self::node([
            'system' => $spec['system'], 'settings' => $spec['settings'], 'loads' => $spec['loads'],
            'bench' => $spec['bench'] === [] ? new \stdClass() : $spec['bench'], 'inputs' => [], 'sample_at_ms' => [],
            'until_ms' => self::END_MS,
        ]));
        $reader = new BenchInputReader($in->plant, $in->loads, count($in->elementsKw));
        $live = new LiveBench($in, $lastSeq, $baseMs);
        foreach ($inputs as $input) {
            $live->act(...$reader->read(self::node($input)));
        }
        $this->settings = $in->settings;
        $this->supervisor = $in->generator === null ? null : new Supervisor($in->generator);
        $this->reader = $reader;
        $this->live = $live;
        $this->spec = $spec;
        $this->inputs = $inputs;
        $this->baseMs = $baseMs;
        $this->seqBefore = $lastSeq;
    }

    /** @return list<array<string, mixed>> what leaves knobs and levers as hands left them, at the beginning of another script */
    private function standing(): array
    {
        $last = [];
        foreach ($this->inputs as $input) {
            $do = is_string($input['do']) ? $input['do'] : '';
            if (isset(self::KNOBS[$do])) {
                $last[$do] = array_intersect_key($input, array_flip(['do', ...self::KNOBS[$do]])) + ($last[$do] ?? []);
            } elseif (array_key_exists($do, self::LEVERS)) {
                $which = self::LEVERS[$do] === null ? '' : json_encode($input[self::LEVERS[$do]] ?? null, JSON_THROW_ON_ERROR);
                $last["$do $which"] = $input;
            }
        }

        return array_map(static fn(array $input): array => ['at_ms' => 0] + $input, array_values($last));
    }

    /** @param array<mixed> $value */
    private static function node(array $value): Node
    {
        return Node::fromJson(json_encode($value === [] ? new \stdClass() : $value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}
