<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** How sure it is that opening the device is an outage to the switch. */
enum TestPointStatus: string
{
    /** Surveyed, and the one-line says that it takes the voltage from the sensing. */
    case Confirmed = 'confirmed';
    /** Nobody named a device: the one-line says which one it is, to be confirmed on site. */
    case FromOneLine = 'from_one_line';
    /** A device was named that proves nothing, or that is not on the one-line; the one-line says which one does. */
    case Replaced = 'replaced';
    /** A device was named; there is no one-line to check it against. */
    case Unchecked = 'unchecked';
    /** No device takes the voltage from the sensing. */
    case None = 'none';
    /** Nothing is known. */
    case NotKnown = 'not_known';
}
