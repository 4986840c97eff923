<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Record;

use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\Procedure\Answered;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\TimedSteps;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\RecordChain;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Wire\BadInput;
use Escapement\Core\Wire\Node;
use Escapement\Core\Wire\PlantReader;
use Escapement\Core\Wire\ProcedureReader;
use Escapement\Core\Wire\SettingsReader;

/**
 * A run, told by the entries of its record and by nothing else: what the chain covers is what counts. Rule: commissioning §5.
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
    /** @var null|array{name: string, drawing: ?string, verdict: 'pass'|'fail'|'incomplete', who: string, at: string} */
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
        $record->agreesWith($export);

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

        return $chain + ['timing' => $run->timing()->verdict, 'procedure' => $run->procedure, 'signed' => $run->signature['verdict'] ?? null];
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
                'photo' => $this->photos[] = ['id' => $what->object()->required('id')->text(40), 'step' => $what->object()->required('step')->text(120), 'sha256' => $what->object()->required('sha256')->text(64)],
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

        return (new TimingVerdict($plant, (new SettingsReader())->settings($this->settings, $plant), $this->reactionMs))->judge($this->timed());
    }

    /**
     * Whether an exported run says what its record says.
     *
     * @throws BadInput at what differs
     */
    private function agreesWith(Node $export): void
    {
        $object = $export->object();
        $said = ['system' => $this->system->value, 'settings' => $this->settings->value, 'settings_version' => $this->settingsVersion, 'reaction_ms' => $this->reactionMs];
        foreach ($said as $key => $value) {
            $node = $object->required($key);
            if (self::text($node->value) !== self::text($value)) {
                throw $node->bad('This is not what the record says.');
            }
        }
        if ($this->header !== null) {
            $signed = $this->header->object();
            foreach (['site', 'switch', 'loads', 'sheet'] as $key) {
                $node = $object->required($key);
                if (self::text($node->value) !== self::text($signed->required($key)->value)) {
                    throw $node->bad('This is not what was signed.');
                }
            }
        }
        $this->agreesOnMarks($object->required('marks'));
        $this->agreesOnAnswers($object->required('procedure'));
        $this->agreesOnPhotos($object->required('photos'));
        $this->agreesOnTiming($object->required('timing'));
        $this->agreesOnSignature($object->required('signature'));
    }

    /** What the marks come to is computed anew; words are left to the edition that wrote them. */
    private function agreesOnTiming(Node $timing): void
    {
        $told = $timing->object();
        $computed = $this->timing();
        $verdict = $told->required('verdict');
        if ($verdict->value !== $computed->verdict) {
            throw $verdict->bad("The marks of the record come to \"$computed->verdict\".");
        }
        $runs = $told->required('runs');
        if (self::text($runs->value) !== self::text(Node::fromArray($computed->toArray())->object()->required('runs')->value)) {
            throw $runs->bad('The marks of the record come to other times.');
        }
        $findings = $told->required('findings');
        $ids = array_map(static fn(Node $finding): mixed => $finding->object()->required('id')->value, $findings->list());
        if ($ids !== array_column($computed->findings, 'id')) {
            throw $findings->bad('The marks of the record come to other findings.');
        }
    }

    /** The last answer of a step counts; the states are compared where the steps are still made alike. */
    private function agreesOnAnswers(Node $procedure): void
    {
        $last = [];
        foreach ($this->answers as $answer) {
            $last[$answer->step] = $answer;
        }
        $steps = $last === [] ? [] : $this->steps();
        $told = $alike = [];
        foreach ($procedure->list() as $node) {
            $line = $node->object();
            $given = $line->required('given');
            $id = $line->required('id')->text(120);
            $who = $line->required('who');
            $answer = $last[$id] ?? null;
            if (self::text($given->isNull() ? null : self::map($given)) !== self::text($answer?->given)) {
                throw $given->bad('The record has another answer.');
            }
            if ($who->value !== $answer?->who) {
                throw $who->bad('Somebody else answered this in the record.');
            }
            $alike[] = isset($steps[$id]) && $steps[$id]->expectation === $line->required('expect')->value;
            $told[$id] = $line->required('state');
        }
        if ($told === [] && $last === []) {
            return;
        }
        if (array_diff_key(array_intersect_key($last, $steps), $told) !== []) {
            throw $procedure->bad('The record has answers to more steps than these.');
        }
        $this->procedure = $steps !== [] && ! in_array(false, $alike, true) && array_keys($told) === array_keys($steps) ? 'states' : 'answers';
        if ($this->procedure === 'states') {
            $this->agreesOnStates($told, array_values($steps));
        }
    }

    /** @return array<string, Step> as this edition makes them; empty where the record does not say from what */
    private function steps(): array
    {
        if ($this->work === null) {
            return [];
        }
        $steps = [];
        $input = new Node((object) (['system' => $this->system->value, 'settings' => $this->settings->value] + get_object_vars((object) $this->work->value)));
        foreach ((new ProcedureReader())->procedure($input->object())->steps() as $step) {
            $steps[$step->id] = $step;
        }

        return $steps;
    }

    /**
     * @param array<string, Node> $told
     * @param list<Step>          $steps
     */
    private function agreesOnStates(array $told, array $steps): void
    {
        $answered = array_map(static fn(RecordedAnswer $one): Answered => new Answered($one->step, $one->expectation, $one->verdict), $this->answers);
        $timed = TimedSteps::verdicts($steps, $this->timing()->runs) + ($this->signature === null ? [] : Progress::SIGNED);
        foreach ((new Progress($steps, $answered, $timed))->states as $id => $state) {
            if ($told[$id]->value !== $state->value) {
                throw $told[$id]->bad("The record comes to \"$state->value\".");
            }
        }
    }

    private function agreesOnPhotos(Node $photos): void
    {
        $hashes = array_combine(array_column($this->photos, 'id'), array_map(static fn(array $photo): array => [$photo['step'], $photo['sha256']], $this->photos));
        foreach ($photos->list() as $node) {
            $photo = $node->object();
            $id = $photo->required('id')->text(40);
            if (($hashes[$id] ?? null) !== [$photo->required('step')->value, $photo->required('sha256')->value]) {
                throw $node->bad('The record has no such picture.');
            }
            unset($hashes[$id]);
        }
        if ($hashes !== []) {
            throw $photos->bad('The record has more pictures than these.');
        }
    }

    private function agreesOnSignature(Node $signature): void
    {
        $signed = $signature->isNull() ? null : $signature->object();
        $said = $signed === null ? null : [$signed->required('name')->value, $signed->required('verdict')->value, self::maybe($signed->nullable('drawing'), 20_000), $signed->required('signed_at')->value];
        if ($said !== ($this->signature === null ? null : [$this->signature['name'], $this->signature['verdict'], $this->signature['drawing'], $this->signature['at']])) {
            throw $signature->bad('This is not the signature of the record.');
        }
    }

    private function agreesOnMarks(Node $marks): void
    {
        $said = [];
        foreach ($marks->list() as $node) {
            $mark = $node->object();
            $known = $this->marks[$mark->required('id')->text(40)] ?? null;
            if ($known === null || $known->told() !== [$mark->required('event')->value, $mark->required('at_ms')->value, $mark->required('undone')->value, $mark->nullable('note')?->value, $mark->nullable('late_reason')?->value, $mark->nullable('flag')?->value, $mark->nullable('client_wall')?->value]) {
                throw $node->bad('The record has no such mark.');
            }
            $said[$known->mark->id] = true;
        }
        if (count($said) !== count($this->marks)) {
            throw $marks->bad('The record has more marks than these.');
        }
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
            new Mark($mark->required('event')->enum(MarkEvent::class), $mark->required('at_ms')->ms(), $id, $mark->required('is_undone')->bool()),
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
        $this->signature = ['name' => $signed->required('name')->text(120), 'drawing' => self::maybe($signed->nullable('drawing'), 20_000), 'verdict' => $verdict, 'who' => $who, 'at' => $at];
    }

    /** @return array<string, mixed> */
    private static function map(Node $node): array
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

    private static function maybe(?Node $node, int $max): ?string
    {
        return $node === null || $node->value === '' ? null : $node->text($max);
    }

    /** Equal values read equal, whatever the order of their keys. */
    private static function text(mixed $value): string
    {
        $sorted = static function (mixed $one) use (&$sorted): mixed {
            if ($one instanceof \stdClass) {
                $one = get_object_vars($one);
                ksort($one, SORT_STRING);
            }

            return is_array($one) ? array_map($sorted, $one) : (is_float($one) && $one === floor($one) && abs($one) < 1e15 ? (int) $one : $one);
        };

        return json_encode($sorted($value), JSON_THROW_ON_ERROR);
    }
}
