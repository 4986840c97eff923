<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where a switch stands: every part in every state, and every standing by the first rule that fits. */
final class StandingTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function it_stands_where_its_parts_say(\stdClass $case): void
    {
        $expected = CaseFile::asArray($case->expect);
        $schema = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/schema/standing.schema.json');
        try {
            $answer = CaseFile::asArray((new Calculations())->calc('standing', new Node($case->input)));
        } catch (BadInput $e) {
            self::assertSame($expected['error']['path'] ?? null, $e->path, $e->getMessage());
            self::assertFalse((new Validator())->validate($case->input, $schema)->isValid(), 'the schema refuses it too');

            return;
        }
        self::assertTrue((new Validator())->validate($case->input, $schema)->isValid());
        self::assertSame($expected['standing'], $answer['standing']);
        self::assertSame($expected['parts'], $answer['parts']);
        foreach ($answer['parts'] as $part) {
            if (in_array($part['state'], ['open', 'failed', 'stale'], true) && $answer['standing'] !== 'never') {
                self::assertStringContainsString(
                    mb_strtolower(ProofPart::from($part['part'])->label()),
                    $answer['sentence'],
                    'always with what is missing',
                );
            }
        }
    }

    /** @return iterable<string, array{\stdClass}> */
    public static function cases(): iterable
    {
        yield from CaseFile::read('standing');
    }

    #[Test]
    public function every_part_has_a_case_in_every_state_it_can_have(): void
    {
        $seen = [];
        foreach (CaseFile::read('standing') as [$case]) {
            foreach ($case->expect->parts ?? [] as $part) {
                $seen["$part->part $part->state"] = true;
            }
        }
        foreach (ProofPart::cases() as $part) {
            foreach ($part === ProofPart::LoadTest ? ['proved', 'open', 'not_asked'] : ['proved', 'failed', 'open'] as $state) {
                self::assertArrayHasKey("$part->value $state", $seen);
            }
            self::assertSame(
                ! in_array($part, [ProofPart::LeftReady, ProofPart::LoadTest], true),
                isset($seen["$part->value stale"]),
                "$part->value goes stale when what it rests on changes",
            );
        }
    }

    /**
     * @param list<string> $again parts
     */
    #[Test, DataProvider('editions')]
    public function a_proof_of_an_older_edition_stands_and_is_to_be_looked_at_again(
        string $kind,
        string $plant,
        int $edition,
        array $again,
    ): void {
        $records = array_map(static fn(ProofPart $part): array => [
            'part' => $part->value, 'outcome' => 'proved', 'at' => '2026-03-02T10:00:00Z', 'run' => 'Run 1', 'by' => 'M. Tern',
            'edition' => $edition,
        ], array_values(array_filter(ProofPart::cases(), static fn(ProofPart $part): bool => $part !== ProofPart::LoadTest)));
        $answer = CaseFile::asArray((new Calculations())->calc('standing', Node::fromArray([
            'installation' => $kind, 'plant' => $plant, 'records' => $records,
        ])));
        self::assertSame('proven', $answer['standing'], 'a signed verdict does not change');
        self::assertSame($again, array_column(array_filter($answer['parts'], static fn(array $one): bool => isset($one['again'])), 'part'));
    }

    /** @return iterable<string, array{string, string, int, list<string>}> */
    public static function editions(): iterable
    {
        yield 'a house, first edition' => ['K1', 'standby', 1, ['dead_checks', 'sensing', 'start_circuit']];
        yield 'a house, this edition' => ['K1', 'standby', 2, []];
        yield 'two supplies have no start circuit' => ['K7', 'two_source', 1, ['dead_checks', 'sensing']];
        yield 'a vehicle on one hot' => ['K5', 'mobile', 1, []];
    }
}
