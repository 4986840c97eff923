<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\ColumnMap;
use App\Models\User;
use Escapement\Core\Recording\CsvColumns;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Http\Request;

/** Which column or channel is what: as just said, as said for the same headings before, or as guessed from them. */
final readonly class ColumnChoice
{
    /**
     * @param list<string> $headings
     * @param ?int         $kw       where the power is; null: nowhere
     * @param float        $kwScale  from the column to kilowatts
     */
    private function __construct(
        public array $headings,
        public CsvColumns $columns,
        public bool $isRemembered,
        public bool $isTable,
        public ?int $kw = null,
        public float $kwScale = 1.0,
    ) {}

    public static function for(RecordingUpload $upload, Request $request, int $phases): self
    {
        $config = $upload->config();
        $headings = $config === null ? $upload->table()->headings : array_map(
            static fn($channel): string => trim("$channel->name $channel->phase") . ($channel->unit === '' ? '' : ", $channel->unit"),
            $config->analog,
        );
        $said = $request->input('c');
        if (is_array($said) && ($said['v'] ?? []) !== []) {
            return new self($headings, self::said($said, $headings, $phases), false, $config === null, ...self::power($headings, $said));
        }
        $map = ColumnMap::query()->where('headings', self::hash($headings))->first();
        if ($map !== null) {
            return new self(
                $headings,
                self::said($map->columns, $headings, $phases),
                true,
                $config === null,
                ...self::power($headings, $map->columns),
            );
        }
        $guess = $config === null ? CsvColumns::guess($headings, $phases) : new CsvColumns(
            0,
            's',
            $upload->voltages($phases),
            $upload->hertz(),
            1.0,
            $config->isWaveform(),
        );

        return new self($headings, $guess, false, $config === null, ...self::power($headings));
    }

    public function remember(User $user): void
    {
        ColumnMap::query()->updateOrCreate(['company_id' => $user->company_id, 'headings' => self::hash($this->headings)], ['columns' => [
            'time' => $this->columns->time, 'unit' => $this->columns->unit, 'v' => $this->columns->phases,
            'hz' => $this->columns->hertz, 'scale' => $this->columns->scale, 'waveform' => $this->columns->isWaveform, 'kw' => $this->kw,
        ]]);
    }

    /**
     * @param array<string, mixed> $said
     * @param list<string>         $headings
     */
    private static function said(array $said, array $headings, int $phases): CsvColumns
    {
        $place = static function (mixed $value) use ($headings): ?int {
            return is_numeric($value) && isset($headings[(int) $value]) ? (int) $value : null;
        };
        $volts = array_values(array_filter(
            array_map($place, array_slice(is_array($said['v'] ?? null) ? $said['v'] : [], 0, $phases)),
            is_int(...),
        ));
        if (count($volts) !== $phases) {
            throw RecordingFault::whole("Say which columns hold the $phases voltages.");
        }
        $scale = str_replace(',', '.', is_scalar($said['scale'] ?? null) ? (string) $said['scale'] : '1');
        if (! is_numeric($scale) || (float) $scale <= 0) {
            throw RecordingFault::whole('The factor to volts must be a number above 0.');
        }

        return new CsvColumns(
            $place($said['time'] ?? 0) ?? 0,
            in_array($said['unit'] ?? '', ['s', 'ms', 'date'], true) ? $said['unit'] : 's',
            $volts,
            $place($said['hz'] ?? null),
            (float) $scale,
            (bool) ($said['waveform'] ?? false),
        );
    }

    /**
     * @param list<string>         $headings
     * @param array<string, mixed> $said
     *
     * @return array{?int, float} where the power is, and from there to kilowatts
     */
    private static function power(array $headings, array $said = []): array
    {
        $place = null;
        if (array_key_exists('kw', $said)) {
            $place = is_numeric($said['kw']) && isset($headings[(int) $said['kw']]) ? (int) $said['kw'] : null;
        } else {
            foreach ($headings as $i => $heading) {
                $place ??= preg_match('/(^|[^a-z])k?w([^a-z]|$)|power/i', $heading) === 1 ? $i : null;
            }
        }
        $isWatts = $place !== null && preg_match('/(^|[^a-z])w([^a-z]|$)/i', $headings[$place]) === 1;

        return [$place, $isWatts ? 0.001 : 1.0];
    }

    /** @param list<string> $headings */
    private static function hash(array $headings): string
    {
        return hash('sha256', implode("\n", $headings));
    }
}
