<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

use Escapement\Core\Plant\InstallationKind;

/** A control conductor or an option jumper, before the maker's diagram gives it its terminals. Rule: docs/rules.md#terminations. */
final readonly class ControlWire
{
    private function __construct(public string $function, public string $why) {}

    /** @return list<self> what such an installation has between switch and generator */
    public static function usual(InstallationKind $kind): array
    {
        $start = [
            new self(
                'Start pair, first',
                'A dry contact that closes when the utility has dropped; the wrong type starts with the utility present.',
            ),
            new self('Start pair, second', 'Both conductors side by side: a stray voltage on one alone can start the engine.'),
        ];

        return match ($kind) {
            InstallationKind::Mobile30, InstallationKind::Mobile50 => [],
            InstallationKind::PlugInBox => [
                ...$start,
                new self('Battery charge, in the control cable', 'Keeps the start battery full while the utility is there.'),
            ],
            InstallationKind::FactoryControl => [
                ...$start,
                new self(
                    'Battery charge supply, hot',
                    'An accessory circuit of its own, with its breaker marked: the battery dies when it is off.',
                ),
                new self('Battery charge supply, neutral', 'Never on the ground bar.'),
                new self(
                    'Utility sensing, first leg',
                    'Fused, from the utility side of the switch: sensing below it sees its own generator.',
                ),
                new self('Utility sensing, second leg', 'The other leg: a lost leg must be seen too.'),
                new self('DC supply of the controls', 'Polarity by test; it stays live from the battery with everything else off.'),
            ],
            default => [
                ...$start,
                new self('Battery charge supply, hot', 'An accessory circuit of its own: the battery dies when it is off.'),
                new self('Battery charge supply, neutral', 'Never on the ground bar.'),
            ],
        };
    }

    /** @return list<self> option jumpers of a terminal strip: what each changes, to be read from the maker's table */
    public static function jumpers(InstallationKind $kind): array
    {
        return $kind !== InstallationKind::FactoryControl ? [] : [
            new self(
                'Start signal: contact or voltage',
                'It changes what the control signal means: with the wrong one the engine never starts, or never stops.',
            ),
            new self('Cool-down in the generator or in the switch', 'In both, it runs twice as long; in neither, it stops hot.'),
            new self('Accessory circuit follows utility or load', 'On the wrong one the battery is not charged through an outage.'),
        ];
    }
}
