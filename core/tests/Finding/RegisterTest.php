<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Finding;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\RegisteredFinding;
use Escapement\Core\Finding\Severity;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class RegisterTest extends TestCase
{
    #[Test]
    public function every_finding_in_code_is_in_the_register_and_the_other_way_round(): void
    {
        $registered = array_map(static fn(RegisteredFinding $entry): string => $entry->id, array_values(Register::all()));
        $texts = array_unique(array_merge(...array_map(self::textsOf(...), self::files())));
        foreach ($registered as $id) {
            $isRaised = in_array($id, $texts, true) || array_filter(
                $texts,
                static fn(string $text): bool => str_ends_with($text, "/$id"),
            ) !== [];
            self::assertTrue($isRaised, "Nothing in the code raises $id.");
        }
        foreach (self::raisedIds() as $id => $file) {
            self::assertContains(basename($id), $registered, "$file raises $id, which is not in the register.");
            Register::entry($id); // and names one only
        }
    }

    #[Test]
    public function only_the_register_makes_findings_with_words_of_its_own(): void
    {
        foreach (self::files() as $file) {
            $isRegister = str_ends_with($file, 'Finding/Register.php') || str_ends_with($file, 'Finding/Finding.php');
            if (! $isRegister) {
                self::assertStringNotContainsString('new Finding(', (string) file_get_contents($file), $file);
            }
        }
    }

    #[Test, DataProvider('entries')]
    public function an_entry_says_what_is_so_why_and_where_the_rule_stands(string $key): void
    {
        $entry = Register::all()[$key];
        self::assertNotSame('', $entry->title);
        self::assertNotSame('', $entry->reason);
        self::assertDoesNotMatchRegularExpression('/(?<! in)\.$/', $entry->title);
        if ($entry->severities[0] !== Severity::Note) {
            self::assertNotSame('', $entry->action, "$key is a warning or a stop and says nothing to do.");
        }
        $rules = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/rules.md');
        self::assertMatchesRegularExpression("/^#+ $entry->rule$/m", $rules);
    }

    #[Test]
    public function figures_are_filled_in_and_what_is_not_known_is_left_out(): void
    {
        self::assertSame('12.3 A of 5', RegisteredFinding::filled('{a:%.1f} A of {b}', ['a' => 12.34, 'b' => 5]));
        self::assertSame('Too small.', RegisteredFinding::filled('Too small.[ Use {size}.]', ['size' => null]));
        self::assertSame('Too small. Use 4.', RegisteredFinding::filled('Too small.[ Use {size}.]', ['size' => '4']));
        $this->expectException(\LogicException::class);
        RegisteredFinding::filled('{a} A', []);
    }

    #[Test]
    public function one_finding_names_all_its_places(): void
    {
        $findings = new Findings();
        $findings->raise('torque/torque-low', [], ['lug 1']);
        $findings->raise('torque/torque-low', [], ['lug 2']);
        [$finding] = $findings->all();
        self::assertSame('torque-low', $finding->id);
        self::assertSame(['lug 1', 'lug 2'], $finding->subjects);
        self::assertStringContainsString('(lug 1, lug 2)', $finding->message);
        self::assertTrue($findings->hasStop());
    }

    #[Test]
    public function two_rules_with_the_same_id_have_to_be_told_apart(): void
    {
        $this->expectException(\LogicException::class);
        Register::entry('torque-low');
    }

    /** @return iterable<string, array{string}> */
    public static function entries(): iterable
    {
        foreach (array_keys(Register::all()) as $key) {
            yield $key => [$key];
        }
    }

    /** @return list<string> PHP files of core and app */
    private static function files(): array
    {
        $files = [];
        foreach (['core/src', 'app'] as $room) {
            $tree = new \RecursiveDirectoryIterator(dirname(__DIR__, 3) . "/$room", \FilesystemIterator::SKIP_DOTS);
            foreach (new \RecursiveIteratorIterator($tree) as $file) {
                $files[] = (string) $file;
            }
        }

        return $files;
    }

    /** @return list<string> every text in a file that can be a name of a finding */
    private static function textsOf(string $file): array
    {
        preg_match_all('#[\'"]((?:[a-z-]+/)?[a-z0-9]+(?:-[a-z0-9]+)*)[\'"]#', (string) file_get_contents($file), $found);

        return $found[1];
    }

    /** @return array<string, string> file by id, of those that are raised by name */
    private static function raisedIds(): array
    {
        $ids = [];
        foreach (self::files() as $file) {
            preg_match_all('#(?:->raise|Register::finding)\(\s*\'([a-z0-9/-]+)\'#', (string) file_get_contents($file), $found);
            $ids += array_fill_keys($found[1], $file);
        }

        return $ids;
    }
}
