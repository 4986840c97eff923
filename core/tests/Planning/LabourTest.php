<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Planning\Labour;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class LabourTest extends TestCase
{
    #[Test]
    public function the_whole_house_asks_nothing_a_module_an_hour_and_a_panel_three_and_half_a_circuit(): void
    {
        self::assertSame(['whole' => 0.0, 'managed' => 2.0, 'essential' => 6.0], Labour::more(6, 2));
        self::assertSame(['whole' => 0.0, 'managed' => 0.0, 'essential' => 3.0], Labour::more(0, 0));
    }
}
