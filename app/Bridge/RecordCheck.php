<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\PhotoFile;
use App\Models\Run;
use App\Models\StepAnswer;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\Agreement;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Record\RunRecord;

/**
 * Whether what a report shows is what was recorded: every hash of the chain, its head, marks, answers, pictures and signature
 * against their entries, and the bytes of each picture against its hash. Rule: docs/rules.md#site-plan.
 */
final readonly class RecordCheck
{
    public bool $isWhole;

    /** @param ?string $fault the first thing that does not fit; null when all does */
    private function __construct(public int $entries, public ?string $fault)
    {
        $this->isWhole = $fault === null;
    }

    /** @param array<string, mixed> $export of the run, by the published schema */
    public static function of(Run $run, array $export): self
    {
        /** @var list<array{kind: string, what: array<string, mixed>}> $entries by the schema */
        $entries = is_array($export['record'] ?? null) && is_array($export['record']['entries'] ?? null)
            ? array_values($export['record']['entries']) : [];
        $count = count($entries);
        try {
            $node = Node::fromArray($export);
            (new RecordChain())->verifyExport($node);
            if ($count === 0) {
                return new self(0, 'There is no entry.');
            }
            if ($run->exists) { // an imported run has its tables from its record, and none of the pictures
                (new Agreement(new RunRecord($node->object()->required('record'))))->onTables($node);
            }
        } catch (BadInput $e) {
            return new self($count, rtrim($e->getMessage(), '.') . ", at $e->path.");
        }

        return new self($count, $run->exists
            ? self::ofSeal($run, $entries) ?? self::ofAnswers($run, $entries) ?? self::ofPictures($run, $entries) : null);
    }

    /** @param non-empty-list<array<string, mixed>> $entries */
    private static function ofSeal(Run $run, array $entries): ?string
    {
        $grewAt = $entries[count($entries) - 1]['server_time'] ?? '';

        return (new CompanyKeys())->fault(
            $run->company_id,
            HeadSeal::read($run->seal),
            count($entries),
            $run->head,
            is_string($grewAt) ? $grewAt : '',
        );
    }

    /**
     * No answer may be in the table that the record does not have, nor the other way round: the report shows the last of each step.
     *
     * @param list<array{kind: string, what: array<string, mixed>}> $entries
     */
    private static function ofAnswers(Run $run, array $entries): ?string
    {
        $recorded = array_map(
            static fn(array $entry): mixed => $entry['what']['id'] ?? null,
            array_values(array_filter($entries, static fn(array $entry): bool => $entry['kind'] === 'answer')),
        );
        $kept = array_values($run->answers->map(static fn(StepAnswer $answer): string => $answer->id)->all());
        sort($recorded);
        sort($kept);

        return $recorded === $kept ? null : 'The answers are not those of the record.';
    }

    /** @param list<array{kind: string, what: array<string, mixed>}> $entries */
    private static function ofPictures(Run $run, array $entries): ?string
    {
        $hashes = [];
        foreach ($entries as $entry) {
            if ($entry['kind'] === 'photo' && isset($entry['what']['kept_sha256'])) {
                $hashes[(string) $entry['what']['id']] = $entry['what']['kept_sha256'];
            }
        }
        $kept = PhotoFile::sha256(array_keys($hashes));
        foreach ($run->photos as $photo) {
            if (isset($hashes[$photo->id]) && ($kept[$photo->id] ?? null) !== $hashes[$photo->id]) {
                return "The picture of \"$photo->caption\" is not the one that was recorded.";
            }
        }

        return null;
    }
}
