<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The cases that stand ready are those that were last looked through; bench/variants.php --rewrite writes them. */
final class GoldenHandsTest extends TestCase
{
    #[Test]
    public function what_stands_ready_is_what_stood_ready(): void
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/hands.json'), true, 512, JSON_THROW_ON_ERROR);
        self::assertSame($kept, json_decode(json_encode(GoldenHands::golden(), JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR));
    }
}
