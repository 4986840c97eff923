<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Profile;

/** A foreign device's register table, mapped to our quantities. Rule: docs/rules.md#device-profile. */
final readonly class DeviceProfile
{
    /** Registers and bits that one request may ask for, and a gap that is read along rather than asked around. */
    private const MOST_REGISTERS = 100;
    private const MOST_BITS = 1000;
    private const GAP = 8;

    /** @param list<Place> $places each quantity once */
    public function __construct(public array $places) {}

    /**
     * The requests that read all of it, the fewest that stay within what a device answers at once.
     *
     * @return list<array{table: PlaceTable, from: int, count: int}>
     */
    public function requests(): array
    {
        $requests = [];
        foreach (PlaceTable::cases() as $table) {
            $spans = [];
            foreach ($this->places as $place) {
                if ($place->table === $table) {
                    $spans[] = [$place->address, $place->address + $place->type->width()];
                }
            }
            sort($spans);
            $most = $table->isBits() ? self::MOST_BITS : self::MOST_REGISTERS;
            $from = $to = null;
            foreach ($spans as [$begin, $end]) {
                if ($from === null || $begin > $to + self::GAP || max($to, $end) - $from > $most) {
                    if ($from !== null) {
                        $requests[] = ['table' => $table, 'from' => $from, 'count' => $to - $from];
                    }
                    [$from, $to] = [$begin, $end];
                }
                $to = max((int) $to, $end);
            }
            if ($from !== null) {
                $requests[] = ['table' => $table, 'from' => $from, 'count' => (int) $to - $from];
            }
        }

        return $requests;
    }

    /**
     * @param array<string, array<int, int>> $image by table and address: what was read
     *
     * @return list<PlaceReading> in the order of the profile
     */
    public function read(array $image): array
    {
        return array_map(static fn(Place $place): PlaceReading => $place->read($image), $this->places);
    }
}
