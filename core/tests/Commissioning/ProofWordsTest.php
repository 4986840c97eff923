<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Proof\PartOutcome;
use Escapement\Core\Commissioning\Proof\ProofFact;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\Proof\RunPart;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ProofWordsTest extends TestCase
{
    #[Test, DataProvider('figures')]
    public function a_figure_that_moved_by_little_is_as_it_was(float $withinPct, string $was, string $is, bool $isSame): void
    {
        self::assertSame($isSame, (new ProofFact('load', 'Load', [], false, $withinPct))->isAsBefore($was, $is));
    }

    /** @return iterable<string, array{float, string, string, bool}> */
    public static function figures(): iterable
    {
        yield 'the same words' => [0, 'copper', 'copper', true];
        yield 'other words' => [10, 'copper', 'aluminum', false];
        yield 'a figure, where none may move' => [0, '100 kW', '100.1 kW', false];
        yield 'a tenth up' => [10, '100 kW', '110 kW', true];
        yield 'more than a tenth up' => [10, '100 kW', '110.1 kW', false];
        yield 'a tenth down' => [10, '100 kW', '90 kW', true];
        yield 'more than a tenth down' => [10, '100 kW', '89.9 kW', false];
        yield 'from nothing' => [10, '0 kW', '0.0005 kW', false];
        yield 'a figure that became a word' => [10, '100 kW', 'not known', false];
        yield 'below nothing' => [10, '-100', '-110', true];
    }

    /** @param list<string> $why */
    #[Test, DataProvider('reasons')]
    public function three_reasons_are_said_and_the_others_counted(array $why, string $said): void
    {
        self::assertSame($said, (new RunPart(ProofPart::Times, PartOutcome::cases()[0], false, $why))->whyInShort());
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function reasons(): iterable
    {
        yield 'none' => [[], ''];
        yield 'three' => [['A.', 'B.', 'C.'], 'A. B. C.'];
        yield 'four' => [['A.', 'B.', 'C.', 'D.'], 'A. B. C. And 1 more.'];
        yield 'six' => [['A.', 'B.', 'C.', 'D.', 'E.', 'F.'], 'A. B. C. And 3 more.'];
    }
}
