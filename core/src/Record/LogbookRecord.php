<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/** A logbook as its record alone gives it, and whether an export agrees. Rule: docs/rules.md#record. */
final class LogbookRecord
{
    public const FORMAT = 'escapement/logbook/1';
    public const ENTRY = ['id', 'kind', 'at', 'fields', 'note', 'source', 'struck_why'];

    /** @var array<string, array<string, mixed>> by id, with who wrote it */
    public array $entries = [];

    /** @throws BadInput at the first entry that cannot be read */
    public function __construct(Node $record)
    {
        foreach ($record->object()->required('entries')->list(1) as $node) {
            $entry = $node->object();
            $what = $entry->required('what')->object();
            match ($entry->required('kind')->text(40)) {
                'written' => $this->entries += RecordedLines::line($what, self::ENTRY, $what->nullable('who')?->text(200)
                    ?? $entry->required('who')->text(200)),
                'struck' => $this->strike($what->required('id'), $what->required('why')->text(300)),
                default => null,
            };
        }
    }

    /**
     * A whole exported logbook: its chain, and that it says what its record says.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function verification(Node $export): array
    {
        $chain = (new RecordChain())->verifyExport($export);
        $object = $export->object();
        $object->required('format')->oneOf([self::FORMAT]);
        $record = new self($object->required('record'));
        RecordedLines::same($object->required('entries'), $record->entries, [...self::ENTRY, 'who'], 'entry');

        return $chain + ['lines' => count($record->entries)];
    }

    private function strike(Node $id, string $why): void
    {
        $key = $id->text(40);
        if (! isset($this->entries[$key])) {
            throw $id->bad('The record has no such entry yet.');
        }
        $this->entries[$key]['struck_why'] = $why;
    }
}
