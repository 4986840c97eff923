<?php

declare(strict_types=1);

namespace App\Stage;

use Illuminate\Support\Facades\Process;

/** An address as a QR code, drawn by Debian's qrencode. */
final readonly class QrPicture
{
    /** Points of a module; with four modules of quiet around, as scanners want it. */
    private const MODULE_PX = '10';
    private const QUIET = '4';

    /** @return string a PNG */
    public static function of(string $address): string
    {
        // by its input, not its command line: that can be read by everybody on the machine, and an address may be a secret
        $command = ['qrencode', '-t', 'PNG', '-l', 'M', '-s', self::MODULE_PX, '-m', self::QUIET, '-o', '-'];

        return Process::timeout(10)->input($address)->run($command)
            ->throw()->output();
    }
}
