<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

/** Codes that change every half minute, by RFC 6238 with SHA-1 and six digits, which every authenticator understands. */
final readonly class Totp
{
    public const STEP_S = 30;
    private const DIGITS = 6;
    private const SECRET_BYTES = 20;
    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @param string $secret bytes */
    public function __construct(private string $secret) {}

    public static function fresh(): string
    {
        return random_bytes(self::SECRET_BYTES);
    }

    public function code(int $step, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->secret, true);
        $offset = ord($hash[19]) & 0xF;
        /** @var array{1: int} $part */
        $part = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($part[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * The step whose code was typed: that of now, or the one before or after, because clocks differ; null: none of them, or one
     * that is not after the step used last, so that nobody uses a code twice.
     */
    public function stepOf(string $typed, int $now, ?int $lastStep): ?int
    {
        $at = intdiv($now, self::STEP_S);
        foreach ([$at, $at - 1, $at + 1] as $step) {
            if (hash_equals($this->code($step), $typed) && ($lastStep === null || $step > $lastStep)) {
                return $step;
            }
        }

        return null;
    }

    /** As it is typed into an authenticator. */
    public function base32(): string
    {
        $bits = '';
        foreach (str_split($this->secret) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            static fn(string $five): string => self::ALPHABET[(int) bindec(str_pad($five, 5, '0'))],
            str_split($bits, 5),
        ));
    }

    /** What its picture says. */
    public function address(string $account): string
    {
        $issuer = rawurlencode('Escapement');

        return "otpauth://totp/$issuer:" . rawurlencode($account) . "?secret={$this->base32()}&issuer=$issuer";
    }
}
