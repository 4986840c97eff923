<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\PlantReader;
use Escapement\Core\Wire\SettingsReader;

/**
 * A run, told by the entries of its record and by nothing else: what the chain covers is what counts. Rule: docs/rules.md#record.
 *
 * The first entry says what the run was begun with; later ones add marks, answers and pictures, change a mark, follow a newer
 * sheet, sign. Entries of other kinds are read over.
 */
final class RunRecord
{
    public const FORMAT = 'escapement/run/2';

    public Node $system;
    public Node $settings;
    public int $settingsVersion = 0;
    public int $reactionMs = 500;
    /** What site and plan gave to the procedure; null in a run that has none. */
    public ?Node $work = null;
    public string $begunBy = '';
    public string $begunAt = '';
    /** @var array<string, RecordedMark> by id */
    public array $marks = [];
    /** @var list<RecordedAnswer> in the order in which they came */
    public array $answers = [];
    /** @var list<array{id: string, step: string, sha256: string}> */
    public array $photos = [];
    /** @var null|array{name: string, drawing: ?string, verdict: 'pass'|'fail'|'incomplete', who: string, at: string, parts: ?Node} */
    public ?array $signature = null;
    /** Site, switch, loads and sheet as they were when the run was signed; null in one that is not. */
    public ?Node $header = null;
    /**
     * How the steps of an export were compared: their states too, or their answers only, since the steps are made otherwise by
     * the edition that compares; null where no step was answered.
     *
     * @var null|'states'|'answers'
     */
    public ?string $procedure = null;

    /**
     * A whole exported run: its chain, and that it says what its record says.
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function ofExport(Node $export): self
    {
        (new RecordChain())->verifyExport($export);
        $object = $export->object();
        $object->required('format')->oneOf([self::FORMAT]);
        $record = new self($object->required('record'));
        $record->procedure = (new Agreement($record))->with($export);
        HeadSeal::verify($object->required('record'), null);

        return $record;
    }

    /**
     * What `verify-record` answers: of a whole export the verdicts too, of a bare record only its chain.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public static function verification(Node $export): array
    {
        $chain = (new RecordChain())->verifyExport($export);
        if (! property_exists((object) $export->value, 'format')) {
            return $chain;
        }
        $run = self::ofExport($export);

        return $chain + [
            'timing' => $run->timing()->verdict,
            'procedure' => $run->procedure,
            'signed' => $run->signature['verdict'] ?? null,
        ];
    }

    /** @throws BadInput at the first entry that cannot be read */
    public function __construct(Node $record)
    {
        $entries = $record->object()->required('entries')->list(1);
        foreach ($entries as $i => $node) {
            $entry = $node->object();
            $what = $entry->required('what');
            $who = $entry->required('who')->text(200);
            $at = $entry->required('server_time')->text(40);
            $device = self::maybe($entry->nullable('device_time'), 40);
            $kind = $entry->required('kind')->text(40);
            if (($i === 0) !== ($kind === 'run_begun')) {
                throw $node->bad('A record begins with the beginning of its run, once.');
            }
            match ($kind) {
                'run_begun' => $this->begin($what, $who, $at),
                'sheet_followed' => $this->follow($what),
                'mark' => $this->mark($what, $who, $at, $device),
                'mark_edited' => $this->edit($what),
                'answer' => $this->answer($what, $who, $at, $device),
                'photo' => $this->photos[] = [
                    'id' => $what->object()->required('id')->text(40),
                    'step' => $what->object()->required('step')->text(120),
                    'sha256' => $what->object()->required('sha256')->text(64),
                ],
                'signed' => $this->sign($what, $who, $at),
                default => null,
            };
        }
    }

    /** @return list<Mark> */
    public function timed(): array
    {
        return array_values(array_map(static fn(RecordedMark $one): Mark => $one->mark, $this->marks));
    }

    /** @throws BadInput when plant or settings of the record are none */
    public function timing(): TimingVerdictResult
    {
        $plant = (new PlantReader())->plant($this->system);

        return (new TimingVerdict(
            $plant,
            (new SettingsReader())->settings($this->settings, $plant),
            $this->reactionMs,
        ))->judge($this->timed());
    }

    private function begin(Node $what, string $who, string $at): void
    {
        $begun = $what->object();
        $this->system = $begun->required('system');
        $this->settings = $begun->required('settings');
        $this->settingsVersion = $begun->required('sheet_version')->integer(1, 1_000_000);
        $this->reactionMs = $begun->required('reaction_ms')->integer(0, 60_000);
        $this->work = $begun->nullable('work');
        $this->begunBy = $who;
        $this->begunAt = $at;
    }

    private function follow(Node $what): void
    {
        $followed = $what->object();
        $this->settings = $followed->required('settings');
        $this->settingsVersion = $followed->required('to_version')->integer(1, 1_000_000);
        $this->work = $followed->nullable('work') ?? $this->work;
    }

    private function mark(Node $what, string $who, string $at, ?string $device): void
    {
        $mark = $what->object();
        $id = $mark->required('id')->text(40);
        $this->marks[$id] ??= new RecordedMark(
            new Mark(
                $mark->required('event')->enum(MarkEvent::class),
                $mark->required('at_ms')->ms(),
                $id,
                $mark->required('is_undone')->bool(),
            ),
            self::maybe($mark->nullable('note'), 500),
            self::maybe($mark->nullable('late_reason'), 200),
            self::maybe($mark->nullable('flag'), 200),
            $device,
            $who,
            $at,
        );
    }

    private function edit(Node $what): void
    {
        $edit = $what->object();
        $id = $edit->required('id');
        $after = $edit->required('after')->object();
        $known = $this->marks[$id->text(40)] ?? throw $id->bad('The record has no such mark yet.');
        $this->marks[$known->mark->id] = $known->edited(self::maybe($after->nullable('note'), 500), $after->required('is_undone')->bool());
    }

    private function answer(Node $what, string $who, string $at, ?string $device): void
    {
        $answer = $what->object();
        $given = $answer->required('given');
        $this->answers[] = new RecordedAnswer(
            $answer->required('id')->text(40),
            $answer->required('step')->text(120),
            $answer->required('expected')->text(6000),
            $answer->optional('asked')?->text(1000),
            self::map($given),
            $answer->required('verdict')->enum(Verdict::class),
            $device,
            $who,
            $at,
        );
    }

    private function sign(Node $what, string $who, string $at): void
    {
        $signed = $what->object();
        /** @var 'pass'|'fail'|'incomplete' $verdict */
        $verdict = $signed->required('verdict')->oneOf(['pass', 'fail', 'incomplete']);
        $this->header = $signed->nullable('header');
        $this->signature = [
            'name' => $signed->required('name')->text(120), 'drawing' => self::maybe($signed->nullable('drawing'), 20_000),
            'verdict' => $verdict, 'who' => $who, 'at' => $at, 'parts' => $signed->nullable('parts'),
        ];
    }

    /** @return array<string, mixed> */
    public static function map(Node $node): array
    {
        if ($node->value !== []) {
            $node->object();
        }
        $map = [];
        foreach ((array) json_decode(json_encode($node->value, JSON_THROW_ON_ERROR), true, 16, JSON_THROW_ON_ERROR) as $key => $value) {
            $map[(string) $key] = $value;
        }

        return $map;
    }

    public static function maybe(?Node $node, int $max): ?string
    {
        return $node === null || $node->value === '' ? null : $node->text($max);
    }
}
