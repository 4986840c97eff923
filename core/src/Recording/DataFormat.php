<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** How the samples of a COMTRADE data file are written (IEEE C37.111-1999 and -2013). */
enum DataFormat: string
{
    case Ascii = 'ASCII';
    case Binary16 = 'BINARY';
    case Binary32 = 'BINARY32';
    case Float32 = 'FLOAT32';

    public function bytesPerValue(): int
    {
        return $this === self::Binary16 ? 2 : 4;
    }
}
