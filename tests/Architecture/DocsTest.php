<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the documents point to is there. */
final class DocsTest extends TestCase
{
    #[Test]
    public function each_test_that_the_page_on_security_names_is_there(): void
    {
        $root = dirname(__DIR__, 2);
        preg_match_all('/`(\w+Test)`|`([\w-]+\.sh)`/', (string) file_get_contents("$root/docs/security.md"), $named);
        $there = array_map(
            static fn(mixed $file): string => basename((string) $file, '.php'),
            [...(array) glob("$root/tests/*/*.php"), ...(array) glob("$root/tests/*.sh")],
        );
        self::assertSame([], array_values(array_diff(array_filter([...$named[1], ...$named[2]]), $there)));
        self::assertGreaterThan(20, count($named[0]));
    }

    #[Test]
    public function each_link_of_the_documents_leads_somewhere(): void
    {
        $root = dirname(__DIR__, 2);
        $files = ["$root/README.md", "$root/CONTRIBUTING.md", ...(array) glob("$root/docs/*.md"), ...(array) glob("$root/docs/*/*.md")];
        $lost = [];
        foreach ($files as $file) {
            preg_match_all('/\]\(([^)#:]+)(#[^)]*)?\)/', (string) file_get_contents((string) $file), $links);
            foreach ($links[1] as $link) {
                if (! file_exists(dirname((string) $file) . "/$link")) {
                    $lost[] = basename((string) $file) . ": $link";
                }
            }
        }
        self::assertSame([], $lost);
    }
}
