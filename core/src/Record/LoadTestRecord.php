<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\ObjectNode;
use Escapement\Core\LoadTest\LoadTestEvaluation;
use Escapement\Core\LoadTest\TestMark;
use Escapement\Core\Wire\LoadTest\LoadTestReader;

/**
 * A load test as the entries of its record alone give it, and whether an export agrees. Rule: docs/rules.md#record.
 *
 * The first entry says what was planned; later ones add readings, marks and pictures, strike some out, sign. Entries of other kinds are
 * read over.
 */
final class LoadTestRecord
{
    public const FORMAT = 'escapement/load-test/1';
    public const FIGURES = ['v_v', 'a_a', 'hz', 'kw', 'oil_kpa', 'coolant_c', 'exhaust_c', 'battery_v'];

    private const READING = ['id', 'taken_at', ...self::FIGURES, 'note', 'source', 'struck_why'];
    private const MARK = ['id', 'kind', 'at', 'level_pct', 'note', 'struck_why'];
    private const PHOTO = ['id', 'reading', 'sha256'];
    private const MOST_TEXT = 20_000;

    /** @var array<string, array<string, mixed>> by id, with who read it */
    public array $readings = [];
    /** @var array<string, array<string, mixed>> by id, with who made it */
    public array $marks = [];
    /** @var array<string, array<string, mixed>> by id */
    public array $photos = [];
    /** @var null|array{name: string, drawing: ?string, verdict: string, signed_at: string} */
    public ?array $signature = null;
    /** What the verdict was judged from, as it was signed. */
    public ?Node $evaluation = null;
    /** The input of load_test_plan. */
    public Node $plan;
    public string $plannedBy;
    public string $plannedAt;

    /** @throws BadInput at the first entry that cannot be read */
    public function __construct(Node $record)
    {
        foreach ($record->object()->required('entries')->list(1) as $i => $node) {
            $entry = $node->object();
            $kind = $entry->required('kind')->text(40);
            if (($i === 0) !== ($kind === 'test_planned')) {
                throw $node->bad('A record begins with the plan of its test, once.');
            }
            $what = $entry->required('what')->object();
            $who = $entry->required('who')->text(200);
            if ($i === 0) {
                $this->plan = $what->required('plan');
                $this->plannedBy = $who;
                $this->plannedAt = $entry->required('server_time')->text(40);
            }
            match ($kind) {
                'reading' => $this->readings += RecordedLines::line($what, self::READING, $who),
                'test_mark' => $this->marks += self::mark($what, $who),
                'struck' => $this->strike($what),
                'photo' => $this->photos += RecordedLines::line($what, self::PHOTO, null),
                'signed' => $this->sign($what, $entry->required('server_time')->text(40)),
                default => null,
            };
        }
    }

    /**
     * A whole exported test: its chain, that it says what its record says, and that the verdict follows from the readings.
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function ofExport(Node $export): self
    {
        (new RecordChain())->verifyExport($export);
        $object = $export->object();
        $object->required('format')->oneOf([self::FORMAT]);
        $record = new self($object->required('record'));
        $record->agree($object);

        return $record;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function verification(Node $export): array
    {
        $chain = (new RecordChain())->verifyExport($export);
        $record = self::ofExport($export);

        return $chain + ['readings' => count($record->readings), 'signed' => $record->signature['verdict'] ?? null];
    }

    /**
     * Whether readings, marks, pictures and signature are those of the record: what a report may say of its own tables.
     *
     * @throws BadInput at what differs
     */
    public function agree(ObjectNode $export): void
    {
        RecordedLines::same($export->required('readings'), $this->readings, [...self::READING, 'who'], 'reading');
        RecordedLines::same($export->required('marks'), $this->marks, [...self::MARK, 'who'], 'mark');
        RecordedLines::same($export->required('photos'), $this->photos, self::PHOTO, 'picture');
        $signature = $export->required('signature');
        $said = $signature->isNull() ? null : RecordedLines::plain($signature->object(), ['name', 'drawing', 'verdict', 'signed_at']);
        if (RecordedLines::text($said) !== RecordedLines::text($this->signature)) {
            throw $signature->bad('This is not the signature of the record.');
        }
        $this->checkVerdict($export->required('evaluation'));
    }

    /** @throws BadInput where it does not judge the recorded readings, or the signed verdict does not follow from them */
    private function checkVerdict(Node $evaluation): void
    {
        if ($evaluation->isNull()) {
            return;
        }
        if ($this->evaluation !== null && RecordedLines::text($evaluation->value) !== RecordedLines::text($this->evaluation->value)) {
            throw $evaluation->bad('This is not what was signed.');
        }
        $lines = array_map(
            static fn(Node $one): string => RecordedLines::text(RecordedLines::plain($one->object(), self::FIGURES)),
            $evaluation->object()->required('readings')->list(),
        );
        $counting = array_filter($this->readings, static fn(array $one): bool => $one['struck_why'] === null);
        usort($counting, static fn(array $a, array $b): int => [$a['taken_at'], $a['id']] <=> [$b['taken_at'], $b['id']]);
        $recorded = [];
        foreach ($counting as $one) { // of two at one moment the first is judged
            $recorded[RecordedLines::text($one['taken_at'])] ??= RecordedLines::text(array_intersect_key($one, array_flip(self::FIGURES)));
        }
        if ($lines !== array_values($recorded)) {
            throw $evaluation->at('readings', null)->bad('These are not the readings of the record.');
        }
        if ($this->signature === null) {
            return;
        }
        $verdict = (new LoadTestEvaluation((new LoadTestReader())->input($evaluation)))->result()->verdict;
        if ($verdict !== $this->signature['verdict']) {
            throw $evaluation->bad("The readings of the record come to \"$verdict\".");
        }
    }

    /** @return array<string, array<string, mixed>> */
    private static function mark(ObjectNode $what, string $who): array
    {
        $what->required('kind')->enum(TestMark::class);

        return RecordedLines::line($what, self::MARK, $who);
    }

    private function strike(ObjectNode $what): void
    {
        $id = $what->required('id');
        $why = $what->required('why')->text(300);
        $key = $id->text(40);
        match (true) {
            isset($this->readings[$key]) => $this->readings[$key]['struck_why'] = $why,
            isset($this->marks[$key]) => $this->marks[$key]['struck_why'] = $why,
            default => throw $id->bad('The record has no such reading or mark yet.'),
        };
    }

    private function sign(ObjectNode $what, string $at): void
    {
        $this->evaluation = $what->required('evaluation');
        $this->signature = [
            'name' => $what->required('name')->text(120), 'drawing' => RunRecord::maybe($what->nullable('drawing'), self::MOST_TEXT),
            'verdict' => $what->required('verdict')->oneOf(['pass', 'fail', 'not_proven']), 'signed_at' => $at,
        ];
    }
}
