<?php

declare(strict_types=1);

namespace App\Device;

/** An exception of the protocol, by its number. */
final class ModbusFault extends \DomainException
{
    public const FUNCTION = 1;
    public const ADDRESS = 2;
    public const VALUE = 3;
    public const STATE = 4;

    public function __construct(public readonly int $number)
    {
        parent::__construct("exception $number");
    }
}
