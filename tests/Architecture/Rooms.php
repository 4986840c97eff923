<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which room of the app may lean on which: stages on bridge and models; never the other way. PHPStan holds every class against it. */
final class Rooms
{
    private const MAY_NOT = [
        'App\Models' => ['App\Stage', 'App\Bridge', 'App\Http'],
        'App\Bridge' => ['App\Stage', 'App\Http', 'Illuminate\Http'],
        'App\Drawing' => ['App\Models', 'App\Bridge', 'App\Stage', 'App\Http', 'Illuminate'],
        'App\Http' => ['App\Stage'],
    ];

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function each_room_leans_one_way(): iterable
    {
        foreach (self::MAY_NOT as $room => $others) {
            yield $room => PHPat::rule()
                ->classes(Selector::inNamespace($room))
                ->shouldNot()->dependOn()
                ->classes(...array_map(static fn(string $other): SelectorInterface => Selector::inNamespace($other), $others))
                ->because('rooms lean one way: see tests/Architecture/Rooms.php');
        }
    }
}
