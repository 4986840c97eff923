<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\CompanyKeys;
use App\Bridge\LoadTestFacts;
use App\Bridge\RecordedTest;
use App\Bridge\Units;
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
use Escapement\Core\Settings\Fuel;
use Illuminate\Support\Carbon;

/**
 * All that the report of a load test says, whether on screen, on paper or as JSON; and whether it is what was recorded.
 *
 * @phpstan-type Entry array{seq: int, kind: string, who: string, server_time: string, what: array<string, mixed>, hash: string}
 */
final readonly class TestReport
{
    private const MOST_SHOWN = 200;

    public LoadTest $test;
    /** @var list<Entry> */
    public array $entries;
    /** The first thing that does not fit the record; null when all does. */
    public ?string $fault;

    /** @param null|array<string, mixed> $evaluation what is judged, by the schema of load_test_evaluate; null before the first reading */
    private function __construct(public JudgedTest $judged, private ?array $evaluation, bool $isOwn)
    {
        $this->test = $judged->test;
        $this->entries = array_values($this->test->entries->map(static function (RecordEntry $entry): array {
            /** @var Entry $line */
            $line = ['hash' => $entry->hash] + (array) json_decode($entry->entry, true, 64, JSON_THROW_ON_ERROR);

            return $line;
        })->all());
        $this->fault = match (true) {
            ! $isOwn => null, // it would not have been read
            $this->entries === [] => 'It was closed before load tests kept a record.',
            default => $this->found(),
        };
    }

    /** A test of this company, from its tables, whatever was kept to show it faster. */
    public static function of(int $id): self
    {
        $test = LoadTestPage::loaded($id)->load(['readings.user', 'entries']);
        $facts = new LoadTestFacts($test->switch);
        $result = ($test->isClosed() ? LoadTestFacts::kept($test->result) : null) ?? $facts->evaluated($test);
        $words = self::words($test);

        return new self(
            new JudgedTest($test, TestDigest::of($test, $words, $result), $words),
            $facts->evaluationInput($test),
            true,
        );
    }

    /** A test that was exported elsewhere. */
    public static function recorded(RecordedTest $recorded): self
    {
        $words = self::words($recorded->test);

        return new self(
            new JudgedTest($recorded->test, TestDigest::of($recorded->test, $words, $recorded->result), $words),
            null,
            false,
        );
    }

    private static function words(LoadTest $test): ReadingWords
    {
        return new ReadingWords(new Units($test->switch->site->units), $test->switch->site->timezone);
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

    /** Whose account signed, by the record; nothing where it does not say. */
    public function signedBy(): string
    {
        $signed = $this->entry('signed');

        return $signed === null ? '' : ", signed in as {$signed['who']}"
            . (is_string($signed['what']['account'] ?? null) ? ", {$signed['what']['account']}" : '');
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

    /** @return list<string> what the test shows */
    public function proved(): array
    {
        $proved = array_filter($this->judged->requirements(), static fn(array $one): bool => $one['verdict'] === 'pass');

        return array_values(array_map(
            static fn(array $one): string => $one['title'] . ': ' . lcfirst($one['reason']),
            $proved,
        ));
    }

    /** The generator, as it was tested: nameplate, what it gives here, fuel. */
    public function generator(): string
    {
        $plan = $this->test->plan;

        return sprintf('%s kW by its nameplate, ', $plan['nameplate_kw'] ?? '?') . round($this->judged->usableKw(), 1) . ' kW here, '
            . Fuel::tryFrom((string) ($plan['fuel'] ?? ''))?->label();
    }

    public function bank(): string
    {
        $elements = $this->test->plan['bank_elements_kw'] ?? [];

        return $this->test->bank->name ?? ($elements === [] ? 'none' : implode(', ', $elements) . ' kW');
    }

    /** What the record vouches for, in one sentence. */
    public function vouched(): string
    {
        return 'Readings, marks, pictures and signature are those of the record'
            . ($this->test->isClosed() ? ', and the verdict follows from them.' : '.')
            . ($this->test->seal === null ? '' : ' Sealed with key ' . substr($this->test->seal, 0, 12) . '.');
    }

    /** @return list<string> levels and figures that the test leaves open */
    public function notProved(): array
    {
        $open = [];
        foreach ($this->judged->requirements() as $one) {
            if ($one['verdict'] !== 'pass') {
                $open[] = $one['title'] . ($one['verdict'] === 'fail' ? ': failed. ' : ': not proven. ') . $one['reason'];
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
            'evaluation' => $this->entry('signed')['what']['evaluation'] ?? $this->evaluation,
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
