<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Equipment;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\LoadTestEvaluation;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\Record\LoadTestRecord;
use Escapement\Core\Wire\LoadTest\LoadTestPlanReader;
use Escapement\Core\Wire\LoadTest\LoadTestReader;
use Illuminate\Database\Eloquent\Collection;

/**
 * A load test that was exported elsewhere, as models that are never saved: its report reads them as it reads its own. What was planned,
 * read, marked and signed comes from the record; the export beside it gives the header.
 */
final readonly class RecordedTest
{
    private function __construct(public LoadTest $test, public ?LoadTestResult $result) {}

    /**
     * @param Node $export fits the published schema load-test
     *
     * @throws BadInput when its record does not verify, or does not say what the export says
     */
    public static function of(Node $export): self
    {
        $record = LoadTestRecord::ofExport($export);
        /**
         * @var array{site: array<string, mixed>, people: ?string, hours: ?string, noise: ?string, edition: ?string, bank: ?string,
         *     record: array{head: string, seal?: mixed, entries: list<array<string, mixed>>}} $said
         */
        $said = RecordedModels::asArray($export->value);
        RecordedModels::timezone($said['site']['timezone']);
        (new LoadTestPlanReader())->input($record->plan);
        $plan = RecordedModels::asArray($record->plan->value);
        $switch = (new TransferSwitch())->setRelation('site', RecordedModels::model(new Site(), $said['site']));
        $signature = $record->signature;
        $signedAt = $signature === null ? null : RecordedModels::moment($signature['signed_at'], '/record/entries');
        $test = RecordedModels::model(new LoadTest(), [
            'profile' => $plan['profile'], 'plan' => $plan, 'people' => $said['people'], 'hours' => $said['hours'],
            'noise' => $said['noise'], 'edition' => $said['edition'], 'head' => $said['record']['head'],
            'seal' => RecordedModels::seal($said['record']['seal'] ?? null), 'closed_at' => $signedAt,
            'closed_by' => $signature['name'] ?? null, 'signed_drawing' => $signature['drawing'] ?? null,
            'verdict' => $signature['verdict'] ?? null,
            'created_at' => RecordedModels::moment($record->plannedAt, '/record/entries/0/server_time'),
        ]);
        $test->setRelations([
            'switch' => $switch, 'user' => RecordedModels::person($record->plannedBy),
            'bank' => $said['bank'] === null ? null : RecordedModels::model(new Equipment(), ['name' => $said['bank']]),
            'recordings' => new Collection(),
            'readings' => self::inTime($record->readings, 'taken_at', static fn(array $one): LoadReading => RecordedModels::model(
                new LoadReading(),
                array_diff_key($one, ['who' => 1]),
            )),
            'marks' => self::inTime($record->marks, 'at', static fn(array $one): LoadMark => RecordedModels::model(
                new LoadMark(),
                array_diff_key($one, ['who' => 1]),
            )),
            'photos' => new Collection(array_map(
                static fn(array $one): Photo => RecordedModels::model(new Photo(), [
                    'id' => $one['id'], 'reading_id' => $one['reading'], 'sha256' => $one['sha256'],
                ]),
                array_values($record->photos),
            )),
            'entries' => new Collection(array_map(RecordedModels::entry(...), $said['record']['entries'])),
        ]);
        $evaluation = $export->object()->required('evaluation');

        return new self($test, $evaluation->isNull() ? null
            : (new LoadTestEvaluation((new LoadTestReader())->input($evaluation)))->result());
    }

    /**
     * @template T of LoadMark|LoadReading
     *
     * @param array<string, array<string, mixed>> $lines with who made each
     * @param \Closure(array<string, mixed>): T   $model
     *
     * @return Collection<int, T>
     */
    private static function inTime(array $lines, string $key, \Closure $model): Collection
    {
        $models = [];
        foreach ($lines as $one) {
            $at = RecordedModels::moment(is_string($one[$key]) ? $one[$key] : '', '/record/entries');
            $models[] = $model([$key => $at] + $one)->setRelation('user', RecordedModels::person((string) $one['who']));
        }
        $order = static fn(LoadMark|LoadReading $one): array => [$one->getAttribute($key), $one->struck_why !== null, $one->id];
        usort($models, static fn(LoadMark|LoadReading $a, LoadMark|LoadReading $b): int => $order($a) <=> $order($b));

        return new Collection($models);
    }
}
