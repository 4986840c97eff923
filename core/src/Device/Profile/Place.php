<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Profile;

/** Where a foreign device keeps one quantity, and how it is read. */
final readonly class Place
{
    /**
     * @param int    $address     as on the wire, counted from 0
     * @param ?int   $bit         of a register, 0 the lowest; null where the table is of bits, or the whole register counts
     * @param float  $scale       from what stands there to the device's unit
     * @param float  $offset      added after that, in the device's unit
     * @param string $unit        the device's
     * @param bool   $isLowFirst  the low word of two comes first
     * @param string $meaning     a word of the company's own
     */
    public function __construct(
        public Quantity $quantity,
        public PlaceTable $table,
        public int $address,
        public PlaceType $type,
        public float $scale = 1.0,
        public float $offset = 0.0,
        public string $unit = '',
        public bool $isLowFirst = false,
        public ?int $bit = null,
        public string $meaning = '',
    ) {}

    /**
     * @param array<string, array<int, int>> $image by table and address: what was read
     */
    public function read(array $image): PlaceReading
    {
        $words = [];
        for ($i = 0; $i < $this->type->width(); $i++) {
            $word = $image[$this->table->value][$this->address + $i] ?? null;
            if ($word === null) {
                return new PlaceReading($this, null, null, 'The device does not answer for this place.');
            }
            $words[] = $word;
        }
        $raw = $this->type->raw($this->isLowFirst ? array_reverse($words) : $words);
        if ($raw === null) {
            return new PlaceReading($this, null, null, 'The device says no number here.');
        }
        if ($this->quantity->isState()) {
            $isSo = $this->bit === null ? (float) $raw !== 0.0 : ((int) $raw >> $this->bit & 1) === 1;

            return new PlaceReading($this, $raw, $isSo ? 1.0 : 0.0, null);
        }
        [$factor, $added] = $this->quantity->units()[$this->unit];
        $value = ($raw * $this->scale + $this->offset) * $factor + $added;
        [$least, $most] = $this->quantity->plausible();
        $doubt = $value >= $least && $value <= $most ? null : sprintf(
            'This cannot be: look at address, type, order and scale. It should lie between %s and %s %s.',
            self::plain($least),
            self::plain($most),
            $this->quantity->unit(),
        );

        return new PlaceReading($this, $raw, $value, $doubt);
    }

    /** How the value comes from what stands there. */
    public function working(float|int $raw): string
    {
        $words = self::plain($raw);
        if ($this->scale !== 1.0) {
            $words .= ' × ' . self::plain($this->scale);
        }
        if ($this->offset !== 0.0) {
            $words .= ($this->offset < 0 ? ' − ' : ' + ') . self::plain(abs($this->offset));
        }
        $isSame = $this->unit === $this->quantity->unit();

        return trim("$words $this->unit" . ($isSame || $this->unit === '' ? '' : ', in ' . $this->quantity->unit()));
    }

    private static function plain(float|int $value): string
    {
        return is_int($value) ? (string) $value : rtrim(rtrim(sprintf('%.6F', $value), '0'), '.');
    }
}
