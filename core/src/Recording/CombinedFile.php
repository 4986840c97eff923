<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** The single-file form of COMTRADE (.cff, 2013): its sections taken apart. */
final readonly class CombinedFile
{
    private function __construct(public string $config, public string $data) {}

    /** @throws RecordingFault */
    public static function split(string $bytes): self
    {
        if (preg_match('/^--- file type: CFG ---[ \t]*\r?\n(.*?)^--- file type: /ims', $bytes, $config) !== 1) {
            throw RecordingFault::atByte('Combined file', 0, 'No section "--- file type: CFG ---" was found.');
        }
        if (preg_match(
            '/^--- file type: DAT (ASCII|BINARY|BINARY32|FLOAT32)[ \t]*(?::[ \t]*(\d+))?[ \t]*---[ \t]*\r?\n/im',
            $bytes,
            $head,
            PREG_OFFSET_CAPTURE,
        ) !== 1) {
            throw RecordingFault::whole('Combined file: no data section was found.');
        }
        $from = $head[0][1] + strlen($head[0][0]);
        $data = substr($bytes, $from);
        $said = $head[2][0] ?? '';
        if ($said !== '') {
            if (strlen($data) < (int) $said) {
                throw RecordingFault::atByte(
                    'Combined file',
                    $from,
                    sprintf('The data section should have %s bytes; the file ends after %d of them.', $said, strlen($data)),
                );
            }
            $data = substr($data, 0, (int) $said);
        }

        return new self($config[1], $data);
    }
}
