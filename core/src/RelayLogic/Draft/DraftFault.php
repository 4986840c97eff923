<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Draft;

/** An edit that cannot be made; the draft stays as it is. */
final class DraftFault extends \DomainException
{
    /** @param string $field what the person has to change */
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }
}
