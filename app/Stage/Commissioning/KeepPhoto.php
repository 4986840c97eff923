<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Models\Photo;
use App\Models\Run;
use App\Models\User;
use App\Stage\KeptPhoto;
use App\Stage\Once;
use App\Stage\Picture;
use App\Stage\Record;
use Escapement\Core\Survey\Subject;
use Illuminate\Support\Facades\DB;

/**
 * Takes a picture for a step of a procedure. Its id is made on the device, so that sending twice is once; what was sent is
 * bound into the record by its hash. One that comes after the run was signed is kept as what it is, an amendment.
 */
final readonly class KeepPhoto
{
    private const MOMENTS = [
        'as_found/' => 'before',
        'as_left/' => 'after',
        'install/before' => 'before',
        'install/after' => 'after',
        'inspect/photo-open' => 'after',
        'clean_up/' => 'after',
    ];

    public function __construct(private Record $record) {}

    /** @return null|array{field: string, message: string} what is wrong; null when it is kept, now or before */
    public function keep(Run $run, User $user, string $id, string $stepId, Picture $picture, ?string $clientWall): ?array
    {
        return Once::more(fn() => DB::transaction(function () use ($run, $user, $id, $stepId, $picture, $clientWall): ?array {
            $locked = Run::locked($run->id);
            $known = Photo::query()->withoutGlobalScope('company')->find($id);
            if ($known !== null) {
                return $known->run_id === $locked->id ? null : ['field' => 'id', 'message' => 'This id belongs to another run.'];
            }
            $locked->load(['sheet', 'switch.site', 'switch.loads', 'switch.plan']);
            $step = (new ProcedureFacts($locked))->steps[$stepId] ?? null;
            if ($step === null) {
                return ['field' => 'step', 'message' => 'The procedure has no such step now.'];
            }
            $moment = 'during';
            foreach (self::MOMENTS as $start => $when) {
                $moment = str_starts_with($stepId, $start) ? $when : $moment;
            }
            $photo = KeptPhoto::of($picture, $locked->switch, $user, [
                'id' => $id,
                'run_id' => $locked->id,
                'step' => $stepId,
                'subject' => Subject::Photos->value,
                'moment' => $moment,
                'caption' => mb_substr($step->title, 0, 200),
            ]);
            $this->record->append($locked, $user, 'photo', [
                'id' => $id,
                'step' => $stepId,
                'title' => $step->title,
                'sha256' => $photo->sha256,
                'kept_sha256' => hash('sha256', $picture->full),
                'after_signing' => $locked->isSigned(),
            ], $clientWall);

            return null;
        }));
    }
}
