<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

use Escapement\Core\Wiring\Raceways;

/** Where a raceway enters a box. */
final readonly class BoxRaceway
{
    public const WALLS = ['left', 'right', 'top', 'bottom', 'back'];
    private const OPPOSITE = ['left' => 'right', 'right' => 'left', 'top' => 'bottom', 'bottom' => 'top'];

    public float $inches;

    /** @param int $row raceways of one wall and row stand side by side */
    public function __construct(public string $id, public string $wall, string $tradeSize, public int $row = 1)
    {
        $this->inches = Raceways::inches($tradeSize);
    }

    public function isOpposite(self $other): bool
    {
        return (self::OPPOSITE[$this->wall] ?? null) === $other->wall;
    }

    /** Whether the box has to be wide for it, else high. */
    public function isSideways(): bool
    {
        return in_array($this->wall, ['left', 'right'], true);
    }

    public function isBeside(self $other): bool
    {
        return $this->wall === $other->wall && $this->row === $other->row;
    }
}
