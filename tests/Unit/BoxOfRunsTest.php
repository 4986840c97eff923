<?php

declare(strict_types=1);

namespace Tests\Unit;

use App\Bridge\LandingFacts;
use Escapement\Core\Terminations\Feeder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A box between two runs of the schedule. Rule: docs/rules.md#pull-box. */
final class BoxOfRunsTest extends TestCase
{
    private const BOX = ['w_in' => '12', 'h_in' => '12', 'd_in' => '6', 'from_wall' => 'left', 'to_wall' => 'top'];

    /**
     * @param array<string, mixed> $box
     * @param array<string, mixed> $values
     */
    #[DataProvider('boxes')]
    public function test_a_box_is_judged_by_what_enters_it(array $box, string $size, string $tradeSize, array $values): void
    {
        $run = self::feeder($size, $tradeSize);

        self::assertEquals($values, array_intersect_key(LandingFacts::box($box + self::BOX, $run, $run)->values, $values));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string, array<string, mixed>}> */
    public static function boxes(): iterable
    {
        yield 'by volume below 4 AWG: three of 5 in³ and a 10 AWG' => [
            [], '6', '1', ['required_in3' => 17.5, 'available_in3' => 864.0, 'fits' => true],
        ];
        yield 'spliced, each run counts' => [['splice' => '1'], '6', '1', ['required_in3' => 32.5]];
        yield 'a corner: six times its raceway' => [[], '2/0', '2', ['required_w_in' => 12.0, 'required_h_in' => 12.0, 'fits' => true]];
        yield 'straight through: eight times' => [['to_wall' => 'right'], '2/0', '2', ['required_w_in' => 16.0, 'fits' => false]];
        yield 'behind a back entry: by the conductor' => [['to_wall' => 'back'], '2/0', '2', ['required_d_in' => 3.5]];
    }

    /** @param array<string, mixed> $box */
    #[DataProvider('strays')]
    public function test_what_no_table_has_is_said_and_not_guessed(array $box, string $size, string $tradeSize): void
    {
        $this->expectException(\DomainException::class);
        LandingFacts::box($box + self::BOX, self::feeder($size, $tradeSize), self::feeder($size, $tradeSize));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function strays(): iterable
    {
        yield 'both ends on the back' => [['from_wall' => 'back', 'to_wall' => 'back'], '2/0', '2'];
        yield 'a conductor in mm²' => [[], '70', '2'];
        yield 'a raceway of no listed size' => [[], '2/0', '63 mm'];
    }

    private static function feeder(string $size, string $tradeSize): Feeder
    {
        return new Feeder('F1', 'main', 'ats', ['L1', 'L2'], 'cu', $size, '10', 1, 'emt', $tradeSize, 10.0);
    }
}
