<?php

declare(strict_types=1);

namespace App\Stage\Plan\Wiring;

use Illuminate\Http\Request;

/** Which enclosure is looked at, in which position, with what open, at which step. Anything else in the address is the usual look. */
final readonly class WiringLook
{
    public function __construct(public string $enclosure, public string $on, public string $open, public int $step) {}

    public static function from(Request $request): self
    {
        $text = static fn(string $key): string => is_string($request->query($key)) ? $request->query($key) : '';

        return new self(
            $text('enclosure'),
            $text('on') === 'emergency' ? 'emergency' : 'normal',
            $text('open'),
            max(1, min(999, (int) $text('step'))),
        );
    }

    /** @return array<string, int|string> the same look at another enclosure, from its first step */
    public function at(string $enclosure): array
    {
        return self::query($enclosure, $this->on, '', 1);
    }

    /** @return array<string, int|string> the same look with the switches on another source, nothing open */
    public function on(string $source): array
    {
        return self::query($this->enclosure, $source, '', $this->step);
    }

    /** @return array<string, int|string> the same look with one device open */
    public function open(string $device): array
    {
        return self::query($this->enclosure, $this->on, $device, $this->step);
    }

    /** @return array<string, int|string> the same look at another step */
    public function step(int $step): array
    {
        return self::query($this->enclosure, $this->on, $this->open, $step);
    }

    /** @return array<string, int|string> */
    private static function query(string $enclosure, string $on, string $open, int $step): array
    {
        return array_filter(
            ['enclosure' => $enclosure, 'on' => $on, 'open' => $open, 'step' => $step],
            static fn(int|string $one): bool => $one !== '',
        );
    }
}
