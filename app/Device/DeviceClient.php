<?php

declare(strict_types=1);

namespace App\Device;

/** Asks a device by the open protocol, and waits for the answer for a short while. */
final class DeviceClient
{
    private const CONNECT_S = 1.0;
    private const ANSWER_S = 3;
    private const LONGEST = 8_388_608;

    /** @var resource */
    private $stream;
    private int $id = 0;
    /** @var array<string, mixed> who it says it is */
    public readonly array $device;

    /** @throws NoDevice */
    public function __construct(string $host, int $port, string $role = 'technician', ?string $token = null)
    {
        $stream = @stream_socket_client("tcp://$host:$port", $number, $why, self::CONNECT_S);
        if ($stream === false) {
            throw new NoDevice("Nobody answers at $host:$port.");
        }
        stream_set_timeout($stream, self::ANSWER_S);
        $this->stream = $stream;
        $greeting = $this->line();
        if (($greeting['hello'] ?? null) !== 'escapement-bench') {
            throw new NoDevice("At $host:$port somebody speaks another language.");
        }
        /** @var array<string, mixed> $device */
        $device = is_array($greeting['device'] ?? null) ? $greeting['device'] : [];
        $this->device = $device;
        $this->ask('hello', ['protocol' => [LineSession::PROTOCOL], 'client' => 'escapement', 'role' => $role]
            + ($token === null ? [] : ['token' => $token]));
    }

    public function __destruct()
    {
        if (is_resource($this->stream)) {
            fclose($this->stream);
        }
    }

    /**
     * @param array<string, mixed> $params
     *
     * @return array<string, mixed>
     *
     * @throws NoDevice when it does not answer
     * @throws Refused  when it says no
     */
    public function ask(string $method, array $params = []): array
    {
        $id = ++$this->id;
        $line = json_encode(
            ['id' => $id, 'method' => $method, 'params' => $params === [] ? new \stdClass() : $params],
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        );
        if (@fwrite($this->stream, "$line\n") === false) {
            throw new NoDevice('The device has gone.');
        }
        do {
            $answer = $this->line();
        } while (($answer['id'] ?? null) !== $id);
        if (($answer['ok'] ?? false) !== true) {
            $error = is_array($answer['error'] ?? null) ? $answer['error'] : [];
            $text = static fn(string $key): ?string => is_string($error[$key] ?? null) ? $error[$key] : null;
            throw new Refused($text('code') ?? 'refused', $text('message') ?? 'It says no.', $text('path'));
        }
        /** @var array<string, mixed> $result */
        $result = is_array($answer['result'] ?? null) ? $answer['result'] : [];

        return $result;
    }

    /**
     * @return array<array-key, mixed>
     *
     * @throws NoDevice
     */
    private function line(): array
    {
        $line = fgets($this->stream, self::LONGEST);
        $value = is_string($line) && str_ends_with($line, "\n") ? json_decode($line, true, 64) : null;

        return is_array($value) ? $value : throw new NoDevice('The device does not answer in time.');
    }
}
