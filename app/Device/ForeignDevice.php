<?php

declare(strict_types=1);

namespace App\Device;

use Escapement\Core\Device\Profile\DeviceProfile;
use Escapement\Core\Device\Profile\PlaceReading;
use Escapement\Core\Device\Profile\PlaceTable;

/**
 * Reads a foreign device by Modbus TCP, and never writes. Each wait has an end, and so has all of it together; what answers with something
 * else is no device.
 */
final class ForeignDevice
{
    private const CONNECT_S = 2.0;
    private const ANSWER_S = 2;
    private const ALL_S = 8.0;
    private const IDENTIFY = "\x2B\x0E\x01\x00";
    private const LONGEST = 260;

    /** @var resource */
    private $stream;
    private int $transaction = 0;
    private float $until;

    /** @throws NoDevice */
    public function __construct(string $address, int $port, private readonly int $unit)
    {
        $this->until = microtime(true) + self::ALL_S;
        $host = str_contains($address, ':') ? "[$address]" : $address;
        $stream = @stream_socket_client("tcp://$host:$port", $number, $why, self::CONNECT_S);
        if ($stream === false) {
            throw new NoDevice("Nobody answers at $address, port $port.");
        }
        stream_set_timeout($stream, self::ANSWER_S);
        $this->stream = $stream;
    }

    public function __destruct()
    {
        if (is_resource($this->stream)) {
            fclose($this->stream);
        }
    }

    /**
     * @return list<PlaceReading> in the order of the profile; a place that the device refuses is not known
     *
     * @throws NoDevice
     */
    public function read(DeviceProfile $profile): array
    {
        $image = [];
        foreach ($profile->requests() as ['table' => $table, 'from' => $from, 'count' => $count]) {
            try {
                $image[$table->value] = ($image[$table->value] ?? []) + $this->ask($table, $from, $count);
            } catch (ModbusFault) {
                continue; // the device has no such place, and says so: what lies there is not known
            }
        }

        return $profile->read($image);
    }

    /** Made up: the bench of this tool, which says so itself. What comes from it proves nothing. */
    public function isSimulated(): bool
    {
        try {
            $answer = $this->send(self::IDENTIFY);
        } catch (ModbusFault) {
            return false; // most devices do not say who they are
        }

        return str_contains($answer, 'Escapement') && str_contains($answer, 'Bench');
    }

    /** @return array<int, int> by address */
    private function ask(PlaceTable $table, int $from, int $count): array
    {
        $answer = $this->send(pack('Cnn', $table->function(), $from, $count));
        $bytes = substr($answer, 2);
        $isWhole = strlen($answer) >= 2 && strlen($bytes) === ord($answer[1])
            && strlen($bytes) === ($table->isBits() ? intdiv($count + 7, 8) : 2 * $count);
        if (! $isWhole) {
            throw new NoDevice('The device answers with something else than was asked for.');
        }
        $read = [];
        for ($i = 0; $i < $count; $i++) {
            $read[$from + $i] = $table->isBits() ? ord($bytes[intdiv($i, 8)]) >> $i % 8 & 1
                : ord($bytes[2 * $i]) << 8 | ord($bytes[2 * $i + 1]);
        }

        return $read;
    }

    /**
     * @return string the answer's PDU
     *
     * @throws NoDevice    when it does not answer, or not in this language
     * @throws ModbusFault when it says no
     */
    private function send(string $pdu): string
    {
        $id = ++$this->transaction & 0xFFFF;
        if (@fwrite($this->stream, pack('nnnC', $id, 0, strlen($pdu) + 1, $this->unit) . $pdu) === false) {
            throw new NoDevice('The device has gone.');
        }
        do {
            $head = unpack('ntransaction/nprotocol/nlength', $this->bytes(6));
            if ($head === false || $head['protocol'] !== 0 || $head['length'] < 2 || $head['length'] > self::LONGEST) {
                throw new NoDevice('Somebody answers there, but does not speak Modbus TCP.');
            }
            $answer = substr($this->bytes($head['length']), 1);
        } while ($head['transaction'] !== $id); // an answer that came too late for an earlier question
        if ((ord($answer[0]) & 0x80) !== 0) {
            throw new ModbusFault(ord($answer[1] ?? "\0"));
        }

        return $answer[0] === $pdu[0] ? $answer : throw new NoDevice('The device answers another question.');
    }

    private function bytes(int $count): string
    {
        $bytes = '';
        while (strlen($bytes) < $count) {
            $more = microtime(true) < $this->until ? fread($this->stream, max(1, $count - strlen($bytes))) : false;
            if ($more === false || $more === '') {
                throw new NoDevice('The device does not answer in time.');
            }
            $bytes .= $more;
        }

        return $bytes;
    }
}
