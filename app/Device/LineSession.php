<?php

declare(strict_types=1);

namespace App\Device;

use Escapement\Core\Bench\LogLine;
use Escapement\Core\Input\BadInput;

/**
 * One client of the open protocol: a line of JSON in, one out, in order. The device speaks first. Format: docs/formats/bench.md.
 */
final class LineSession
{
    public const PROTOCOL = 1;
    public const LONGEST = 65_536;
    private const MOST_STRANGE = 3;
    private const MOST_LOG = 1000;
    private const FASTEST_MS = 100;
    private const SLOWEST_MS = 60_000;
    private const OF_TECHNICIAN = ['input', 'clock', 'write_settings'];
    private const ANSWERED = ['hello', 'read', 'subscribe', 'unsubscribe', 'input', 'clock', 'write_settings', 'log', 'script', 'ping'];

    private string $buffer = '';
    private ?string $role = null;
    private int $strange = 0;
    private int $lastSub = 0;
    /** @var array<int, array{names: list<string>, every_ms: int, events: bool, due_ms: int, last: array<string, mixed>, seq: int}> */
    private array $subs = [];
    public bool $isOver = false;

    /** @param ?string $token that a technician needs; null on loopback */
    public function __construct(
        private readonly Installation $installation,
        private readonly DeviceName $name,
        private readonly ?string $token = null,
    ) {}

    public function greeting(): string
    {
        return self::line([
            'hello' => 'escapement-bench', 'protocol' => self::PROTOCOL, 'device' => $this->name->toArray(),
            't_ms' => $this->installation->nowMs(),
        ]);
    }

    /** @return list<string> what is answered to the bytes that came; a line in halves waits */
    public function take(string $bytes): array
    {
        $this->buffer .= $bytes;
        $answers = [];
        while (! $this->isOver && ($end = strpos($this->buffer, "\n")) !== false) {
            $line = rtrim(substr($this->buffer, 0, $end), "\r");
            $this->buffer = substr($this->buffer, $end + 1);
            if ($line !== '') {
                $answers[] = strlen($line) > self::LONGEST ? $this->odd('too_large', 'A line of up to 64 KiB.') : $this->answer($line);
            }
        }
        if (strlen($this->buffer) > self::LONGEST) {
            $answers[] = $this->odd('too_large', 'A line of up to 64 KiB.');
            $this->buffer = '';
            $this->isOver = true; // where the next line begins is not known
        }

        return $answers;
    }

    /**
     * What subscriptions have to say by now.
     *
     * @return list<string>
     */
    public function due(int $wallMs): array
    {
        $lines = [];
        foreach ($this->subs as $id => $sub) {
            if ($sub['events']) {
                foreach ($this->installation->log($sub['seq'] + 1, self::MOST_LOG) as $event) {
                    $lines[] = self::line(['sub' => $id, 'event' => $event->toArray()]);
                    $this->subs[$id]['seq'] = $event->seq;
                }
            }
            if ($wallMs >= $sub['due_ms']) {
                $this->subs[$id]['due_ms'] = $wallMs + $sub['every_ms'];
                $values = $this->values($sub['names']);
                $changed = array_filter(
                    $values,
                    static fn(mixed $value, string $key): bool => ! array_key_exists($key, $sub['last']) || $sub['last'][$key] !== $value,
                    ARRAY_FILTER_USE_BOTH,
                );
                $this->subs[$id]['last'] = $values;
                if ($changed !== []) {
                    $lines[] = self::line(['sub' => $id, 't_ms' => $this->installation->nowMs(), 'values' => $changed]);
                }
            }
        }

        return $lines;
    }

    public function isSubscribed(): bool
    {
        return $this->subs !== [];
    }

