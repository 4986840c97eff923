<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

/** How a signed service visit is called by its verdict; it proves nothing, it was done. */
final readonly class ServiceWords
{
    public const VERDICTS = ['pass' => 'Done', 'fail' => 'Something is not as it should be', 'incomplete' => 'Not all was done'];
}
