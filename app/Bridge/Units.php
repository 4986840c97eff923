<?php

declare(strict_types=1);

namespace App\Bridge;

/** What a person reads and types on this site; what is stored is always metric. */
final readonly class Units
{
    private const METRES_A_FOOT = 0.3048;

    public function __construct(public string $system) {}

    public function length(): string
    {
        return $this->system === 'us' ? 'ft' : 'm';
    }

    public function fromMetres(float $metres): float
    {
        return $this->system === 'us' ? $metres / self::METRES_A_FOOT : $metres;
    }

    public function toMetres(float $typed): float
    {
        return $this->system === 'us' ? $typed * self::METRES_A_FOOT : $typed;
    }

    public function area(): string
    {
        return $this->system === 'us' ? 'ft²' : 'm²';
    }

    public function fromSquareMetres(float $squareMetres): float
    {
        return $this->fromMetres($this->fromMetres($squareMetres));
    }

    public function toSquareMetres(float $typed): float
    {
        return $this->toMetres($this->toMetres($typed));
    }
}
