<?php

declare(strict_types=1);

namespace App\Device;

/** The device does not do that, and says why. */
final class Refused extends \DomainException
{
    /**
     * @param string  $errorCode of the open protocol: refused, conflict, bad_request, forbidden
     * @param ?string $path      of the value it is about
     */
    public function __construct(public readonly string $errorCode, string $message, public readonly ?string $path = null)
    {
        parent::__construct($message);
    }
}
