<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Device\Profile\DeviceProfile;
use Escapement\Core\Device\Profile\Place;
use Escapement\Core\Device\Profile\PlaceTable;
use Escapement\Core\Device\Profile\PlaceType;
use Escapement\Core\Device\Profile\Quantity;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;

/**
 * A profile as JSON (docs/schema/device-profile.schema.json) or as CSV with the same words as headings.
 */
final readonly class ProfileReader
{
    public const COLUMNS = ['quantity', 'table', 'address', 'type', 'order', 'bit', 'scale', 'offset', 'unit', 'meaning'];
    public const FORMAT = 'escapement/device-profile/1';
    private const MOST = 100;
    private const LAST_ADDRESS = 65_535;
    private const LARGEST = 1e9;

    /** @throws BadInput */
    public function profile(Node $node): DeviceProfile
    {
        $fields = new Fields($node);
        $fields->oneOf('format', [self::FORMAT]);
        $fields->maybeText('name', 120);
        $places = [];
        $known = [];
        foreach ($fields->list('rows', 1, self::MOST) as $row) {
            $place = $this->place($row);
            if (isset($known[$place->quantity->value])) {
                throw $row->at('quantity', null)->bad('This quantity stands in an earlier row: one place is read.');
            }
            $known[$place->quantity->value] = true;
            $places[] = $place;
        }
        $fields->only(['format', 'name', 'rows']);

        return new DeviceProfile($places);
    }

    /**
     * @return array<string, mixed> as JSON has it
     *
     * @throws BadInput with the line as its path: /3/scale
     */
    public static function fromCsv(string $text, string $name): array
    {
        $lines = preg_split('/\R/', str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text);
        $lines = array_filter($lines === false ? [] : $lines, static fn(string $line): bool => trim($line, " \t,;") !== '');
        $comma = substr_count((string) reset($lines), ';') > substr_count((string) reset($lines), ',') ? ';' : ',';
        $cells = static fn(string $line): array => array_map(
            static fn(?string $cell): string => trim((string) $cell),
            str_getcsv($line, $comma, '"', ''),
        );
        $headings = array_map(mb_strtolower(...), $cells((string) array_shift($lines)));
        if (array_diff(['quantity', 'table', 'address', 'type'], $headings) !== [] || array_diff($headings, self::COLUMNS) !== []) {
            throw new BadInput('/1', 'The first line names the columns: ' . implode(', ', self::COLUMNS) . '.');
        }
        $rows = [];
        foreach ($lines as $line) {
            $row = array_filter(
                array_combine($headings, array_pad(array_slice($cells($line), 0, count($headings)), count($headings), '')),
                static fn(string $cell): bool => $cell !== '',
            );
            $rows[] = self::typed($row);
        }

        return ['format' => self::FORMAT, 'name' => $name, 'rows' => $rows];
    }

    /** @return array<string, mixed> */
    public static function row(Place $place): array
    {
        return ['quantity' => $place->quantity->value, 'table' => $place->table->value, 'address' => $place->address,
            'type' => $place->type->value] + array_filter([
                'order' => $place->isLowFirst ? 'low' : null, 'bit' => $place->bit, 'scale' => $place->scale === 1.0 ? null : $place->scale,
                'offset' => $place->offset === 0.0 ? null : $place->offset, 'unit' => $place->unit === '' ? null : $place->unit,
                'meaning' => $place->meaning === '' ? null : $place->meaning,
            ], static fn(mixed $value): bool => $value !== null);
    }

    private function place(Node $row): Place
    {
        $fields = new Fields($row);
        $fields->only(self::COLUMNS);
        $quantity = $fields->at('quantity')->enum(Quantity::class);
        $table = $fields->at('table')->enum(PlaceTable::class);
        $address = $fields->int('address', 0, self::LAST_ADDRESS);
        $type = $fields->at('type')->enum(PlaceType::class);
        $order = $fields->oneOf('order', ['high', 'low'], 'high');
        $bit = $fields->maybeInt('bit', 0, 15);
        $scale = $fields->number('scale', -self::LARGEST, self::LARGEST, 1.0);
        $offset = $fields->number('offset', -self::LARGEST, self::LARGEST, 0.0);
        $unit = $fields->maybeText('unit', 10) ?? $quantity->unit();
        $meaning = $fields->maybeText('meaning', 120) ?? '';
        $fault = match (true) {
            $table->isBits() && $type !== PlaceType::Bit => ['type', 'A table of bits has bits.'],
            $bit !== null && ($table->isBits() || ! $quantity->isState())
                => ['bit', 'A bit of a register holds a state, on or off, and no number.'],
            ! $table->isBits() && $type === PlaceType::Bit && $bit === null => ['bit', 'Which bit of the register? 0 is the lowest.'],
            $type === PlaceType::Bit && ! $quantity->isState() => ['type', 'This quantity is a number: a bit does not hold it.'],
            ! $quantity->isState() && $scale === 0.0 => ['scale', 'A scale of 0 makes everything 0.'],
            ! isset($quantity->units()[$unit]) => ['unit', $quantity->isState() ? 'A state, on or off, has no unit.'
                : 'This must be one of: ' . implode(', ', array_keys($quantity->units())) . '.'],
            $address + $type->width() - 1 > self::LAST_ADDRESS => ['address', 'Its second register would lie beyond the last.'],
            default => null,
        };
        if ($fault !== null) {
            throw $row->at($fault[0], null)->bad($fault[1]);
        }

        return new Place($quantity, $table, $address, $type, $scale, $offset, $unit, $order === 'low', $bit, $meaning);
    }

    /**
     * @param array<string, string> $row
     *
     * @return array<string, mixed>
     */
    private static function typed(array $row): array
    {
        foreach ($row as $column => $cell) {
            $row[$column] = self::figure($cell, $column);
        }

        return $row;
    }

    private static function figure(string $cell, string $column): float|int|string
    {
        return match (true) {
            ! in_array($column, ['address', 'bit', 'scale', 'offset'], true) => $cell,
            preg_match('/^0x[0-9a-f]{1,4}$/i', $cell) === 1 => (int) hexdec(substr($cell, 2)),
            preg_match('/^-?\d{1,9}$/', $cell) === 1 => (int) $cell,
            is_numeric(str_replace(',', '.', $cell)) => (float) str_replace(',', '.', $cell),
            default => $cell,
        };
    }
}
