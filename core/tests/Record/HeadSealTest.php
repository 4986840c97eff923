<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\LogbookRecord;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Record\Verification;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The seal on the head of a record, and a logbook held against its record. */
final class HeadSealTest extends TestCase
{
    #[Test]
    public function the_first_vector_of_the_standard_is_what_sodium_makes(): void
    {
        // RFC 8032, 7.1, test 1: the empty message
        $pair = sodium_crypto_sign_seed_keypair((string) hex2bin('9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60'));
        self::assertSame(
            'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a',
            bin2hex(sodium_crypto_sign_publickey($pair)),
        );
        self::assertStringStartsWith('e5564300c360ac729086e2cc806e828a84877f1eb8e5d974d873e065224901555f', bin2hex(
            sodium_crypto_sign_detached('', sodium_crypto_sign_secretkey($pair)),
        ));
    }

    #[Test]
    public function a_seal_fits_its_record_and_no_other(): void
    {
        $pair = sodium_crypto_sign_keypair();
        $seal = HeadSeal::of($pair, 3, str_repeat('a', 64));
        self::assertTrue($seal->fits(3, str_repeat('a', 64)));
        self::assertFalse($seal->fits(4, str_repeat('a', 64)), 'another length');
        self::assertFalse($seal->fits(3, str_repeat('b', 64)), 'another head');
        self::assertEquals($seal, HeadSeal::read($seal->kept()));
        self::assertNull(HeadSeal::read(null));
        self::assertNull(HeadSeal::read('words'));
        self::assertFalse((new HeadSeal('words', 'words'))->fits(3, str_repeat('a', 64)));
    }

    #[Test]
    public function a_logbook_rewritten_as_a_whole_is_caught_by_the_key_that_was_given_out(): void
    {
        $pair = sodium_crypto_sign_keypair();
        $key = base64_encode(sodium_crypto_sign_publickey($pair));
        $good = self::logbook($pair, 'cold day');
        $answer = Verification::of(Node::fromArray($good), $key);
        self::assertSame([1, ['key' => $key, 'trusted' => true]], [$answer['lines'], $answer['seal']]);
        self::assertFalse(Verification::of(Node::fromArray($good))['seal']['trusted'] ?? null);
        $rewritten = self::logbook(sodium_crypto_sign_keypair(), 'warm day');
        self::assertSame(1, Verification::of(Node::fromArray($rewritten))['lines'], 'its own hashes and its own seal fit');
        self::assertSame('/record/seal/key', self::fault($rewritten, $key));
        self::assertSame('/record/seal', self::fault(self::logbook(null, 'warm day'), $key));
        $rewritten['record']['seal'] = $good['record']['seal'];
        self::assertSame('/record/seal/signature', self::fault($rewritten, $key));
    }

    /** @param array<string, mixed> $entry */
    #[Test, DataProvider('others')]
    public function a_logbook_that_says_something_else_than_its_record_is_refused(array $entry, string $path): void
    {
        $book = self::logbook(null, 'cold day');
        $book['entries'] = $entry === [] ? [] : [$entry + $book['entries'][0]];
        self::assertSame($path, self::fault($book, null));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function others(): iterable
    {
        yield 'another note' => [['note' => 'warm day'], '/entries/0'];
        yield 'another figure' => [['fields' => ['hours' => 13]], '/entries/0'];
        yield 'another name' => [['who' => 'Somebody'], '/entries/0'];
        yield 'another entry' => [['id' => 'b'], '/entries/0'];
        yield 'counts no more' => [['struck_why' => 'no'], '/entries/0'];
        yield 'taken away' => [[], '/entries'];
    }

    /** @param array<string, mixed> $export */
    private static function fault(array $export, ?string $key): string
    {
        try {
            Verification::of(Node::fromArray($export), $key);
        } catch (BadInput $fault) {
            return $fault->path;
        }

        return 'none';
    }

    /**
     * @param ?non-empty-string $pair to seal it with
     *
     * @return array{format: string, entries: list<array<string, mixed>>, record: array<string, mixed>}
     */
    private static function logbook(?string $pair, string $note): array
    {
        $line = [
            'id' => 'a', 'kind' => 'hours', 'at' => '2026-01-02T10:00:00.000Z', 'fields' => ['hours' => 12.0], 'note' => $note,
            'source' => 'person', 'struck_why' => null,
        ];
        $entry = [
            'seq' => 1, 'kind' => 'written', 'who' => 'Ana', 'server_time' => '2026-01-02T10:00:01.000Z', 'device_time' => null,
            'what' => $line,
        ];
        $head = (new RecordChain())->hash(RecordChain::GENESIS, $entry);

        return [
            'format' => LogbookRecord::FORMAT, 'entries' => [$line + ['who' => 'Ana']], 'record' => [
                'head' => $head, 'seal' => $pair === null ? null : HeadSeal::of($pair, 1, $head)->toArray(),
                'entries' => [['hash' => $head] + $entry],
            ],
        ];
    }
}
