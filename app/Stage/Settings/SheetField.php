<?php

declare(strict_types=1);

namespace App\Stage\Settings;

/** One line of the sheet as a person types it: seconds for times, percent for limits, blank for off. */
final readonly class SheetField
{
    /** @param string $unit s, %, kW, choice or check */
    public function __construct(public string $path, public string $label, public string $unit, public bool $mayBeBlank = false) {}

    public function range(): string
    {
        return match ($this->unit) {
            's' => '0 to 31 536 000 s',
            '%' => '1 to 200 %' . ($this->mayBeBlank ? ', blank is off' : ''),
            'kW' => '0 to 100 000 kW, blank is off',
            default => '',
        };
    }

    /** @param array<string, mixed> $settings */
    public function typed(array $settings): string
    {
        $value = $settings;
        foreach (explode('/', substr($this->path, 1)) as $key) {
            $value = is_array($value) ? ($value[$key] ?? null) : null;
        }

        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? '1' : '',
            $this->unit === 's' => $this->seconds((int) $value),
            default => (string) $value,
        };
    }

    private function seconds(int $ms): string
    {
        return $ms % 1000 === 0 ? (string) intdiv($ms, 1000) : rtrim(sprintf('%d.%03d', intdiv($ms, 1000), $ms % 1000), '0');
    }

    /**
     * As a report reads it, with its unit.
     *
     * @param array<string, mixed> $settings
     */
    public function read(array $settings): string
    {
        return ($this->unit === 'check' ? 'yes' : $this->typed($settings)) . $this->unitWords(' ');
    }

    /** The unit behind a value; nothing where it has none to be read. */
    public function unitWords(string $gap = "\u{202F}"): string
    {
        return in_array($this->unit, ['s', '%', 'kW'], true) ? $gap . $this->unit : '';
    }
}
