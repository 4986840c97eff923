<?php

declare(strict_types=1);

namespace Tests\Unit\Device;

use App\Device\DeviceName;
use App\Device\Installation;
use App\Device\LineSession;
use App\Device\Refused;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** An installation as a device: its clock, its hands, its settings, the lines that it speaks, and that it can be begun again. */
final class InstallationTest extends TestCase
{
    use StandsBench;

    #[Test, DataProvider('kinds')]
    public function what_hands_did_played_by_the_command_line_ends_the_same(InstallationKind $kind): void
    {
        mt_srand(7);
        $installation = $this->installation($kind);
        $hands = [
            ['do' => 'utility_disconnect', 'open' => true], ['do' => 'utility_disconnect', 'open' => false],
            ['do' => 'load', 'load' => 'house', 'kw' => 4.5], ['do' => 'panel_main', 'closed' => false],
            ['do' => 'panel_main', 'closed' => true], ['do' => 'fuel', 'blocked' => true], ['do' => 'fuel', 'blocked' => false],
            ['do' => 'bank', 'element' => 1, 'on' => true], ['do' => 'ct', 'phase' => 1, 'reversed' => true],
            ['do' => 'door', 'open' => true],
            ['do' => 'selector', 'to' => 'off'], ['do' => 'selector', 'to' => 'auto'], ['do' => 'utility', 'v' => 60, 'over_ms' => 2000],
            ['do' => 'utility', 'v' => 120],
        ];
        for ($i = 0; $i < 60; $i++) {
            $this->monoMs += mt_rand(0, 2) * mt_rand(0, 40_000);
            try {
                $installation->input($hands[mt_rand(0, count($hands) - 1)]);
            } catch (BadInput) {
                // not on this kind
            }
        }
        $this->monoMs += 30_000;
        $sample = $installation->sample();
        $script = $installation->script();
        $played = (new Calculations())->calc('bench_play', Node::fromJson(json_encode(
            $script + ['sample_at_ms' => [$script['until_ms']]],
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        )));

        foreach (['position', 'engine', 'test', 'selector', 'lamps', 'alarms', 'starts'] as $key) {
            self::assertEquals($played['samples'][0][$key], $sample[$key], $key);
        }
        self::assertEqualsWithDelta($played['samples'][0]['bus']['kw'], $sample['bus']['kw'], 1e-9);
        self::assertEqualsWithDelta($played['samples'][0]['coolant_c'] ?? 0, $sample['coolant_c'] ?? 0, 1e-6);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function begun_again_from_what_was_written_down_it_goes_on(): void
    {
        $first = $this->installation();
        $first->input(['do' => 'utility_disconnect', 'open' => true]);
        $this->monoMs = 45_000;
        $kept = json_decode(json_encode($first->kept(), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        $expected = $first->sample();
        $seq = $first->live()->lastSeq();
        $again = new Installation($kept, fn(): int => $this->monoMs);

        self::assertEqualsWithDelta($expected, $again->sample(), 1e-9);
        self::assertSame($seq, $again->live()->lastSeq());
        $this->monoMs += 10_000;
        self::assertSame($first->nowMs(), $again->nowMs());
    }

    #[Test]
    public function a_minute_of_overload_opens_the_breaker_and_is_in_the_script(): void
    {
        $installation = $this->installation();
        $installation->input(['do' => 'load', 'load' => 'house', 'kw' => 25]);
        $installation->input(['do' => 'utility_disconnect', 'open' => true]);
        $this->monoMs = 600_000;
        $opened = array_values(array_filter(
            ($installation->sample() === [] ? [] : $installation->script()['inputs']),
            static fn(array $input): bool => $input['do'] === 'generator_breaker',
        ));

        self::assertCount(1, $opened);
        self::assertContains('breaker_open', $installation->sample()['alarms']);
        $log = array_column(array_map(static fn($line): array => $line->toArray(), $installation->log(0, 5000)), 't_ms', 'kind');
        self::assertEqualsWithDelta(60_000, $opened[0]['at_ms'] - $log['switch_closed'], 1500);
    }

    #[Test]
    public function an_empty_tank_stops_the_engine(): void
    {
        $kept = self::kept(InstallationKind::WholeHouse);
        $kept['spec']['bench']['generator'] = ['tank_gal' => 1, 'fuel_pct' => 20] + $kept['spec']['bench']['generator'];
        $installation = new Installation($kept, fn(): int => $this->monoMs);
        $installation->input(['do' => 'utility_disconnect', 'open' => true]);
        $this->monoMs = 3_600_000;

        self::assertNotContains($installation->sample()['engine'], ['running', 'running_up']);
        self::assertContains('fuel', array_column($installation->script()['inputs'], 'do'));
        self::assertContains('low_fuel', $installation->sample()['alarms']);
    }

    #[Test]
    public function its_clock_runs_faster_stands_and_steps_and_never_goes_back(): void
    {
        $installation = $this->installation();
        $installation->setRate(60);
        $this->monoMs = 1000;
        self::assertSame(60_000, $installation->nowMs());
        $installation->setRate(0);
        $this->monoMs = 90_000;
        self::assertSame(60_000, $installation->nowMs());
        $installation->step(500);
        self::assertSame(60_500, $installation->nowMs());
        $installation->setRate(1);
        $this->monoMs = 91_000;
        self::assertSame(61_500, $installation->nowMs());
        $this->expectException(Refused::class);
        $installation->step(1);
    }

    #[Test]
    public function new_settings_leave_knobs_log_and_hours_where_they_were(): void
    {
        $installation = $this->installation();
        $installation->input(['do' => 'door', 'open' => true]);
        $installation->input(['do' => 'utility', 'v' => 118]);
        $installation->input(['do' => 'test', 'with_load' => false]);
        $this->monoMs = 3_600_000;
        $hours = $installation->sample()['run_h'];
        $installation->input(['do' => 'test_stop']);
        $this->monoMs = 7_200_000;
        $seq = $installation->live()->lastSeq();
        $settings = ['return_delay_ms' => 120_000] + $installation->settings();
        $log = $installation->log(0, 1000);
        self::assertContains('source_returned', array_column($log, 'kind'));

        self::assertSame(2, $installation->writeSettings($settings, 1));
        self::assertContains('door_open', $installation->sample()['alarms']);
        self::assertSame([118.0, 118.0], array_map(floatval(...), $installation->sample()['v_normal']));
        self::assertGreaterThanOrEqual($hours, $installation->sample()['run_h']);
        self::assertGreaterThan(0, $hours);
        self::assertGreaterThanOrEqual($seq, $installation->live()->lastSeq());
        self::assertSame(7_200_000, $installation->nowMs());
        self::assertSame(120_000, $installation->settings()['return_delay_ms']);
        $again = new Installation($installation->kept(), fn(): int => $this->monoMs);
        foreach ([$installation, $again] as $one) {
            self::assertEquals($log, $one->log(0, count($log)), 'the log goes on');
            $seqs = array_column($one->log(0, 1000), 'seq');
            self::assertSame(range(1, count($seqs)), $seqs);
        }
        self::assertSame(array_column($installation->log(0, 1000), 'kind'), array_column($again->log(0, 1000), 'kind'));
    }

    #[Test]
    public function a_line_is_answered_by_its_id_in_order_however_it_is_cut(): void
    {
        $installation = $this->installation();
        $session = new LineSession($installation, new DeviceName('B-1', 'K1'));
        $lines = self::line(1, 'hello', ['protocol' => [1], 'role' => 'technician'])
            . self::line('two', 'read', ['names' => ['position', 'revision']])
            . self::line(3, 'input', ['do' => 'door', 'open' => true]) . self::line(4, 'clock', ['rate' => 60]);
        $answers = [];
        foreach (str_split($lines, 9) as $piece) {
            array_push($answers, ...$session->take($piece));
        }
        $decoded = array_map(static fn(string $one): array => json_decode($one, true, 64, JSON_THROW_ON_ERROR), $answers);

        self::assertSame([1, 'two', 3, 4], array_column($decoded, 'id'));
        self::assertSame([true, true, true, true], array_column($decoded, 'ok'));
        self::assertSame('normal', $decoded[1]['result']['position']);
    }

    /** @param array<string, mixed> $expected of the error */
    #[Test, DataProvider('faults')]
    public function what_is_wrong_with_a_line_is_said(string $line, array $expected, bool $isViewer = false): void
    {
        $installation = $this->installation();
        $before = $installation->settings();
        $session = new LineSession($installation, new DeviceName('B-1', 'K1'));
        if ($expected['code'] !== 'hello_first' && $expected['code'] !== 'no_common_version') {
            $session->take(self::line(0, 'hello', ['protocol' => [1], 'role' => $isViewer ? 'viewer' : 'technician']));
        }
        $answer = json_decode($session->take($line)[0] ?? '{}', true, 64, JSON_THROW_ON_ERROR);

        self::assertFalse($answer['ok'] ?? true);
        self::assertSame($expected, array_intersect_key($answer['error'], $expected));
        self::assertSame($before, $installation->settings());
    }

    /** @return iterable<string, array{0: string, 1: array<string, mixed>, 2?: bool}> */
    public static function faults(): iterable
    {
        yield 'no JSON' => ["power\n", ['code' => 'bad_json']];
        yield 'a list' => ["[1]\n", ['code' => 'bad_json']];
        yield 'too deep' => [str_repeat('[', 200) . "\n", ['code' => 'bad_json']];
        yield 'too long' => [str_repeat('x', LineSession::LONGEST + 10), ['code' => 'too_large']];
        yield 'no id' => ["{\"method\":\"ping\"}\n", ['code' => 'bad_request', 'path' => '/id']];
        yield 'before hello' => [self::line(1, 'read'), ['code' => 'hello_first']];
        yield 'another version' => [self::line(1, 'hello', ['protocol' => [9]]), ['code' => 'no_common_version']];
        yield 'a method that is none' => [self::line(1, 'explode'), ['code' => 'unknown_method']];
        yield 'a viewer who turns' => [self::line(1, 'input', ['do' => 'door', 'open' => true]), ['code' => 'forbidden'], true];
        yield 'a name that is none' => [self::line(1, 'read', ['names' => ['x']]), ['code' => 'bad_request', 'path' => '/params/names/0']];
        yield 'a hand that is none' => [self::line(1, 'input', ['do' => 'kick']), ['code' => 'bad_request', 'path' => '/params/do']];
        yield 'a knob that is no number' => [
            self::line(1, 'input', ['do' => 'utility', 'hz' => 'many']), ['code' => 'bad_request', 'path' => '/params/hz'],
        ];
        yield 'settings without the serial' => [
            self::line(1, 'write_settings', ['settings' => [], 'expected_revision' => 1]),
            ['code' => 'refused', 'path' => '/params/confirm'],
        ];
        yield 'settings of another revision' => [
            self::line(1, 'write_settings', ['settings' => [], 'expected_revision' => 7, 'confirm' => 'B-1']),
            ['code' => 'conflict', 'revision' => 1],
        ];
        yield 'settings that are none' => [
            self::line(1, 'write_settings', ['settings' => ['start_delay_ms' => -1], 'expected_revision' => 1, 'confirm' => 'B-1']),
            ['code' => 'refused'],
        ];
        yield 'a rate of 61' => [self::line(1, 'clock', ['rate' => 61]), ['code' => 'bad_request', 'path' => '/rate']];
        yield 'a step while it runs' => [self::line(1, 'clock', ['step_ms' => 5]), ['code' => 'refused']];
        yield 'a log that is too long' => [self::line(1, 'log', ['limit' => 5000]), ['code' => 'bad_request']];
    }

    #[Test]
    public function three_lines_of_nonsense_end_the_talk(): void
    {
        $session = new LineSession($this->installation(), new DeviceName('B-1', 'K1'));
        self::assertCount(3, $session->take("a\nb\nc\nd\n"));
        self::assertTrue($session->isOver);
    }

    #[Test]
    public function a_subscriber_hears_what_has_changed_and_each_event_once(): void
    {
        $installation = $this->installation();
        $session = new LineSession($installation, new DeviceName('B-1', 'K1'));
        $session->take(self::line(0, 'hello', ['protocol' => [1], 'role' => 'technician']));
        $session->take(self::line(1, 'subscribe', ['names' => ['position', 'selector'], 'every_ms' => 1000, 'events' => true]));
        self::assertCount(1, $session->due(0));
        self::assertSame([], $session->due(1000), 'nothing has changed');
        $session->take(self::line(2, 'input', ['do' => 'utility_disconnect', 'open' => true]));
        $this->monoMs = 60_000;
        $lines = $session->due(2000);

        self::assertStringContainsString('"position":"emergency"', end($lines) ?: '');
        self::assertStringNotContainsString('selector', end($lines) ?: '');
        $events = array_filter($lines, static fn(string $line): bool => str_contains($line, '"event"'));
        self::assertGreaterThan(5, count($events));
        self::assertSame([], array_filter($session->due(2100), static fn(string $line): bool => str_contains($line, '"event"')));
    }

    /** @param array<string, mixed> $params */
    private static function line(int|string $id, string $method, array $params = []): string
    {
        return json_encode(['id' => $id, 'method' => $method, 'params' => $params === [] ? new \stdClass() : $params], JSON_THROW_ON_ERROR)
            . "\n";
    }
}
