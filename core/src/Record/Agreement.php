<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\ObjectNode;
use Escapement\Core\Wire\ProcedureReader;

/** Whether an exported run says what its record says, to the last time, state and note. Rule: docs/rules.md#record. */
final readonly class Agreement
{
    public function __construct(private RunRecord $record) {}

    /**
     * How the steps were compared: their states too, or their answers only, since this edition makes the steps otherwise; null where
     * no step was answered.
     *
     * @return null|'answers'|'states'
     *
     * @throws BadInput at what differs
     */
    public function with(Node $export): ?string
    {
        $object = $export->object();
        $said = [
            'system' => $this->record->system->value,
            'settings' => $this->record->settings->value,
            'settings_version' => $this->record->settingsVersion,
            'reaction_ms' => $this->record->reactionMs,
        ];
        foreach ($said as $key => $value) {
            $node = $object->required($key);
            if (RecordedLines::text($node->value) !== RecordedLines::text($value)) {
                throw $node->bad('This is not what the record says.');
            }
        }
        if ($this->record->header !== null) {
            $signed = $this->record->header->object();
            foreach (['site', 'switch', 'loads', 'sheet'] as $key) {
                $node = $object->required($key);
                if (RecordedLines::text($node->value) !== RecordedLines::text($signed->required($key)->value)) {
                    throw $node->bad('This is not what was signed.');
                }
            }
        }
        $this->onMarks($object->required('marks'));
        $compared = $this->onAnswers($object->required('procedure'));
        $this->onPhotos($object->required('photos'));
        $this->onTiming($object->required('timing'));
        $this->onSignature($object->required('signature'));

        return $compared;
    }

    /**
     * Whether marks, answers, pictures and signature are those of the record, whatever this edition computes from them: what a
     * report may say of its own tables.
     *
     * @throws BadInput at what differs
     */
    public function onTables(Node $export): void
    {
        $object = $export->object();
        $this->onMarks($object->required('marks'));
        $this->onGiven($object->required('procedure'));
        $this->onPhotos($object->required('photos'));
        $this->onSignature($object->required('signature'));
    }

    /** What the marks come to is computed anew; words are left to the edition that wrote them. */
    private function onTiming(Node $timing): void
    {
        $told = $timing->object();
        $computed = $this->record->timing();
        $verdict = $told->required('verdict');
        if ($verdict->value !== $computed->verdict) {
            throw $verdict->bad("The marks of the record come to \"$computed->verdict\".");
        }
        $runs = $told->required('runs');
        $asComputed = Node::fromArray($computed->toArray())->object()->required('runs')->value;
        if (RecordedLines::text($runs->value) !== RecordedLines::text($asComputed)) {
            throw $runs->bad('The marks of the record come to other times.');
        }
        $findings = $told->required('findings');
        $ids = array_map(static fn(Node $finding): mixed => $finding->object()->required('id')->value, $findings->list());
        if ($ids !== array_column($computed->findings, 'id')) {
            throw $findings->bad('The marks of the record come to other findings.');
        }
    }

    /**
     * The last answer of a step counts; the states are compared where the steps are still made alike.
     *
     * @return null|'answers'|'states'
     */
    private function onAnswers(Node $procedure): ?string
    {
        $last = $this->onGiven($procedure);
        $steps = $last === [] ? [] : $this->steps();
        $told = $alike = [];
        foreach ($procedure->list() as $node) {
            $line = $node->object();
            $id = $line->required('id')->text(120);
            $alike[] = isset($steps[$id]) && self::asksAlike($steps[$id], $line, $last[$id] ?? null);
            $told[$id] = $line->required('state');
        }
        if ($told === [] && $last === []) {
            return null;
        }
        if (array_diff_key(array_intersect_key($last, $steps), $told) !== []) {
            throw $procedure->bad('The record has answers to more steps than these.');
        }
        if ($steps === [] || in_array(false, $alike, true) || array_keys($told) !== array_keys($steps)) {
            return 'answers';
        }
        $this->onStates($told, array_values($steps));

        return 'states';
    }

    /** Other words for the same question are the record's own, or those of this edition. */
    private static function asksAlike(Step $step, ObjectNode $line, ?RecordedAnswer $answer): bool
    {
        $words = $line->required('expect')->value;
        $expected = $line->optional('expected')->value ?? null;
        $isWorded = $words === $step->expectation || $words === $answer?->expectation;

        return $expected === null ? $words === $step->expectation : $expected === $step->expected && $isWorded;
    }

    /**
     * @return array<string, RecordedAnswer> the last of each step
     *
     * @throws BadInput at an answer that is not the record's
     */
    private function onGiven(Node $procedure): array
    {
        $last = [];
        foreach ($this->record->answers as $answer) {
            $last[$answer->step] = $answer;
        }
        foreach ($procedure->list() as $node) {
            $line = $node->object();
            $given = $line->required('given');
            $who = $line->required('who');
            $answer = $last[$line->required('id')->text(120)] ?? null;
            if (RecordedLines::text($given->isNull() ? null : RunRecord::map($given)) !== RecordedLines::text($answer?->given)) {
                throw $given->bad('The record has another answer.');
            }
            if ($who->value !== $answer?->who) {
                throw $who->bad('Somebody else answered this in the record.');
            }
        }

        return $last;
    }

    /** @return array<string, Step> as this edition makes them; empty where the record does not say from what */
    private function steps(): array
    {
        if ($this->record->work === null) {
            return [];
        }
        $steps = [];
        $input = new Node((object) ([
            'system' => $this->record->system->value, 'settings' => $this->record->settings->value,
        ] + get_object_vars((object) ProcedureReader::asBegun($this->record->work)->value)));
        foreach ((new ProcedureReader())->procedure($input->object())->steps() as $step) {
            $steps[$step->id] = $step;
        }

        return $steps;
    }

    /**
     * @param array<string, Node> $told
     * @param list<Step>          $steps
     */
    private function onStates(array $told, array $steps): void
    {
        $answered = array_map(static fn(RecordedAnswer $one): JudgedAnswer => $one->judged(), $this->record->answers);
        foreach (Progress::ofRun(
            $steps,
            $answered,
            $this->record->timing()->runs,
            $this->record->signature !== null,
        )->states as $id => $state) {
            if ($told[$id]->value !== $state->value) {
                throw $told[$id]->bad("The record comes to \"$state->value\".");
            }
        }
    }

    private function onPhotos(Node $photos): void
    {
        $hashes = array_combine(
            array_column($this->record->photos, 'id'),
            array_map(static fn(array $photo): array => [$photo['step'], $photo['sha256']], $this->record->photos),
        );
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

    private function onSignature(Node $signature): void
    {
        $signed = $signature->isNull() ? null : $signature->object();
        $said = $signed === null ? null : [
            $signed->required('name')->value,
            $signed->required('verdict')->value,
            RunRecord::maybe($signed->nullable('drawing'), 20_000),
            $signed->required('signed_at')->value,
        ];
        if ($said !== ($this->record->signature === null ? null : [
            $this->record->signature['name'],
            $this->record->signature['verdict'],
            $this->record->signature['drawing'],
            $this->record->signature['at'],
        ])) {
            throw $signature->bad('This is not the signature of the record.');
        }
        $parts = $signed?->nullable('parts');
        if (RecordedLines::text($parts?->value) !== RecordedLines::text($this->record->signature['parts']->value ?? null)) {
            throw ($parts ?? $signature)->bad('The record was signed with other parts.');
        }
    }

    private function onMarks(Node $marks): void
    {
        $said = [];
        foreach ($marks->list() as $node) {
            $mark = $node->object();
            $known = $this->record->marks[$mark->required('id')->text(40)] ?? null;
            if ($known === null || $known->told() !== [
                $mark->required('event')->value,
                $mark->required('at_ms')->value,
                $mark->required('undone')->value,
                $mark->nullable('note')?->value,
                $mark->nullable('late_reason')?->value,
                $mark->nullable('flag')?->value,
                $mark->nullable('client_wall')?->value,
            ]) {
                throw $node->bad('The record has no such mark.');
            }
            $said[$known->mark->id] = true;
        }
        if (count($said) !== count($this->record->marks)) {
            throw $marks->bad('The record has more marks than these.');
        }
    }
}