    private function answer(string $line): string
    {
        $request = json_decode($line, true, 64);
        $id = is_array($request) ? $request['id'] ?? null : null;
        $isId = is_int($id) || is_string($id) && mb_strlen($id) <= 64;
        if (! is_array($request) || array_is_list($request) && $request !== []) {
            return $this->odd('bad_json', 'One JSON object a line.');
        }
        $this->strange = 0;
        $id = $isId ? $id : null;
        try {
            if (! $isId) {
                throw new Refused('bad_request', 'An id: a whole number, or up to 64 characters.', '/id');
            }
            $method = $request['method'] ?? null;
            if (! is_string($method) || ! in_array($method, self::ANSWERED, true)) {
                throw new Refused('unknown_method', 'One of ' . implode(', ', self::ANSWERED) . '.');
            }
            $params = $request['params'] ?? [];
            if (! is_array($params)) {
                throw new Refused('bad_request', 'An object.', '/params');
            }

            return self::line(['id' => $id, 'ok' => true, 'result' => $this->result($method, $params)]);
        } catch (BadInput $bad) {
            $error = ['code' => 'bad_request', 'message' => $bad->getMessage(), 'path' => "/params$bad->path"];
        } catch (Refused $refused) {
            $error = array_filter([
                'code' => $refused->errorCode, 'message' => $refused->getMessage(), 'path' => $refused->path,
                'revision' => $refused->errorCode === 'conflict' ? $this->installation->revision() : null,
            ], static fn(mixed $one): bool => $one !== null);
        }

        return self::line(['id' => $id, 'ok' => false, 'error' => $error]);
    }

    /**
     * @param array<mixed> $params
     *
     * @throws BadInput
     * @throws Refused
     */
    private function result(string $method, array $params): mixed
    {
        if ($method === 'hello') {
            return $this->hello($params);
        }
        if ($this->role === null) {
            throw new Refused('hello_first', 'Say hello first.');
        }
        if ($this->role !== 'technician' && in_array($method, self::OF_TECHNICIAN, true)) {
            throw new Refused('forbidden', 'A viewer reads only.');
        }

        return match ($method) {
            'read' => $this->values(self::names($params['names'] ?? '*')) + [
                't_ms' => $this->installation->nowMs(), 'rate' => $this->installation->rate(),
            ],
            'subscribe' => $this->subscribe($params),
            'unsubscribe' => $this->unsubscribe($params),
            'input' => ['at_ms' => $this->installation->input(self::textKeys($params))],
            'clock' => $this->clock($params),
            'write_settings' => $this->write($params),
            'log' => $this->log($params),
            'script' => $this->installation->script(),
            default => new \stdClass(),
        };
    }

    /**
     * @param array<mixed> $params
     *
     * @return array<string, mixed>
     */
    private function hello(array $params): array
    {
        $known = is_array($params['protocol'] ?? null) ? $params['protocol'] : [];
        if (! in_array(self::PROTOCOL, $known, true)) {
            throw new Refused('no_common_version', 'This device speaks version ' . self::PROTOCOL . '.', '/params/protocol');
        }
        $role = $params['role'] ?? 'viewer';
        if (! in_array($role, ['viewer', 'technician'], true)) {
            throw new Refused('bad_request', 'viewer or technician.', '/params/role');
        }
        if ($this->token !== null && ! hash_equals($this->token, is_string($params['token'] ?? null) ? $params['token'] : '')) {
            throw new Refused('forbidden', 'A token is needed here.', '/params/token');
        }
        $this->role = $role;

        return ['protocol' => self::PROTOCOL, 'role' => $role];
    }

    /**
     * @param list<string> $names
     *
     * @return array<string, mixed>
     */
    private function values(array $names): array
    {
        $more = [
            'settings' => fn(): array => $this->installation->settings(), 'system' => fn(): mixed => $this->installation->spec()['system'],
            'bench' => fn(): mixed => $this->installation->spec()['bench'], 'revision' => fn(): int => $this->installation->revision(),
            'hands' => fn(): array => $this->installation->hands(),
        ];
        $sample = array_diff_key($this->installation->sample(), ['t_ms' => 1]);
        $values = [];
        foreach ($names === ['*'] ? [...array_keys($sample), ...array_keys($more)] : $names as $i => $name) {
            $values[$name] = match (true) {
                array_key_exists($name, $sample) => $sample[$name],
                isset($more[$name]) => $more[$name](),
                $name === 't_ms' => $this->installation->nowMs(),
                default => throw new Refused('bad_request', "There is no $name.", "/params/names/$i"),
            };
        }

        return $values;
    }

