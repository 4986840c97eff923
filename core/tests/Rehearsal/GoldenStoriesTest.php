<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each story on each kind happens as it was last looked through; bench/variants.php --rewrite writes it. */
final class GoldenStoriesTest extends TestCase
{
    #[Test]
    public function a_story_happens_as_it_did(): void
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/stories.json'), true, 512, JSON_THROW_ON_ERROR);
        $now = GoldenStories::golden();
        self::assertSame(array_keys($kept), array_keys($now));
        foreach ($kept as $name => $happened) {
            self::assertSame($happened, $now[$name], $name);
        }
    }
}
