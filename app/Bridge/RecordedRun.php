<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Mark;
use App\Models\Photo;
use App\Models\Run;
use App\Models\Sheet;
use App\Models\Site;
use App\Models\StepAnswer;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\RecordedAnswer;
use Escapement\Core\Record\RecordedMark;
use Escapement\Core\Record\RunRecord;
use Illuminate\Database\Eloquent\Collection;

/**
 * A run that was exported elsewhere, as models that are never saved: the report reads them as it reads its own. What was
 * measured, answered and signed comes from the record; the export beside it gives the header.
 */
final readonly class RecordedRun
{
    /**
     * @param Node $export fits the published schema run
     *
     * @throws BadInput when its record does not verify, or does not say what the export says
     */
    public static function of(Node $export): Run
    {
        $record = RunRecord::ofExport($export);
        /**
         * @var array{site: array<string, mixed>, switch: array<string, mixed>, loads: list<array<string, mixed>>,
         *     sheet: array{standing: string, note: ?string, by: string, written_at: string, habits: array<string, mixed>},
         *     record: array{head: string, seal?: mixed, entries: list<array<string, mixed>>}} $said
         */
        $said = RecordedModels::asArray($export->value);
        RecordedModels::timezone($said['site']['timezone']);
        $settings = RecordedModels::asArray($record->settings->value);
        $system = RecordedModels::asArray($record->system->value);
        $site = RecordedModels::model(new Site(), $said['site'])->setRelation('switches', new Collection());
        $switch = RecordedModels::model(new TransferSwitch(), ['plant' => $system] + $said['switch']);
        $switch->setRelation('site', $site)->setRelation('plan', null)->setRelation(
            'loads',
            new Collection(array_map(
                static fn(array $load): LoadItem => RecordedModels::model(new LoadItem(), $load + ['essential' => $load['must_run']]),
                $said['loads'],
            )),
        );
        $sheet = RecordedModels::model(
            new Sheet(),
            [
                'version' => $record->settingsVersion,
                'standing' => $said['sheet']['standing'],
                'settings' => $settings,
                'habits' => $said['sheet']['habits'],
                'note' => $said['sheet']['note'],
                'created_at' => RecordedModels::moment($said['sheet']['written_at'], '/sheet/written_at'),
            ],
        );
        $sheet->setRelation('user', RecordedModels::person($said['sheet']['by']));
        $signature = $record->signature;
        $run = RecordedModels::model(new Run(), [
            'reaction_ms' => $record->reactionMs,
            'head' => $said['record']['head'],
            'seal' => RecordedModels::seal($said['record']['seal'] ?? null),
            'surveyed' => ['plant' => $system],
            'options' => [],
            'purpose' => isset(((array) (((array) ($record->work->value ?? []))['options'] ?? []))['service']) ? Run::SERVICE : Run::PROOF,
            'work' => $record->work === null ? null : RecordedModels::asArray($record->work->value),
            'created_at' => RecordedModels::moment($record->begunAt, '/record/entries/0/server_time'),
            'verdict' => $signature['verdict'] ?? null,
            'signed_name' => $signature['name'] ?? null,
            'signed_drawing' => $signature['drawing'] ?? null,
            'signed_at' => $signature === null ? null : RecordedModels::moment($signature['at'], '/record/entries'),
        ]);

        return $run->setRelations([
            'switch' => $switch, 'sheet' => $sheet, 'user' => RecordedModels::person($record->begunBy), 'links' => new Collection(),
            'marks' => new Collection(self::marks($record)), 'answers' => new Collection(self::answers($record)),
            'photos' => new Collection(array_map(
                static fn(array $photo): Photo => RecordedModels::model(new Photo(), $photo),
                $record->photos,
            )),
            'entries' => new Collection(array_map(RecordedModels::entry(...), $said['record']['entries'])),
        ]);
    }

    /** @return list<Mark> in the order of a stopwatch */
    private static function marks(RunRecord $record): array
    {
        $marks = array_values($record->marks);
        usort(
            $marks,
            static fn(RecordedMark $a, RecordedMark $b): int => [
                $a->mark->atMs,
                $a->receivedAt,
                $a->mark->id,
            ] <=> [$b->mark->atMs, $b->receivedAt, $b->mark->id],
        );

        return array_map(static fn(RecordedMark $one): Mark => RecordedModels::model(new Mark(), [
            'id' => $one->mark->id,
            'event' => $one->mark->event->value,
            'at_ms' => $one->mark->atMs,
            'is_undone' => $one->mark->isUndone,
            'note' => $one->note,
            'late_reason' => $one->lateReason,
            'flag' => $one->flag,
            'client_wall' => $one->clientWall,
        ])->setRelation('user', RecordedModels::person($one->who)), $marks);
    }

    /** @return list<StepAnswer> */
    private static function answers(RunRecord $record): array
    {
        return array_map(static fn(RecordedAnswer $one, int $i): StepAnswer => RecordedModels::model(new StepAnswer(), [
            'id' => $one->id,
            'seq' => $i + 1,
            'step' => $one->step,
            'expectation' => $one->expectation,
            'expected' => $one->expected,
            'given' => $one->given,
            'verdict' => $one->verdict,
            'client_wall' => $one->clientWall,
            'received_at' => RecordedModels::moment($one->receivedAt, '/record/entries'),
        ])->setRelation('user', RecordedModels::person($one->who)), $record->answers, array_keys($record->answers));
    }
}
