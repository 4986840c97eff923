<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

use Escapement\Core\Wiring\Raceways;
use Escapement\Core\Wiring\Sizes;

/** Conductors of one kind and size in a raceway, or whole cables of one diameter. Rule: docs/rules.md#raceway-fill. */
final readonly class FillItem
{
    /** A cable as stiff as large conductors. */
    private const STIFF_OD_IN = 0.55;

    private const STIFF_SIZE = '4/0';

    private function __construct(public string $kind, public string $size, public float $odIn, public int $qty, public float $areaIn2) {}

    /** @param float $odIn the maker's outside diameter; of an oval cable the major one */
    public static function cable(float $odIn, int $qty): self
    {
        return new self('cable', '', $odIn, $qty, M_PI / 4 * $odIn ** 2);
    }

    /** Null where this kind is not listed in this size. */
    public static function conductors(string $kind, string $size, int $qty): ?self
    {
        $area = Raceways::conductor($kind, $size);

        return $area === null ? null : new self($kind, $size, 0.0, $qty, $area);
    }

    public function isCable(): bool
    {
        return $this->kind === 'cable';
    }

    /** Whether it makes a pull through a flexible raceway hard. */
    public function isStiff(): bool
    {
        return $this->isCable() ? $this->odIn >= self::STIFF_OD_IN : $this->kind !== 'bare'
            && Sizes::isAtLeast($this->size, self::STIFF_SIZE);
    }
}