    /**
     * @return list<string>
     *
     * @throws Refused
     */
    private static function names(mixed $names): array
    {
        $list = is_array($names) ? array_values($names) : [$names];
        $texts = array_values(array_filter($list, is_string(...)));

        return $texts === $list ? $texts : throw new Refused('bad_request', 'A list of names, or "*".', '/params/names');
    }

    /**
     * @param array<mixed> $params
     *
     * @return array<string, int>
     */
    private function subscribe(array $params): array
    {
        $every = $params['every_ms'] ?? 1000;
        if (! is_int($every) || $every < self::FASTEST_MS || $every > self::SLOWEST_MS) {
            throw new Refused('bad_request', 'From 100 to 60 000 ms.', '/params/every_ms');
        }
        $names = self::names($params['names'] ?? []);
        $this->values($names);
        $this->subs[++$this->lastSub] = [
            'names' => $names, 'every_ms' => $every, 'events' => ($params['events'] ?? false) === true, 'due_ms' => 0, 'last' => [],
            'seq' => $this->installation->live()->lastSeq(),
        ];

        return ['sub' => $this->lastSub];
    }

    /** @param array<mixed> $params */
    private function unsubscribe(array $params): \stdClass
    {
        $sub = $params['sub'] ?? null;
        if (! is_int($sub) || ! isset($this->subs[$sub])) {
            throw new Refused('bad_request', 'There is no such subscription.', '/params/sub');
        }
        unset($this->subs[$sub]);

        return new \stdClass();
    }

    /**
     * @param array<mixed> $params
     *
     * @return array<string, int>
     */
    private function clock(array $params): array
    {
        $rate = $params['rate'] ?? null;
        $step = $params['step_ms'] ?? null;
        match (true) {
            is_int($rate) => $this->installation->setRate($rate),
            is_int($step) => $this->installation->step($step),
            default => throw new Refused('bad_request', 'A rate from 0 to 60, or a step in ms.', '/params/rate'),
        };

        return ['t_ms' => $this->installation->nowMs(), 'rate' => $this->installation->rate()];
    }

    /**
     * @param array<mixed> $params
     *
     * @return array<string, int>
     */
    private function write(array $params): array
    {
        if (($params['confirm'] ?? null) !== $this->name->serial) {
            throw new Refused('refused', 'Confirm with the serial number of this device.', '/params/confirm');
        }
        $expected = $params['expected_revision'] ?? null;
        if (! is_int($expected)) {
            throw new Refused('bad_request', 'The revision that was read.', '/params/expected_revision');
        }

        return ['revision' => $this->installation->writeSettings($params['settings'] ?? null, $expected)];
    }

    /**
     * @param array<mixed> $params
     *
     * @return array<string, mixed>
     */
    private function log(array $params): array
    {
        $from = $params['from_seq'] ?? 0;
        $limit = $params['limit'] ?? self::MOST_LOG;
        if (! is_int($from) || ! is_int($limit) || $limit < 1 || $limit > self::MOST_LOG) {
            throw new Refused('bad_request', 'From a number on, up to 1000 entries.', '/params/limit');
        }
        $kept = $this->installation->log(0, PHP_INT_MAX);

        return [
            'entries' => array_map(static fn(LogLine $line): array => $line->toArray(), $this->installation->log($from, $limit)),
            'first_seq' => $kept[0]->seq ?? 0, 'last_seq' => $this->installation->live()->lastSeq(),
        ];
    }

    private function odd(string $code, string $message): string
    {
        $this->isOver = ++$this->strange >= self::MOST_STRANGE;

        return self::line(['id' => null, 'ok' => false, 'error' => ['code' => $code, 'message' => $message]]);
    }

    /**
     * @param array<mixed> $params
     *
     * @return array<string, mixed>
     */
    private static function textKeys(array $params): array
    {
        return array_filter($params, is_string(...), ARRAY_FILTER_USE_KEY);
    }

    /** @param array<string, mixed> $value */
    private static function line(array $value): string
    {
        return json_encode(
            $value,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION
                | JSON_INVALID_UTF8_SUBSTITUTE,
        ) . "\n";
    }
}
