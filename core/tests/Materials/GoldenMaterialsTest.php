<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Materials;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A list asks for what it asked for when it was last looked through; bench/variants.php --rewrite writes it. */
final class GoldenMaterialsTest extends TestCase
{
    #[Test]
    public function a_list_asks_for_what_it_asked_for(): void
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/materials.json'), true, 512, JSON_THROW_ON_ERROR);
        $now = GoldenMaterials::golden();
        self::assertSame(array_keys($kept), array_keys($now));
        foreach ($kept as $name => $asked) {
            self::assertSame($asked, $now[$name], $name);
        }
    }
}
