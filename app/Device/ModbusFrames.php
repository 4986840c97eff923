<?php

declare(strict_types=1);

namespace App\Device;

/**
 * The byte stream of one Modbus TCP client, cut into frames: MBAP header and PDU. What comes in halves waits, what comes together is
 * taken apart. Format: docs/formats/modbus.md.
 */
final class ModbusFrames
{
    private const HEADER = 6;
    private const LONGEST = 254;
    private string $buffer = '';

    /**
     * @return ?list<array{transaction: int, unit: int, pdu: string}> whole frames in order; null when the stream cannot be trusted any
     *     more
     */
    public function take(string $bytes): ?array
    {
        $this->buffer .= $bytes;
        $frames = [];
        while (strlen($this->buffer) >= self::HEADER) {
            /** @var array{transaction: int, protocol: int, length: int} $head */
            $head = unpack('ntransaction/nprotocol/nlength', $this->buffer);
            if ($head['protocol'] !== 0 || $head['length'] < 2 || $head['length'] > self::LONGEST) {
                return null;
            }
            if (strlen($this->buffer) < self::HEADER + $head['length']) {
                break;
            }
            $frames[] = [
                'transaction' => $head['transaction'], 'unit' => ord($this->buffer[self::HEADER]),
                'pdu' => substr($this->buffer, self::HEADER + 1, $head['length'] - 1),
            ];
            $this->buffer = substr($this->buffer, self::HEADER + $head['length']);
        }

        return $frames;
    }

    /** Something has begun and is not whole yet. */
    public function isHalf(): bool
    {
        return $this->buffer !== '';
    }

    /** @param array{transaction: int, unit: int, pdu: string} $frame that is answered */
    public static function answer(array $frame, string $pdu): string
    {
        return pack('nnnC', $frame['transaction'], 0, strlen($pdu) + 1, $frame['unit']) . $pdu;
    }
}
