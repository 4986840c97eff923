<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Rating;

/** Kilowatts of the plate on one fuel, or what follows from those on another. Rule: docs/rules.md#source-rating. */
final readonly class FuelRating
{
    /** Rating relative to petrol, where the maker gives none for the fuel. To be confirmed with the maker. */
    private const FACTORS = ['petrol' => 1.0, 'lp' => 0.9, 'natural_gas' => 0.8];

    /** @param ?string $from the fuel it was derived from; null: it stands on the plate */
    private function __construct(public float $kw, public string $fuel, public ?string $from, public float $plateKw) {}

    /**
     * Null where nothing on the plate says it. Nothing is derived for diesel, and nothing from it.
     *
     * @param array<string, float> $ratingsKw by fuel
     */
    public static function on(string $fuel, array $ratingsKw): ?self
    {
        if (isset($ratingsKw[$fuel])) {
            return new self($ratingsKw[$fuel], $fuel, null, $ratingsKw[$fuel]);
        }
        $own = self::FACTORS[$fuel] ?? null;
        foreach (self::FACTORS as $other => $factor) {
            if ($own !== null && isset($ratingsKw[$other])) {
                return new self($ratingsKw[$other] * $own / $factor, $fuel, $other, $ratingsKw[$other]);
            }
        }

        return null;
    }

    public function working(): string
    {
        return sprintf('%g kW on %s × %g / %g', $this->plateKw, self::words((string) $this->from), ...array_map(
            static fn(?string $fuel): float => self::FACTORS[(string) $fuel],
            [$this->fuel, $this->from],
        ));
    }

    /** @return array{rated_kw: float, fuel: string, other: string} */
    public function told(): array
    {
        return ['rated_kw' => $this->kw, 'fuel' => self::words($this->fuel), 'other' => self::words((string) $this->from)];
    }

    private static function words(string $fuel): string
    {
        return str_replace('_', ' ', $fuel);
    }
}
