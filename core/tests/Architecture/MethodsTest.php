<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Architecture;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/**
 * A judgement is read in one look: how long a method of the core may be, and how many ways may lead through it. Counted are the branches,
 * the loops, and every `&&`, `||`, `?` and `??`.
 */
final class MethodsTest extends TestCase
{
    private const LINES = 45;
    private const WAYS = 14;
    /** A reader of the wire takes one field after the other: that is a list, and its order is the order of the errors. */
    private const LINES_OF_A_READER = 52;
    private const WAYS_OF_A_READER = 15;
    /** What is long because it is data, and two loops that are run for every sample of a file and every instant of a season. */
    private const LONGER = [
        'Commissioning/Procedure/Bands.php of', 'LoadTest/StepWindow.php measured', 'Recording/ComtradeData.php readBinary',
        'Rehearsal/Story.php ownNumbers', 'Simulation/Sensing/SourceSensing.php updateLatches', 'Terminations/ControlWire.php usual',
    ];
    private const BRANCHES = [T_IF, T_ELSEIF, T_FOR, T_FOREACH, T_WHILE, T_CASE, T_CATCH, T_BOOLEAN_AND, T_BOOLEAN_OR, T_COALESCE];

    #[Test]
    public function no_method_takes_more_than_a_look(): void
    {
        $beyond = [];
        foreach ($this->methods() as $name => [$lines, $ways]) {
            $isReader = str_starts_with($name, 'Wire/');
            if ($lines > ($isReader ? self::LINES_OF_A_READER : self::LINES) || $ways > ($isReader ? self::WAYS_OF_A_READER : self::WAYS)) {
                $beyond[] = $name;
            }
        }
        sort($beyond);
        self::assertSame(self::LONGER, $beyond);
    }

    /** @return iterable<string, array{int, int}> lines of the body, ways through it */
    private function methods(): iterable
    {
        $root = dirname(__DIR__, 2) . '/src/';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $tokens = \PhpToken::tokenize((string) file_get_contents((string) $file));
            foreach ($tokens as $i => $token) {
                if ($token->is(T_FUNCTION) && $tokens[$i + 2]->is(T_STRING)) {
                    yield substr((string) $file, strlen($root)) . ' ' . $tokens[$i + 2]->text => self::measured($tokens, $i);
                }
            }
        }
    }

    /**
     * @param list<\PhpToken> $tokens
     *
     * @return array{int, int}
     */
    private static function measured(array $tokens, int $at): array
    {
        $depth = 0;
        $ways = 1;
        $from = null;
        for (; ; $at++) {
            $token = $tokens[$at];
            if ($token->text === ';' && $from === null) {
                return [0, 1];
            }
            if ($token->text === '{' || $token->is(T_CURLY_OPEN)) {
                $from ??= $token->line;
                $depth++;
            } elseif ($token->text === '}' && --$depth === 0) {
                return [$token->line - $from - 1, $ways];
            }
            $ways += $from !== null && ($token->is(self::BRANCHES) || $token->text === '?') ? 1 : 0;
        }
    }
}
