<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

/** Stand-in for the package of that name, which the registry lacks; the framework only needs these two types. */
interface ClockInterface extends \Psr\Clock\ClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
