<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

/** Which colours a system's conductors are expected in, and what a colour stands for there. Rule: docs/rules.md#colours. */
final readonly class ColourSystem
{
    public const COLOURS = [
        'black',
        'red',
        'blue',
        'brown',
        'orange',
        'yellow',
        'white',
        'gray',
        'grey',
        'green',
        'green_yellow',
        'bare',
        'violet',
        'pink',
    ];
    /** Tape and sleeves have a colour. */
    public const REID = [
        'black',
        'red',
        'blue',
        'brown',
        'orange',
        'yellow',
        'white',
        'gray',
        'grey',
        'green',
        'green_yellow',
        'violet',
        'pink',
    ];
    public const NAMES = [
        'us_split_120_240',
        'us_208y_120',
        'us_480y_277',
        'ca_208y_120',
        'us_high_leg_240',
        'iec_400_230',
        'iec_old_ryb',
        'rybn',
        'au_nz_400_230',
        'mobile_30a',
        'mobile_50a',
    ];

    private const GROUND = ['green', 'green_yellow', 'bare'];
    private const GROUND_NEW = ['green_yellow'];
    private const GROUND_OLD = ['green_yellow', 'green', 'bare'];
    private const EXPECTED = [
        'us_split_120_240' => ['L1' => ['black'], 'L2' => ['red'], 'N' => ['white', 'gray'], 'G' => self::GROUND],
        'us_208y_120' => ['L1' => ['black'], 'L2' => ['red'], 'L3' => ['blue'], 'N' => ['white', 'gray'], 'G' => self::GROUND],
        'us_480y_277' => ['L1' => ['brown'], 'L2' => ['orange'], 'L3' => ['yellow'], 'N' => ['gray', 'white'], 'G' => self::GROUND],
        'ca_208y_120' => ['L1' => ['red'], 'L2' => ['black'], 'L3' => ['blue'], 'N' => ['white', 'gray'], 'G' => self::GROUND],
        'us_high_leg_240' => [
            'L1' => ['black'],
            'L2' => ['orange'],
            'L3' => ['blue', 'red'],
            'N' => ['white', 'gray'],
            'G' => self::GROUND,
        ],
        'iec_400_230' => ['L1' => ['brown'], 'L2' => ['black'], 'L3' => ['gray'], 'N' => ['blue'], 'G' => self::GROUND_NEW],
        'iec_old_ryb' => ['L1' => ['red'], 'L2' => ['yellow'], 'L3' => ['blue'], 'N' => ['black'], 'G' => self::GROUND_OLD],
        'rybn' => ['R' => ['red'], 'Y' => ['yellow'], 'B' => ['blue'], 'N' => ['black'], 'G' => self::GROUND_OLD],
        'au_nz_400_230' => [
            'L1' => ['red', 'brown'], 'L2' => ['white', 'yellow'], 'L3' => ['blue'], 'N' => ['black'], 'G' => self::GROUND_NEW,
        ],
        'mobile_30a' => ['L1' => ['black'], 'N' => ['white', 'gray'], 'G' => self::GROUND],
        'mobile_50a' => ['L1' => ['black'], 'L2' => ['red'], 'N' => ['white', 'gray'], 'G' => self::GROUND],
    ];

    public function __construct(public string $name) {}

    /** @return non-empty-array<string, non-empty-list<string>> by function, the phases first */
    public function expected(): array
    {
        return self::EXPECTED[$this->name] ?? throw new \LogicException("No system $this->name.");
    }

    /** @return non-empty-list<string> */
    public function functions(): array
    {
        return array_keys($this->expected());
    }

    /** @return list<string> */
    public function phases(): array
    {
        return array_values(array_diff($this->functions(), ['N', 'G']));
    }

    /** What a function is: phase, N or G. */
    public function roleOf(string $function): string
    {
        return $function === 'N' || $function === 'G' ? $function : 'phase';
    }

    /** What a colour stands for. */
    public function role(string $colour): string
    {
        $neutrals = match ($this->name) {
            'iec_400_230' => ['blue'],
            'iec_old_ryb', 'rybn', 'au_nz_400_230' => ['black'],
            default => ['white', 'gray'],
        };

        return match (true) {
            in_array($colour, self::GROUND, true) => 'G',
            in_array($colour, $neutrals, true) => 'N',
            default => 'phase',
        };
    }

    /** Old and new colours of these mean the opposite: blue and black changed places. */
    public function hasTwoAges(): bool
    {
        return in_array($this->name, ['iec_400_230', 'iec_old_ryb', 'rybn', 'au_nz_400_230'], true);
    }

    public function isOfNec(): bool
    {
        return ! $this->hasTwoAges();
    }

    public function hasHighLeg(): bool
    {
        return $this->name === 'us_high_leg_240';
    }
}
