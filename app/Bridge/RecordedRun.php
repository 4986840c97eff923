<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Mark;
use App\Models\Photo;
use App\Models\RecordEntry;
use App\Models\Run;
use App\Models\Sheet;
use App\Models\Site;
use App\Models\StepAnswer;
use App\Models\TransferSwitch;
use App\Models\User;
use Carbon\Exceptions\InvalidFormatException;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\RecordedAnswer;
use Escapement\Core\Record\RecordedMark;
use Escapement\Core\Record\RunRecord;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

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
        $said = self::asArray($export->value);
        if (! in_array($said['site']['timezone'], timezone_identifiers_list(), true)) {
            throw new BadInput('/site/timezone', 'There is no such time zone.');
        }
        $settings = self::asArray($record->settings->value);
        $system = self::asArray($record->system->value);
        $site = self::model(new Site(), $said['site'])->setRelation('switches', new Collection());
        $switch = self::model(new TransferSwitch(), ['plant' => $system] + $said['switch']);
        $switch->setRelation('site', $site)->setRelation('plan', null)->setRelation(
            'loads',
            new Collection(array_map(
                static fn(array $load): LoadItem => self::model(new LoadItem(), $load + ['essential' => $load['must_run']]),
                $said['loads'],
            )),
        );
        $sheet = self::model(
            new Sheet(),
            [
                'version' => $record->settingsVersion,
                'standing' => $said['sheet']['standing'],
                'settings' => $settings,
                'habits' => $said['sheet']['habits'],
                'note' => $said['sheet']['note'],
                'created_at' => self::moment($said['sheet']['written_at'], '/sheet/written_at'),
            ],
        );
        $sheet->setRelation('user', self::person($said['sheet']['by']));
        $signature = $record->signature;
        $run = self::model(new Run(), [
            'reaction_ms' => $record->reactionMs,
            'head' => $said['record']['head'],
            'seal' => self::seal($said['record']['seal'] ?? null),
            'surveyed' => ['plant' => $system],
            'options' => [],
            'work' => $record->work === null ? null : self::asArray($record->work->value),
            'created_at' => self::moment($record->begunAt, '/record/entries/0/server_time'),
            'verdict' => $signature['verdict'] ?? null,
            'signed_name' => $signature['name'] ?? null,
            'signed_drawing' => $signature['drawing'] ?? null,
            'signed_at' => $signature === null ? null : self::moment($signature['at'], '/record/entries'),
        ]);

        return $run->setRelations([
            'switch' => $switch, 'sheet' => $sheet, 'user' => self::person($record->begunBy), 'links' => new Collection(),
            'marks' => new Collection(self::marks($record)), 'answers' => new Collection(self::answers($record)),
            'photos' => new Collection(array_map(static fn(array $photo): Photo => self::model(new Photo(), $photo), $record->photos)),
            'entries' => new Collection(array_map(self::entry(...), $said['record']['entries'])),
        ]);
    }

    private static function seal(mixed $said): ?string
    {
        return is_array($said) && is_string($said['key'] ?? null) && is_string($said['signature'] ?? null)
            ? (new HeadSeal($said['key'], $said['signature']))->kept() : null;
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

        return array_map(static fn(RecordedMark $one): Mark => self::model(new Mark(), [
            'id' => $one->mark->id,
            'event' => $one->mark->event->value,
            'at_ms' => $one->mark->atMs,
            'is_undone' => $one->mark->isUndone,
            'note' => $one->note,
            'late_reason' => $one->lateReason,
            'flag' => $one->flag,
            'client_wall' => $one->clientWall,
        ])->setRelation('user', self::person($one->who)), $marks);
    }

    /** @return list<StepAnswer> */
    private static function answers(RunRecord $record): array
    {
        return array_map(static fn(RecordedAnswer $one, int $i): StepAnswer => self::model(new StepAnswer(), [
            'id' => $one->id,
            'seq' => $i + 1,
            'step' => $one->step,
            'expectation' => $one->expectation,
            'expected' => $one->expected,
            'given' => $one->given,
            'verdict' => $one->verdict,
            'client_wall' => $one->clientWall,
            'received_at' => self::moment($one->receivedAt, '/record/entries'),
        ])->setRelation('user', self::person($one->who)), $record->answers, array_keys($record->answers));
    }

    /** @param array<string, mixed> $entry with its hash */
    private static function entry(array $entry): RecordEntry
    {
        $hash = $entry['hash'];
        unset($entry['hash']);

        return self::model(
            new RecordEntry(),
            [
                'hash' => $hash,
                'entry' => json_encode(
                    $entry,
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
                ),
            ],
        );
    }

    /** @throws BadInput */
    private static function moment(string $text, string $path): Carbon
    {
        try {
            return Carbon::parse($text);
        } catch (InvalidFormatException) {
            throw new BadInput($path, 'A time is written as 2026-11-23T09:00:00.000Z.');
        }
    }

    private static function person(string $name): User
    {
        return self::model(new User(), ['name' => $name]);
    }

    /**
     * @template T of Model
     *
     * @param T                    $model
     * @param array<string, mixed> $columns
     *
     * @return T
     */
    private static function model(Model $model, array $columns): Model
    {
        return $model->forceFill($columns);
    }

    /** @return array<string, mixed> */
    private static function asArray(mixed $value): array
    {
        /** @var array<string, mixed> */
        return json_decode(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR);
    }
}
