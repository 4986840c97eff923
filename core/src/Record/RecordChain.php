<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/**
 * Entries of a run, each chained to the one before by its hash, so that a changed or missing one shows. Rule: docs/rules.md#record.
 *
 * An entry's hash is SHA-256 over the previous hash, a line feed and the entry as JSON with sorted keys.
 */
final readonly class RecordChain
{
    public const GENESIS = '0000000000000000000000000000000000000000000000000000000000000000';

    /** @param array<mixed> $entry without its hashes */
    public function hash(string $previousHash, array $entry): string
    {
        return hash('sha256', $previousHash . "\n" . $this->canonical($entry));
    }

    /**
     * @param list<array{hash: string, entry: array<mixed>}> $links
     *
     * @return ?int place of the first link that does not fit, null when all do
     */
    public function firstBroken(array $links): ?int
    {
        $hash = self::GENESIS;
        foreach ($links as $place => $link) {
            $hash = $this->hash($hash, $link['entry']);
            if (! hash_equals($hash, $link['hash'])) {
                return $place;
            }
        }

        return null;
    }

    /**
     * Checks an exported run: the object with `record` = {"head", "entries": [{"hash", …entry}]}.
     *
     * @return array{verified: true, entries: int, head: string}
     *
     * @throws BadInput at the first entry that does not fit, or at the head
     */
    public function verifyExport(Node $export): array
    {
        if (! $export->value instanceof \stdClass || ! isset($export->value->record)) {
            throw BadInput::missing('/record');
        }
        $record = $export->at('record', $export->value->record);
        $object = $record->object();
        $headNode = $object->required('head');
        $head = $headNode->text();
        $links = [];
        foreach ($object->required('entries')->list() as $node) {
            $entry = json_decode(
                json_encode($node->value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
                true,
                64,
                JSON_THROW_ON_ERROR,
            );
            if (! is_array($entry) || ! is_string($entry['hash'] ?? null)) {
                throw BadInput::missing($node->at('hash', null)->path);
            }
            $hash = $entry['hash'];
            unset($entry['hash']);
            $links[] = ['hash' => $hash, 'entry' => $entry];
        }
        $broken = $this->firstBroken($links);
        if ($broken !== null) {
            throw new BadInput("/record/entries/$broken", 'This entry, or one before it, is not what was recorded.');
        }
        $last = $links === [] ? self::GENESIS : $links[count($links) - 1]['hash'];
        if ($last !== $head) {
            throw $headNode->bad('The head is not the last entry: something was cut off at the end.');
        }

        return ['verified' => true, 'entries' => count($links), 'head' => $head];
    }

    private function canonical(mixed $value): string
    {
        return json_encode(
            $this->sorted($value),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    private function sorted(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (! array_is_list($value)) {
            ksort($value, SORT_STRING);
        }

        return array_map($this->sorted(...), $value);
    }
}
