<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\Refused;
use Escapement\Core\Bench\Coil;

/** What a form of the front panel stands for on the bench. */
final readonly class HandInput
{
    /** @param array<string, mixed> $fields validated */
    public function __construct(private array $fields) {}

    /** @return ?array<string, int> where it is the clock that is turned */
    public function clock(): ?array
    {
        return match (true) {
            isset($this->fields['rate']) => ['rate' => $this->number('rate')],
            isset($this->fields['step_ms']) => ['step_ms' => $this->number('step_ms')],
            default => null,
        };
    }

    /**
     * @return array<string, mixed> an input of `bench_play` without its time
     *
     * @throws Refused when nothing was turned
     */
    public function input(): array
    {
        $do = $this->fields['do'] ?? null;

        return match (true) {
            isset($this->fields['coil']) => self::ofCoil($this->number('coil'), (bool) ($this->fields['on'] ?? false)),
            $do === 'utility' || $do === 'emergency' => ['do' => $do] + $this->knobs(),
            $do === 'load' => ['do' => 'load', 'load' => $this->fields['load'] ?? '', 'kw' => $this->float('kw') ?? 0.0],
            $do === 'handle' => ['do' => 'handle', 'to' => $this->fields['to'] ?? 'normal'],
            $do === 'generator_rotation' => ['do' => $do, 'rotation' => $this->fields['rotation'] ?? 'abc'],
            default => throw new Refused('bad_request', 'Nothing was turned.'),
        };
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Refused where nothing was typed
     */
    private function knobs(): array
    {
        $volts = [];
        foreach (is_array($this->fields['v'] ?? null) ? $this->fields['v'] : [] as $volt) {
            $volts[] = is_numeric($volt) ? (float) $volt : throw new Refused('bad_request', 'Every leg needs its volts.');
        }
        $hz = $this->float('hz');
        $knobs = ($volts === [] ? [] : ['v' => count(array_unique($volts)) === 1 ? $volts[0] : $volts])
            + ($hz === null ? [] : ['hz' => $hz])
            + (isset($this->fields['rotation']) ? ['rotation' => $this->fields['rotation']] : []);

        return $knobs === [] ? throw new Refused('bad_request', 'Nothing was turned.') : $knobs;
    }

    /** @return array<string, mixed> */
    private static function ofCoil(int $address, bool $isOn): array
    {
        /** @var list<Coil> $coils */
        $coils = require base_path('core/data/bench_coils.php');
        foreach ($coils as $coil) {
            if ($coil->address === $address) {
                return ($isOn ? $coil->on : $coil->off) ?? $coil->on;
            }
        }
        throw new Refused('bad_request', 'There is no such lever.');
    }

    private function number(string $key): int
    {
        return is_numeric($this->fields[$key] ?? null) ? (int) $this->fields[$key] : 0;
    }

    private function float(string $key): ?float
    {
        return is_numeric($this->fields[$key] ?? null) ? (float) $this->fields[$key] : null;
    }
}
