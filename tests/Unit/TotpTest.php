<?php

declare(strict_types=1);

namespace Tests\Unit;

use App\Stage\Account\SecondFactor\RecoveryCodes;
use App\Stage\Account\SecondFactor\Totp;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Codes of a second factor: those of RFC 6238, appendix B. */
final class TotpTest extends TestCase
{
    private const SECRET = '12345678901234567890';

    #[Test, DataProvider('vectors')]
    public function a_moment_has_the_code_of_the_standard(int $at, string $code): void
    {
        self::assertSame($code, (new Totp(self::SECRET))->code(intdiv($at, Totp::STEP_S), 8));
        self::assertSame(substr($code, 2), (new Totp(self::SECRET))->code(intdiv($at, Totp::STEP_S)));
    }

    /** @return iterable<string, array{int, string}> */
    public static function vectors(): iterable
    {
        foreach ([
            59 => '94287082', 1_111_111_109 => '07081804', 1_111_111_111 => '14050471', 1_234_567_890 => '89005924',
            2_000_000_000 => '69279037', 20_000_000_000 => '65353130',
        ] as $at => $code) {
            yield "second $at" => [$at, $code];
        }
    }

    #[Test, DataProvider('clocks')]
    public function a_clock_may_be_half_a_minute_off_and_a_code_is_used_once(int $off, ?int $last, ?int $expected): void
    {
        $totp = new Totp(self::SECRET);
        self::assertSame($expected, $totp->stepOf($totp->code(1000 + $off), 1000 * Totp::STEP_S + 7, $last));
    }

    /** @return iterable<string, array{int, ?int, ?int}> */
    public static function clocks(): iterable
    {
        yield 'now' => [0, null, 1000];
        yield 'one slow' => [-1, null, 999];
        yield 'one fast' => [1, null, 1001];
        yield 'two slow' => [-2, null, null];
        yield 'two fast' => [2, null, null];
        yield 'used before' => [0, 1000, null];
        yield 'older than the one used' => [-1, 1000, null];
        yield 'the next after the one used' => [1, 1000, 1001];
    }

    #[Test]
    public function the_secret_is_written_as_authenticators_read_it(): void
    {
        self::assertSame('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', (new Totp(self::SECRET))->base32());
        self::assertSame(
            'otpauth://totp/Escapement:mara%40works.example?secret=GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ&issuer=Escapement',
            (new Totp(self::SECRET))->address('mara@works.example'),
        );
    }

    #[Test]
    public function each_recovery_code_opens_once_however_it_is_typed(): void
    {
        $codes = RecoveryCodes::fresh();
        self::assertCount(8, array_unique($codes->codes));
        $left = RecoveryCodes::without(mb_strtoupper(str_replace('-', ' ', $codes->codes[3])), $codes->hashes());
        self::assertNotNull($left);
        self::assertCount(7, $left);
        self::assertNull(RecoveryCodes::without($codes->codes[3], $left));
        self::assertNull(RecoveryCodes::without('', $codes->hashes()));
        self::assertNotContains($codes->codes[0], $codes->hashes());
    }
}
