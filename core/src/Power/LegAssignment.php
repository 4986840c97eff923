<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Plant\LegSystem;

/**
 * On which legs a load sits. What was surveyed counts; a load nobody looked at is assumed by its size, small ones on the leg
 * that carries less so far, and the assumption is said. Rule: docs/rules.md#legs.
 */
final readonly class LegAssignment
{
    /** What one circuit of 20 A carries for long: what draws more is taken for a load over all legs. */
    private const ONE_LEG_A = 16.0;

    /** @var array<string, array{connect: string, isAssumed: bool}> by the name of the load */
    public array $loads;

    /** @param list<array{id: string, kw: float, connect: ?string}> $loads connect null: not known */
    public function __construct(private LegSystem $system, array $loads)
    {
        $onLeg = [];
        foreach (array_slice(['L1', 'L2', 'L3'], 0, $system->legs()) as $leg) {
            $onLeg[$leg] = 0.0;
        }
        $assigned = [];
        foreach ($loads as $load) {
            if ($this->isKnown($load['connect'])) {
                $assigned[$load['id']] = ['connect' => (string) $load['connect'], 'isAssumed' => false];
                $this->add($onLeg, (string) $load['connect'], $load['kw']);
            }
        }
        foreach ($loads as $load) {
            if (! $this->isKnown($load['connect'])) {
                $connect = $this->assumed($load['kw'], $onLeg);
                $assigned[$load['id']] = ['connect' => $connect, 'isAssumed' => $system->legs() > 1];
                $this->add($onLeg, $connect, $load['kw']);
            }
        }
        $this->loads = $assigned;
    }

    /** @return list<string> sentences, one for each load whose legs nobody looked at */
    public function assumptions(): array
    {
        $sentences = [];
        foreach ($this->loads as $id => $load) {
            if ($load['isAssumed']) {
                $sentences[] = "$id: taken to sit on " . implode(' and ', self::legsOf($load['connect'])) . '.';
            }
        }

        return $sentences;
    }

    private function isKnown(?string $connect): bool
    {
        return in_array($connect, $this->system->connections(), true);
    }

    /** @param array<string, float> $onLeg kW so far */
    private function assumed(float $kw, array $onLeg): string
    {
        if ($this->system->legs() === 1) {
            return 'L1';
        }
        if (1000 * $kw / $this->system->vLn > self::ONE_LEG_A) {
            return $this->system->connections()[0];
        }

        asort($onLeg);

        return (string) array_key_first($onLeg);
    }

    /** @param array<string, float> $onLeg */
    private function add(array &$onLeg, string $connect, float $kw): void
    {
        $legs = self::legsOf($connect);
        foreach ($legs as $leg) {
            $onLeg[$leg] += $kw / count($legs);
        }
    }

    /** @return non-empty-list<string> */
    public static function legsOf(string $connect): array
    {
        return match ($connect) {
            '3P' => ['L1', 'L2', 'L3'],
            'L1L2' => ['L1', 'L2'],
            'L2L3' => ['L2', 'L3'],
            'L3L1' => ['L3', 'L1'],
            default => [$connect],
        };
    }
}
