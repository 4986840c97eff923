<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each event says and does what it was last looked through to say and do; bench/variants.php --rewrite writes it. */
final class GoldenEventsTest extends TestCase
{
    #[Test]
    public function an_event_says_what_it_said(): void
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/events.json'), true, 512, JSON_THROW_ON_ERROR);
        $now = json_decode(json_encode(GoldenEvents::golden(), JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
        self::assertSame(array_keys($kept), array_keys($now));
        foreach ($kept as $name => $said) {
            self::assertSame($said, $now[$name], $name);
        }
    }
}
