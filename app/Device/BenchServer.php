<?php

declare(strict_types=1);

namespace App\Device;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Log;
use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\SocketServer;

/**
 * Serves benches over TCP: Modbus and lines of JSON, a pair of ports each. Nothing is computed that nobody asked for. A client that
 * asks too much, says nothing, or takes nothing is dropped, never the bench. Format: docs/formats/bench.md.
 */
final class BenchServer
{
    public const MOST_CLIENTS = 16;
    private const LOOK_S = 1.0;
    private const TELL_S = 0.1;
    private const WRITE_S = 10.0;
    private const UNITS = [0, 1, 255];

    /** @var array<int, array{Installation, ModbusUnit, DeviceName, string, list<SocketServer>}> by id of the bench */
    private array $benches = [];
    /** @var array<int, Client> */
    private array $clients = [];
    /** @var \Closure(): int */
    private \Closure $mono;
    private Carbon $since;

    public function __construct(
        private readonly LoopInterface $loop,
        private readonly BenchStore $store,
        private readonly string $host,
        private readonly int $port,
        private readonly ?string $token,
    ) {
        $this->mono = BenchStore::mono();
        $this->since = Carbon::now();
    }

    /** @throws Refused when another daemon serves these benches */
    public function run(): void
    {
        if (! $this->store->claim()) {
            throw new Refused('busy', 'Another daemon serves these benches already.');
        }
        $this->look();
        $this->tellHealth();
        $this->loop->addPeriodicTimer(self::LOOK_S, $this->look(...));
        $this->loop->addPeriodicTimer(self::TELL_S, $this->tell(...));
        $this->loop->addPeriodicTimer(self::WRITE_S, $this->writeAll(...));
        $this->loop->run();
    }

    /** Writes down where everything is, and ends. */
    public function stop(): void
    {
        $this->writeAll();
        foreach (array_keys($this->benches) as $id) {
            $this->close($id);
        }
        $this->loop->stop();
    }

    /** Opens what was put up since, closes what was taken down, drops who says nothing. */
    private function look(): void
    {
        try {
            $present = $this->store->claim() ? $this->store->present() : []; // another daemon serves them
        } catch (\PDOException) {
            return; // the database is away: what stands goes on
        }
        foreach ($this->benches as $id => $bench) {
            if (($present[$id] ?? null) !== $bench[3]) {
                $this->close($id);
            } elseif ($bench[0]->isChanged) {
                $this->store->write($id, $bench[0]);
            }
        }
        foreach (array_diff_key($present, $this->benches) as $id => $stoodAt) {
            $this->open($id, $stoodAt);
        }
        $now = ($this->mono)();
        foreach ($this->clients as $client) {
            if ($client->isGone($now)) {
                $client->connection->close();
            }
        }
    }

    private function open(int $id, string $stoodAt): void
    {
        $read = $this->store->read($id);
        if ($read === null) {
            return;
        }
        [$installation, $place] = $read;
        $name = new DeviceName($installation->serial, $installation->kind);
        $port = $this->port + 2 * $place;
        try {
            $modbus = new SocketServer("$this->host:$port", [], $this->loop);
            $lines = new SocketServer("$this->host:" . ($port + 1), [], $this->loop);
        } catch (\RuntimeException) {
            return; // somebody else has the port: it is tried again
        }
        $modbus->on('connection', fn(ConnectionInterface $connection) => $this->greet($connection, $id, isModbus: true));
        $lines->on('connection', fn(ConnectionInterface $connection) => $this->greet($connection, $id, isModbus: false));
        $this->benches[$id] = [$installation, new ModbusUnit($installation, $name), $name, $stoodAt, [$modbus, $lines]];
    }

    private function close(int $id): void
    {
        foreach ($this->benches[$id][4] as $server) {
            $server->close();
        }
        foreach ($this->clients as $client) {
            if ($client->bench === $id) {
                $client->connection->close();
            }
        }
        unset($this->benches[$id]);
    }

