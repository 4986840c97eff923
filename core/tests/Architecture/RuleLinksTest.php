<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Architecture;

use Escapement\Core\Commissioning\Procedure\StepRow;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A rule that a comment names stands in docs/rules.md, and every calculation and row of the procedure has its place there. */
final class RuleLinksTest extends TestCase
{
    /** Calculations that answer one heading with another, or are explained with it. */
    private const TOLD_WITH = [
        'settings_check' => 'settings-delays',
        'settings_compare' => 'season',
        'run_verdict' => 'timing-verdict',
        'survey_check' => 'survey',
        'standing' => 'proof',
    ];

    #[Test]
    public function every_link_to_a_rule_resolves(): void
    {
        $anchors = self::anchors();
        foreach (['core/src', 'core/data', 'app', 'resources', 'database'] as $room) {
            $tree = new \RecursiveDirectoryIterator(self::root() . "/$room", \FilesystemIterator::SKIP_DOTS);
            foreach (new \RecursiveIteratorIterator($tree) as $file) {
                $text = (string) file_get_contents((string) $file);
                preg_match_all('~docs/rules\.md#([\w/-]+)~', $text, $links);
                foreach ($links[1] as $anchor) {
                    self::assertContains($anchor, $anchors, "$file links to $anchor");
                }
                self::assertDoesNotMatchRegularExpression(
                    '/(?<!has)Rule: (?!docs\/rules\.md#)/',
                    $text,
                    "$file names a rule that nobody can look up",
                );
            }
        }
    }

    #[Test]
    public function every_calculation_has_its_place(): void
    {
        foreach (Calculations::NAMES as $name) {
            self::assertContains(self::TOLD_WITH[$name] ?? str_replace('_', '-', $name), self::anchors(), $name);
        }
    }

    #[Test]
    public function every_row_of_the_procedure_has_its_place(): void
    {
        /** @var list<StepRow> $rows */
        $rows = require self::root() . '/core/data/procedure.php';
        foreach ($rows as $row) {
            self::assertContains("step-{$row->stage->value}-$row->id", self::anchors());
        }
    }

    /** @return list<string> */
    private static function anchors(): array
    {
        $rules = (string) file_get_contents(self::root() . '/docs/rules.md');
        preg_match_all('/^#+ ([\w-]+)$/m', $rules, $headings);
        preg_match_all('/<a id="([^"]+)">/', $rules, $named);

        return [...$headings[1], ...$named[1]];
    }

    private static function root(): string
    {
        return dirname(__DIR__, 3);
    }
}
