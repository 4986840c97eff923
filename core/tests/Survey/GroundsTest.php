<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Survey;

use Escapement\Core\Survey\Grounds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class GroundsTest extends TestCase
{
    /**
     * @param array<string, string> $before
     * @param array<string, string> $now
     * @param list<string>          $changes
     */
    #[Test, DataProvider('grounds')]
    public function what_is_no_longer_as_it_was_is_said_in_words(array $before, array $now, array $changes): void
    {
        self::assertSame($changes, (new Grounds($now))->changedFrom(new Grounds($before)));
    }

    /** @return iterable<string, array{array<string, string>, array<string, string>, list<string>}> */
    public static function grounds(): iterable
    {
        yield 'nothing' => [['Poles' => '2'], ['Poles' => '2'], []];
        yield 'in another order' => [['Poles' => '2', 'Fuel' => 'LP'], ['Fuel' => 'LP', 'Poles' => '2'], []];
        yield 'a figure' => [['Poles' => '2'], ['Poles' => '3'], ['Poles: 2, now 3']];
        yield 'a load more' => [[], ['Load Kiln' => '6 kW'], ['Load Kiln: 6 kW is new']];
        yield 'a load less' => [['Load Kiln' => '6 kW'], [], ['Load Kiln: 6 kW is gone']];
    }
}
