<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\ColumnMap;
use App\Models\User;
use Escapement\Core\LoadTest\TableColumns;
use Illuminate\Http\Request;

/** Which column of a recorder's table is what: as just said, as said for the same headings before, or as guessed from them. */
final readonly class TableRequest
{
    /** How a column of times may be written. */
    public const TIMES = [
        'date' => 'a day and an hour', 's' => 'seconds from the first reading', 'min' => 'minutes from the first reading',
    ];
    private const SINGLE = ['hz' => 'hertz', 'kw' => 'kw', 'oil' => 'oil', 'coolant' => 'coolant', 'exhaust' => 'exhaust',
        'battery' => 'battery'];

    /** @param list<string> $headings */
    private function __construct(public array $headings, public TableColumns $columns, public bool $isRemembered) {}

    /** @param list<string> $headings */
    public static function for(array $headings, Request $request, int $phases): self
    {
        $said = $request->input('t');
        if (is_array($said) && ($said['v'] ?? []) !== []) {
            return new self($headings, self::said($said, $headings, $phases), false);
        }
        $map = ColumnMap::query()->where('headings', self::hash($headings))->first();

        return $map === null ? new self($headings, TableColumns::guess($headings, $phases), false)
            : new self($headings, self::said($map->columns, $headings, $phases), true);
    }

    public function remember(User $user): void
    {
        $columns = ['time' => $this->columns->time, 'form' => $this->columns->timeForm, 'v' => $this->columns->volts,
            'a' => $this->columns->amps];
        foreach (self::SINGLE as $key => $property) {
            $columns[$key] = $this->columns->$property;
        }
        ColumnMap::query()->updateOrCreate(
            ['company_id' => $user->company_id, 'headings' => self::hash($this->headings)],
            ['columns' => $columns],
        );
    }

    /** @return array<string, array{string, list<?int>}> volts and amperes: label, and the column of each leg */
    public function legs(): array
    {
        return ['v' => ['Volts, L', $this->columns->volts], 'a' => ['Amperes, L', $this->columns->amps]];
    }

    /** @return array<string, array{label: string, at: ?int}> the columns that are asked for beside time, volts and amperes */
    public function singles(): array
    {
        $labels = [
            'hz' => 'Frequency', 'kw' => 'Power, kW', 'oil' => 'Oil pressure', 'coolant' => 'Coolant', 'exhaust' => 'Exhaust',
            'battery' => 'Battery, V',
        ];
        $singles = [];
        foreach (self::SINGLE as $key => $property) {
            /** @var ?int $at */
            $at = $this->columns->$property;
            $singles[$key] = ['label' => $labels[$key], 'at' => $at];
        }

        return $singles;
    }

    /**
     * @param array<string, mixed> $said
     * @param list<string>         $headings
     */
    private static function said(array $said, array $headings, int $phases): TableColumns
    {
        $place = static fn(mixed $value): ?int => is_numeric($value) && isset($headings[(int) $value]) ? (int) $value : null;
        $legs = static fn(mixed $values): array => array_pad(
            array_map($place, array_slice(is_array($values) ? array_values($values) : [], 0, $phases)),
            $phases,
            null,
        );
        $form = $said['form'] ?? 'date';

        return new TableColumns(
            $place($said['time'] ?? 0) ?? 0,
            is_string($form) && in_array($form, ['s', 'min'], true) ? $form : 'date',
            $legs($said['v'] ?? []),
            $legs($said['a'] ?? []),
            $place($said['hz'] ?? null),
            $place($said['kw'] ?? null),
            $place($said['oil'] ?? null),
            $place($said['coolant'] ?? null),
            $place($said['exhaust'] ?? null),
            $place($said['battery'] ?? null),
        );
    }

    /** @param list<string> $headings */
    private static function hash(array $headings): string
    {
        return hash('sha256', "readings\n" . implode("\n", $headings));
    }
}
