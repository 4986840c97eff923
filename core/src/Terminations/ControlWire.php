<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

use Escapement\Core\Plant\InstallationKind;

/** A control conductor or an option jumper, before the maker's diagram gives it its terminals. Rule: docs/rules.md#terminations. */
final readonly class ControlWire
{
    public const FROM_UTILITY = 'utility';
    public const FROM_BATTERY = 'battery';

    /**
     * @param string                                       $role  what its terminal does, as `wiring_view` has it
     * @param null|self::FROM_UTILITY|self::FROM_BATTERY $fedBy what keeps it live when the lugs are dead
     */
    private function __construct(
        public string $function,
        public string $why,
        public string $role = 'spare',
        public ?string $fedBy = null,
    ) {}

    /** Of a usual one by its name; null where somebody has written one of his own. */
    public static function named(InstallationKind $kind, string $function): ?self
    {
        foreach (self::usual($kind) as $wire) {
            if ($wire->function === $function) {
                return $wire;
            }
        }

        return null;
    }

    /** @return list<self> what such an installation has between switch and generator */
    public static function usual(InstallationKind $kind): array
    {
        $start = [
            new self(
                'Start pair, first',
                'A dry contact that closes when the utility has dropped; the wrong type starts with the utility present.',
                'start',
                self::FROM_BATTERY,
            ),
            new self(
                'Start pair, second',
                'Both conductors side by side: a stray voltage on one alone can start the engine.',
                'start_return',
            ),
        ];

        return match ($kind) {
            // of two supplies nothing is started; the wires of their panel are those of its control circuit
            InstallationKind::Mobile30, InstallationKind::Mobile50, InstallationKind::ContactorPair => [],
            InstallationKind::PlugInBox => [
                ...$start,
                new self(
                    'Battery charge, in the control cable',
                    'Keeps the start battery full while the utility is there.',
                    'charger',
                    self::FROM_UTILITY,
                ),
            ],
            InstallationKind::FactoryControl => [
                ...$start,
                new self(
                    'Battery charge supply, hot',
                    'An accessory circuit of its own, with its breaker marked: the battery dies when it is off.',
                    'charger',
                    self::FROM_UTILITY,
                ),
                new self('Battery charge supply, neutral', 'Never on the ground bar.', 'charger'),
                new self(
                    'Utility sensing, first leg',
                    'Fused, from the utility side of the switch: sensing below it sees its own generator.',
                    'sense_normal',
                    self::FROM_UTILITY,
                ),
                new self(
                    'Utility sensing, second leg',
                    'The other leg: a lost leg must be seen too.',
                    'sense_normal',
                    self::FROM_UTILITY,
                ),
                new self(
                    'DC supply of the controls',
                    'Polarity by test; it stays live from the battery with everything else off.',
                    'battery_positive',
                    self::FROM_BATTERY,
                ),
            ],
            default => [
                ...$start,
                new self(
                    'Battery charge supply, hot',
                    'An accessory circuit of its own: the battery dies when it is off.',
                    'charger',
                    self::FROM_UTILITY,
                ),
                new self('Battery charge supply, neutral', 'Never on the ground bar.', 'charger'),
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
