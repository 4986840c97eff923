<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\RecordingSeries;
use App\Drawing\LoadTest\TransientChart;
use App\Models\Recording;
use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\RecordedWave;
use Escapement\Core\LoadTest\Waveform;

/** A recording of load steps on the page of its test: each step with its figures and its picture. */
final readonly class RecordingPart
{
    private const MANY_POINTS = 5000;

    public string $class;
    /** @var list<array<string, mixed>> by the schema of step_transients */
    public array $steps;

    public function __construct(public Recording $recording)
    {
        $answer = $recording->steps ?? [];
        $this->class = is_string($answer['class'] ?? null) ? $answer['class'] : GovernorClass::G2->value;
        /** @var list<array<string, mixed>> $steps */
        $steps = is_array($answer['steps'] ?? null) ? array_values($answer['steps']) : [];
        $this->steps = $steps;
    }

    /** Whether a picture of each step leaves out much of it. */
    public function isLong(): bool
    {
        return $this->recording->points > self::MANY_POINTS;
    }

    /** @return list<array{id: string, message: string}> */
    public function findings(): array
    {
        /** @var list<array{id: string, message: string}> $findings */
        $findings = is_array($this->recording->steps['findings'] ?? null) ? $this->recording->steps['findings'] : [];

        return $findings;
    }

    /** @param array<string, mixed> $step */
    public function figure(array $step, string $key, int $places = 1): string
    {
        $value = $step[$key] ?? null;

        return is_numeric($value) ? (string) round((float) $value, $places) : '–';
    }

    /**
     * Seconds until it was back for good, by the class asked.
     *
     * @param array<string, mixed> $step
     */
    public function recovery(array $step, string $of): string
    {
        $seconds = $step["{$of}_recoveries_s"][$this->class] ?? null;

        return is_numeric($seconds) ? round((float) $seconds, 2) . ' s' : 'not back';
    }

    /** @param array<string, mixed> $step */
    public function chart(array $step, bool $isPaper = false): TransientChart
    {
        $tMs = (float) ($step['t_ms'] ?? 0);
        $wave = $this->wave($tMs);
        $volts = $hertz = [];
        foreach ($wave->tMs as $i => $t) {
            $s = ($t - $tMs) / 1000;
            $volts[] = [$s, 100 * ($wave->v($i) / $this->recording->nominal_v - 1)];
            $hertz[] = [$s, 100 * ($wave->hz[$i] / $this->recording->nominal_hz - 1)];
        }
        $isIncrease = ($step['kind'] ?? 'increase') !== 'decrease';
        $class = GovernorClass::from($this->class);
        $lane = static fn(string $title, array $points, float $limit, float $band): array => [
            'title' => $title, 'points' => array_values($points), 'limit' => $limit, 'band' => $band,
        ];

        return new TransientChart([
            $lane('Volts', $volts, $class->vLimitPct($isIncrease), $class->vBandPct()),
            $lane('Hertz', $hertz, $class->hzLimitPct($isIncrease, true), $class->hzBandPct()),
        ], sprintf('Volts and hertz around the step at %.1f s, in percent off nominal', $tMs / 1000), $isPaper);
    }

    private function wave(float $tMs): Waveform
    {
        return (new RecordedWave(
            (new RecordingSeries($this->recording))->series(),
            null,
            $this->recording->nominal_hz,
            [new GivenStep($tMs)],
        ))->wave();
    }
}
