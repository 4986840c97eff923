<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\Bench;

/** One bench in the list of them: what it answers when it is asked now. */
final readonly class BenchLine
{
    private const NAMES = ['position', 'engine', 'alarms', 'revision'];
    private const POSITIONS = ['normal' => 'on the first source', 'emergency' => 'on the second source', 'off' => 'between the sources'];

    /**
     * @param ?string             $fault  why it does not answer
     * @param float               $tookMs from asking to its answer
     * @param array<string, mixed> $values
     */
    private function __construct(public Bench $bench, public ?string $fault, public float $tookMs, private array $values) {}

    public static function ask(Bench $bench): self
    {
        $began = hrtime(true);
        try {
            $values = BenchDesk::client($bench, 'viewer')->ask('read', ['names' => self::NAMES]);

            return new self($bench, null, (hrtime(true) - $began) / 1e6, $values);
        } catch (NoDevice|Refused $away) {
            return new self($bench, $away->getMessage(), (hrtime(true) - $began) / 1e6, []);
        }
    }

    public function stands(): string
    {
        $position = $this->values['position'] ?? null;
        $engine = $this->values['engine'] ?? null;

        return (self::POSITIONS[is_string($position) ? $position : ''] ?? 'not known')
            . (is_string($engine) ? ', engine ' . str_replace('_', ' ', $engine) : '');
    }

    /** Its own clock, in days, hours, minutes and seconds. */
    public function clock(): string
    {
        $ms = $this->values['t_ms'] ?? 0;
        $s = intdiv(is_int($ms) ? $ms : 0, 1000);

        return ($s >= 86_400 ? intdiv($s, 86_400) . ' d ' : '') . gmdate('H:i:s', $s);
    }

    public function pace(): string
    {
        $rate = $this->values['rate'] ?? 0;

        return match ($rate) {
            0 => 'paused',
            1 => 'real time',
            default => (is_int($rate) ? $rate : 1) . ' times the speed',
        };
    }

    /** @return list<string> */
    public function alarms(): array
    {
        $alarms = $this->values['alarms'] ?? null;
        $words = array_filter(is_array($alarms) ? $alarms : [], is_string(...));

        return array_values(array_map(static fn(string $word): string => LivePanel::ALARMS[$word] ?? $word, $words));
    }

    public function revision(): int
    {
        $revision = $this->values['revision'] ?? 0;

        return is_int($revision) ? $revision : 0;
    }
}
