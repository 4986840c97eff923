<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\CompanyKeys;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\PhotoFile;
use App\Models\RecordEntry;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\LoadTestRecord;
use Illuminate\Support\Carbon;

/**
 * All that the report of a load test says, whether on screen, on paper or as JSON; and whether it is what was recorded.
 *
 * @phpstan-type Entry array{seq: int, kind: string, who: string, server_time: string, what: array<string, mixed>, hash: string}
 */
final readonly class TestReport
{
    private const MOST_SHOWN = 200;

    public LoadTestPage $page;
    /** @var list<Entry> */
    public array $entries;
    /** The first thing that does not fit the record; null when all does. */
    public ?string $fault;

    public function __construct(public LoadTest $test)
    {
        $test->loadMissing('entries');
        $this->page = new LoadTestPage($test);
        $this->entries = array_values($test->entries->map(static function (RecordEntry $entry): array {
            /** @var Entry $line */
            $line = ['hash' => $entry->hash] + (array) json_decode($entry->entry, true, 64, JSON_THROW_ON_ERROR);

            return $line;
        })->all());
        $this->fault = $this->entries === [] ? 'It was closed before load tests kept a record.' : $this->found();
    }

    /** The name as it was recorded: somebody who is called otherwise since then still made it under that name. */
    public function maker(LoadMark|LoadReading $made): string
    {
        foreach ($this->entries as $entry) {
            if (in_array($entry['kind'], ['reading', 'test_mark'], true) && ($entry['what']['id'] ?? null) === $made->id) {
                return $entry['who'];
            }
        }

        return $made->user->name;
    }

    /** Whose account signed, by the record. */
    public function signedBy(): ?string
    {
        $signed = $this->entry('signed');

        return $signed === null ? null
            : $signed['who'] . (is_string($signed['what']['account'] ?? null) ? ", {$signed['what']['account']}" : '');
    }

    /** @return list<array{when: string, who: string, text: string, isAmendment: bool}> */
    public function notes(): array
    {
        $notes = [];
        foreach ($this->entries as $entry) {
            if (in_array($entry['kind'], ['note', 'amendment'], true)) {
                $notes[] = [
                    'when' => $this->when(Carbon::parse($entry['server_time'])), 'who' => $entry['who'],
                    'text' => (string) ($entry['what']['text'] ?? ''), 'isAmendment' => $entry['kind'] === 'amendment',
                ];
            }
        }

        return $notes;
    }

    public function when(Carbon $date): string
    {
        return $date->copy()->setTimezone($this->test->switch->site->timezone)->format('j M Y, H:i');
    }

    /** @return list<string> levels and figures that the test leaves open */
    public function notProved(): array
    {
        $open = [];
        foreach ($this->page->result->requirements ?? [] as $one) {
            if ($one->verdict !== 'pass') {
                $open[] = LoadTestPage::requirement($one->id) . ($one->verdict === 'fail' ? ': failed. ' : ': not proven. ')
                    . $this->page->units->sentence($one->reason);
            }
        }
        $open[] = 'That the switch notices a lost utility and transfers: a load test does not show it.';

        return $open;
    }

    /** @return list<LoadReading> as many as a report can show, evenly over the test */
    public function shownReadings(): array
    {
        $all = array_values($this->test->readings->all());
        $every = (int) ceil(count($all) / self::MOST_SHOWN);

        return $every <= 1 ? $all : array_values(array_filter(
            $all,
            static fn(LoadReading $one, int $i): bool => $i % $every === 0 || $one->struck_why !== null,
            ARRAY_FILTER_USE_BOTH,
        ));
    }

    public function leftOut(): int
    {
        return $this->test->readings->count() - count($this->shownReadings());
    }

    /** @return array<string, mixed> by the published schema load-test */
    public function toArray(): array
    {
        $test = $this->test;
        $site = $test->switch->site;

        return [
            'format' => LoadTestRecord::FORMAT,
            'site' => ['name' => $site->name, 'address' => $site->address, 'timezone' => $site->timezone, 'units' => $site->units],
            'profile' => $test->profile->value,
            'plan' => $test->plan,
            'people' => $test->people, 'hours' => $test->hours, 'noise' => $test->noise, 'edition' => $test->edition,
            'bank' => $test->bank?->name,
            'readings' => array_values($test->readings->map(
                fn(LoadReading $one): array => TestBook::readingEntry($one) + ['who' => $this->maker($one)],
            )->all()),
            'marks' => array_values($test->marks->map(
                fn(LoadMark $one): array => TestBook::markEntry($one) + ['who' => $this->maker($one)],
            )->all()),
            'photos' => array_values($test->photos->map(
                static fn(Photo $one): array => ['id' => $one->id, 'reading' => $one->reading_id, 'sha256' => $one->sha256],
            )->all()),
            'evaluation' => $this->entry('signed')['what']['evaluation'] ?? $this->page->facts->evaluationInput($test),
            'result' => $test->result,
            'signature' => $this->entry('signed') === null ? null : [
                'name' => $test->closed_by, 'drawing' => $test->signed_drawing, 'verdict' => $test->verdict,
                'signed_at' => $this->entry('signed')['server_time'],
            ],
            'record' => [
                'head' => $test->head,
                'seal' => HeadSeal::read($test->seal)?->toArray(),
                'entries' => array_map(static fn(array $entry): array => ['hash' => $entry['hash']] + $entry, $this->entries),
            ],
        ];
    }

    private function found(): ?string
    {
        try {
            LoadTestRecord::verification(Node::fromArray($this->toArray()));
        } catch (BadInput $fault) {
            return rtrim($fault->getMessage(), '.') . ", at $fault->path.";
        }
        $last = $this->entries[count($this->entries) - 1];
        $fault = (new CompanyKeys())->fault(
            $this->test->company_id,
            HeadSeal::read($this->test->seal),
            count($this->entries),
            $this->test->head,
            $last['server_time'],
        );
        if ($fault !== null) {
            return $fault;
        }
        $kept = PhotoFile::sha256(array_values($this->test->photos->modelKeys()));
        foreach ($this->entries as $entry) {
            $hash = $entry['kind'] === 'photo' ? $entry['what']['kept_sha256'] ?? null : null;
            if (is_string($hash) && ($kept[(string) ($entry['what']['id'] ?? '')] ?? null) !== $hash) {
                return 'A picture is not the one that was recorded.';
            }
        }

        return null;
    }

    /** @return null|Entry the first of its kind */
    private function entry(string $kind): ?array
    {
        foreach ($this->entries as $entry) {
            if ($entry['kind'] === $kind) {
                return $entry;
            }
        }

        return null;
    }
}
