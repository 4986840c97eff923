<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\ProcedureFacts;
use App\Models\Run;
use App\Models\User;
use App\Stage\Commissioning\KeepAnswers;
use App\Stage\Commissioning\KeepPhoto;
use App\Stage\Picture;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepKind;
use Illuminate\Support\Carbon;
use Ramsey\Uuid\Uuid;

/** Works the procedure of a demo run through to its end: every step as it should be, its figures a little beside nominal. */
final readonly class DemoWork
{
    private const OWNER = 'M40 84L62 40L74 92L96 48L108 88M130 86L150 54L168 84L186 60L204 88L260 70';
    /** By the unit of a band that has no nominal value. */
    private const FIGURES = [
        'MΩ' => 550,
        'mV' => 18,
        '%' => 0.8,
        'A' => 21.4,
        'Ω' => 0.02,
        'mΩ' => 0.24,
        'times' => 1.1,
        's' => 2.1,
        'Hz' => 58.9,
        'h' => 412.5,
        'min' => 25,
        'kW' => 18,
    ];

    public function __construct(private KeepAnswers $answers, private KeepPhoto $photos) {}

    /** @param string $drawing signature of the technician */
    public function through(Run $run, User $user, string $owner, string $drawing): void
    {
        $run->load(['sheet', 'switch.site', 'switch.loads', 'switch.plan', 'answers']);
        $answers = [];
        foreach ((new ProcedureFacts($run))->steps as $step) {
            if ($step->kind === StepKind::Time) {
                continue; // the stopwatch has answered it
            }
            $photos = $step->kind === StepKind::Photo ? [$this->picture($run, $user, $step)] : [];
            $answers[] = [
                'id' => Uuid::uuid4()->toString(),
                'step' => $step->id,
                'client_wall' => Carbon::now()->toIso8601ZuluString('millisecond'),
            ] + match ($step->kind) {
                StepKind::Measure => ['value' => $this->figure($step)] + ($step->tick === null ? [] : ['so' => true]),
                StepKind::Choose => ['choice' => array_key_first($step->choices)],
                StepKind::Sign => ['so' => true] + ($step->id === 'clean_up/sign-owner' ? ['name' => $owner, 'drawing' => self::OWNER] : [
                    'name' => $user->name,
                    'drawing' => $drawing,
                ]),
                StepKind::Photo => ['so' => true, 'photos' => $photos],
                default => ['so' => true] + ($step->asks === null ? [] : ['note' => 'TS-14, calibrated until March 2027']),
            };
        }
        $refused = $this->answers->keep($run, $user, $answers)['refused'];
        if ($refused !== []) {
            throw new \LogicException('the demo answers as asked: ' . $refused[0]['path'] . ' ' . $refused[0]['message']);
        }
    }

    private function figure(Step $step): float
    {
        $nominal = $step->band?->nominal;

        return match (true) {
            $step->band === null => 0.0,
            $nominal !== null && $step->band->unit === 'Hz' => $nominal,
            $nominal !== null && $step->band->min !== null && $step->band->max !== null => round(
                $nominal + 0.1 * ($step->band->max - $nominal),
                1,
            ),
            $step->band->quantity === 'Neutral to ground' => 0.4,
            $step->band->min !== null && $step->band->unit === 's' => $step->band->min + 4,
            $step->band->min !== null && $step->band->unit === 'V' => round($step->band->min + 0.5, 1),
            default => self::FIGURES[$step->band->unit] ?? 1.0,
        };
    }

    private function picture(Run $run, User $user, Step $step): string
    {
        $file = DemoPicture::of(
            mb_strtoupper(mb_substr($step->title, 0, 34)),
            str_contains($step->id, 'closed') ? 12 : 0,
            ! str_contains($step->id, 'closed'),
        );
        $id = Uuid::uuid4()->toString();
        $this->photos->keep(
            $run,
            $user,
            $id,
            $step->id,
            Picture::of($file) ?? throw new \LogicException('the demo draws pictures that can be read'),
            null,
        );
        unlink((string) $file->getRealPath());

        return $id;
    }
}
