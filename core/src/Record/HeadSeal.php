<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/**
 * A seal on the head of a record: Ed25519 (RFC 8032) over how many entries it has and their last hash. Whoever rewrites a whole record with
 * new hashes cannot make it. Rule: docs/rules.md#record.
 */
final readonly class HeadSeal
{
    /**
     * @param string $key       public, base64
     * @param string $signature base64
     */
    public function __construct(public string $key, public string $signature) {}

    /** As a column keeps it. */
    public static function read(?string $kept): ?self
    {
        $parts = explode(':', $kept ?? '');

        return count($parts) === 2 ? new self($parts[0], $parts[1]) : null;
    }

    public function kept(): string
    {
        return "$this->key:$this->signature";
    }

    /** @return array{key: string, signature: string} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'signature' => $this->signature];
    }

    /** @param non-empty-string $keyPair as sodium makes it */
    public static function of(string $keyPair, int $entries, string $head): self
    {
        return new self(
            base64_encode(sodium_crypto_sign_publickey($keyPair)),
            base64_encode(sodium_crypto_sign_detached(self::message($entries, $head), sodium_crypto_sign_secretkey($keyPair))),
        );
    }

    public function fits(int $entries, string $head): bool
    {
        $key = base64_decode($this->key, true);
        $signature = base64_decode($this->signature, true);

        return $key !== false && $signature !== false && strlen($key) === SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES
            && strlen($signature) === SODIUM_CRYPTO_SIGN_BYTES
            && sodium_crypto_sign_verify_detached($signature, self::message($entries, $head), $key);
    }

    /**
     * Checks the seal of an exported record.
     *
     * @param ?string $key that the company gave out, base64; null: the export's own, which proves only that it is whole
     *
     * @return null|array{key: string, trusted: bool} null where it has none and nobody asks for one
     *
     * @throws BadInput where the seal is missing, is another's, or does not fit
     */
    public static function verify(Node $record, ?string $key): ?array
    {
        $object = $record->object();
        $node = $object->nullable('seal');
        if ($node === null) {
            return $key === null ? null : throw new BadInput("$record->path/seal", 'This record is not sealed.');
        }
        $fields = $node->object();
        $seal = new self($fields->required('key')->text(100), $fields->required('signature')->text(200));
        if ($key !== null && ! hash_equals(trim($key), $seal->key)) {
            throw $node->at('key', null)->bad('It is sealed with another key.');
        }
        if (! $seal->fits(count($object->required('entries')->list()), $object->required('head')->text(64))) {
            throw $node->at('signature', null)->bad('The seal does not fit this record: it was changed after it was sealed.');
        }

        return ['key' => $seal->key, 'trusted' => $key !== null];
    }

    private static function message(int $entries, string $head): string
    {
        return "escapement/head/1\n$entries\n$head";
    }
}
