<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Plant\LegSystem;

/** What a list of loads puts on the legs and the neutral, by phasors and by plain sums. Rule: docs/rules.md#legs. */
final readonly class LegCurrents
{
    public float $kw;
    public float $kvar;
    /** @var list<float> of the current of each leg against the first one's voltage */
    private array $re;
    /** @var list<float> */
    private array $im;
    /** @var list<float> amps, by phasors */
    public array $legA;
    /** @var list<float> amps, plain sums: the cautious school */
    public array $arithmeticA;
    public float $imbalancePct;
    public float $neutralFundamentalA;
    public float $neutralTriplenA;
    public float $neutralA;

    /** @param list<LegLoad> $loads */
    public function __construct(private LegSystem $system, array $loads)
    {
        $re = $im = $sums = $triplen = array_fill(0, $system->legs(), 0.0);
        $kw = $kvar = 0.0;
        foreach ($loads as $load) {
            $kw += $load->kw;
            $kvar += $load->kva() * sin($load->phi());
            foreach (self::amps($system, $load) as $leg => [$amps, $angle]) {
                $re[$leg] += $amps * cos($angle);
                $im[$leg] += $amps * sin($angle);
                $sums[$leg] += abs($amps);
                if (strlen($load->connect) === 2 && $load->connect !== '3P') {
                    $triplen[$leg] += $amps * $load->triplenPct / 100;
                }
            }
        }
        $this->kw = $kw;
        $this->kvar = $kvar;
        $this->re = array_values($re);
        $this->im = array_values($im);
        $this->legA = array_map(static fn(float $x, float $y): float => hypot($x, $y), $re, $im);
        $this->arithmeticA = array_values($sums);
        $mean = array_sum($this->legA) / $system->legs();
        $this->imbalancePct = $mean === 0.0 || $system->legs() === 1 ? 0.0
            : 100 * max([0.0, ...array_map(static fn(float $a): float => abs($a - $mean), $this->legA)]) / $mean;
        $this->neutralFundamentalA = hypot(array_sum($re), array_sum($im));
        $this->neutralTriplenA = match ($system->name) {
            'three' => array_sum($triplen),
            'split' => abs($triplen[0] - $triplen[1]),
            default => $triplen[0],
        };
        $this->neutralA = hypot($this->neutralFundamentalA, $this->neutralTriplenA);
    }

    /** @return list<float> kW of each leg: the part of its current that is in line with its voltage */
    public function legKw(): array
    {
        return array_map(
            fn(float $re, float $im, float $angle): float => $this->system->vLn * ($re * cos($angle) + $im * sin($angle)) / 1000,
            $this->re,
            $this->im,
            $this->system->angles,
        );
    }

    public function kva(): float
    {
        return hypot($this->kw, $this->kvar);
    }

    /**
     * The amps that one load puts on each leg, with their angles; negative where the current comes back.
     *
     * @return array<int, array{float, float}> by leg, from 0
     */
    private static function amps(LegSystem $system, LegLoad $load): array
    {
        $legs = $load->connect === '3P' ? [0, 1, 2] : array_map(
            static fn(string $digit): int => (int) $digit - 1,
            str_split(str_replace('L', '', $load->connect)),
        );
        if (count($legs) === 2) {
            [$a, $b] = $legs;
            $angle = atan2(
                sin($system->angles[$a]) - sin($system->angles[$b]),
                cos($system->angles[$a]) - cos($system->angles[$b]),
            ) - $load->phi();
            $amps = 1000 * $load->kva() / $system->vLl();

            return [$a => [$amps, $angle], $b => [-$amps, $angle]];
        }
        $amps = 1000 * $load->kva() / (count($legs) * $system->vLn);

        return array_combine($legs, array_map(static fn(int $leg): array => [$amps, $system->angles[$leg] - $load->phi()], $legs));
    }
}