    private function greet(ConnectionInterface $connection, int $id, bool $isModbus): void
    {
        if (count($this->clients) >= self::MOST_CLIENTS || ! isset($this->benches[$id])) {
            $connection->end($isModbus ? '' : json_encode([
                'id' => null, 'ok' => false, 'error' => ['code' => 'busy', 'message' => 'Sixteen are connected already.'],
            ], JSON_THROW_ON_ERROR) . "\n");

            return;
        }
        [$installation, , $name] = $this->benches[$id];
        $session = $isModbus ? new ModbusFrames() : new LineSession($installation, $name, $this->token);
        $client = new Client($connection, $id, $session, ($this->mono)());
        $key = spl_object_id($connection);
        $this->clients[$key] = $client;
        $connection->on('close', function () use ($key): void {
            unset($this->clients[$key]);
        });
        $connection->on('error', static fn() => $connection->close());
        $connection->on('data', function (string $bytes) use ($client): void {
            try {
                $this->hear($client, $bytes);
            } catch (\Throwable $fault) { // a fault of ours costs the one who found it, and nobody else
                Log::error("Bench: {$fault->getMessage()}", ['at' => $fault->getFile() . ':' . $fault->getLine()]);
                $client->connection->close();
            }
        });
        if ($session instanceof LineSession) {
            $connection->write($session->greeting());
        }
    }

    private function hear(Client $client, string $bytes): void
    {
        $answers = $client->speaks instanceof ModbusFrames ? $this->answerModbus($client, $client->speaks, $bytes)
            : $this->answerLines($client, $client->speaks, $bytes);
        $client->heard(($this->mono)());
        $installation = $this->benches[$client->bench][0] ?? null;
        if ($installation?->isChanged === true) {
            $this->store->write($client->bench, $installation); // before anybody hears that it was accepted
        }
        $this->send($client, implode('', $answers ?? []));
        if ($answers === null || $client->speaks instanceof LineSession && $client->speaks->isOver) {
            $client->connection->end();
        }
    }

    /** @return ?list<string> null when the stream cannot be trusted any more */
    private function answerModbus(Client $client, ModbusFrames $frames, string $bytes): ?array
    {
        $taken = $frames->take($bytes);
        $answers = [];
        foreach ($taken ?? [] as $frame) {
            $unit = $this->benches[$client->bench][1] ?? null;
            if ($unit === null || ! $client->mayAsk(($this->mono)())) {
                return null;
            }
            if (in_array($frame['unit'], self::UNITS, true)) {
                $answers[] = ModbusFrames::answer($frame, $unit->answer($frame['pdu']));
            }
        }

        return $taken === null ? null : $answers;
    }

    /** @return list<string> */
    private function answerLines(Client $client, LineSession $session, string $bytes): array
    {
        $answers = $session->take($bytes);
        foreach ($answers as $i => $ignored) {
            if (! $client->mayAsk(($this->mono)())) {
                $answers[$i] = '{"id":null,"ok":false,"error":{"code":"too_fast","message":"200 requests a second."}}' . "\n";
                $session->isOver = true;

                return array_slice($answers, 0, $i + 1);
            }
        }

        return $answers;
    }

    /** What clients are subscribed to. */
    private function tell(): void
    {
        $now = ($this->mono)();
        foreach ($this->clients as $client) {
            if ($client->speaks instanceof LineSession && $client->speaks->isSubscribed()) {
                $this->send($client, implode('', $client->speaks->due($now)));
            }
        }
    }

    private function send(Client $client, string $bytes): void
    {
        if ($bytes !== '' && $client->connection->write($bytes) === false) {
            $client->unsent += strlen($bytes);
            $client->connection->once('drain', static function () use ($client): void {
                $client->unsent = 0;
            });
            if ($client->unsent > Client::MOST_UNSENT) {
                $client->connection->close();
            }
        }
    }

    private function writeAll(): void
    {
        foreach ($this->benches as $id => $bench) {
            $this->store->write($id, $bench[0]);
        }
        $this->tellHealth();
    }

    private function tellHealth(): void
    {
        $this->store->tellHealth(new BenchHealth(
            $this->since,
            Carbon::now(),
            count($this->benches),
            count($this->clients),
            memory_get_usage(true) / 1_048_576,
        ));
    }
}
