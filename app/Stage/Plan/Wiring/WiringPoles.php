<?php

declare(strict_types=1);

namespace App\Stage\Plan\Wiring;

use App\Drawing\Wiring\Pole;
use Escapement\Core\Topology\Element;

/** The contacts inside an enclosure, as they stand in the look that was chosen. */
final readonly class WiringPoles
{
    /** @param array{string, string} $sides what the switch stands on, in words */
    public function __construct(private array $sides) {}

    /** @return list<Pole> from the top */
    public function of(Element $enclosure, WiringLook $look): array
    {
        $isOpen = in_array($look->open, [$enclosure->id, "$enclosure->id.main"], true);
        $onNormal = $look->on === 'normal';

        return match ($enclosure->type) {
            'switch' => [
                new Pole('normal', 'load', $onNormal && ! $isOpen, [
                    ...($enclosure->mainA === null ? [] : [$isOpen ? 'main open' : 'main closed']),
                    'switch on ' . $this->sides[$onNormal ? 0 : 1],
                ]),
                new Pole('load', 'emergency', ! $onNormal, []),
            ],
            'disconnect' => [new Pole('in', 'out', $enclosure->isClosed && ! $isOpen, [$isOpen ? 'disconnect open' : 'disconnect'])],
            'panel' => [new Pole(
                'in',
                'bus',
                $enclosure->isMainClosed && ! $isOpen,
                [$enclosure->mainA === null ? 'no main' : ($isOpen ? 'main open' : 'main')],
            )],
            default => [],
        };
    }
}
