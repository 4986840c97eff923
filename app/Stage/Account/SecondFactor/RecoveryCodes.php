<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

/** For a phone that is lost: eight codes, each good once. Only their hashes are kept. */
final readonly class RecoveryCodes
{
    private const COUNT = 8;
    private const BYTES = 5;

    /** @param list<string> $codes as they are shown, once */
    private function __construct(public array $codes) {}

    public static function fresh(): self
    {
        return new self(array_map(
            static fn(): string => implode('-', str_split(bin2hex(random_bytes(self::BYTES)), 5)),
            range(1, self::COUNT),
        ));
    }

    /** @return list<string> */
    public function hashes(): array
    {
        return array_map(self::hash(...), $this->codes);
    }

    /**
     * @param list<string> $hashes of those that are left
     *
     * @return ?list<string> what is left without the one typed; null where it is none of them
     */
    public static function without(string $typed, array $hashes): ?array
    {
        $hash = self::hash($typed);
        $left = array_values(array_filter($hashes, static fn(string $one): bool => ! hash_equals($one, $hash)));

        return count($left) === count($hashes) ? null : $left;
    }

    private static function hash(string $code): string
    {
        return hash('sha256', 'recovery|' . mb_strtolower((string) preg_replace('/[^0-9a-fA-F]/', '', $code)));
    }
}
