<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Tests\Calc\Variant;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is read off a plan of every kind in several situations, as it was last looked through; bench/variants.php --rewrite writes it. */
final class GoldenPlansTest extends TestCase
{
    #[Test]
    public function a_plan_says_what_it_said(): void
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/plans.json'), true, 512, JSON_THROW_ON_ERROR);
        $now = GoldenPlans::golden();
        self::assertSame(array_keys($kept), array_keys($now));
        foreach ($kept as $name => $said) {
            self::assertSame([], Variant::difference($said, $now[$name]), $name);
        }
    }
}
