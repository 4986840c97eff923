<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Register;

/** A block of another layout, or with a flag that this one does not have. */
final class UnknownRegister extends \DomainException
{
    public function __construct(public readonly string $path, public readonly int $offset, string $message)
    {
        parent::__construct($message);
    }
}
