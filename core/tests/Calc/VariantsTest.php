<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Calc;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/**
 * The cases of the rules, each with one thing changed: only what is named under "then" may answer otherwise.
 * Each is there because it alone notices a change of the code that no other test does; bench/variants.php picks them.
 */
final class VariantsTest extends TestCase
{
    /**
     * @param array<string, mixed> $set
     * @param list<string>         $unset
     * @param array<string, mixed> $then
     */
    #[Test, DataProvider('variants')]
    public function one_change_changes_only_what_it_should(string $of, array $set, array $unset, array $then): void
    {
        $bases = self::bases();
        [$calc, $base] = $bases[$of];
        $after = Variant::answer($calc, Variant::input($base, $set, $unset));
        $changed = Variant::difference(Variant::answer($calc, $base), $after);
        foreach ($then as $key => $value) {
            self::assertTrue(
                array_key_exists($key, $changed) && Variant::isSame($value, $changed[$key]),
                "$key is " . json_encode($changed[$key] ?? null) . ', should be ' . json_encode($value),
            );
        }
        self::assertSame([], array_diff_key($changed, $then), 'more has changed');
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>, array<string, mixed>}> */
    public static function variants(): iterable
    {
        foreach ((array) glob(dirname(__DIR__) . '/data/variants/*.json') as $file) {
            $calc = basename((string) $file, '.json');
            foreach (json_decode((string) file_get_contents((string) $file), true, 512, JSON_THROW_ON_ERROR) as $one) {
                $changed = json_encode($one['set'] ?? $one['unset'], JSON_UNESCAPED_SLASHES);
                yield "$calc: $one[of], $changed" => [$one['of'], $one['set'] ?? [], $one['unset'] ?? [], $one['then']];
            }
        }
    }

    /** @return array<string, array{string, \stdClass}> */
    private static function bases(): array
    {
        static $bases = null;

        return $bases ??= iterator_to_array(Variant::bases());
    }
}
