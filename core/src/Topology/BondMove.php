<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** One thing that moves until there is exactly one bond in every position, in words. Rule: docs/rules.md#bonding. */
final readonly class BondMove
{
    /** What is done, and why, by the action that `bonding` proposes. */
    private const WORDS = [
        'add-neutral' => ['Run the neutral to', 'Without it two legs stand in series across the line-to-line voltage.'],
        'use-switched-neutral' => ['Switch the neutral at', 'The two supplies must not share their neutral current.'],
        'remove-bond' => ['Remove the bonding jumper in', 'With two bonds the neutral current splits and flows in grounding conductors.'],
        'separate-neutral-ground' => ['Separate neutrals and grounds in', 'Grounds on their own bar, neutrals on theirs.'],
        'add-bond' => ['Install the main bonding jumper in', 'The one place where neutral and ground are connected.'],
        'add-equipment-ground' => ['Run a grounding conductor to', 'Earth itself is no return path for a fault.'],
        'add-electrode-conductor' => ['Run the grounding electrode conductor to', 'It belongs where the bond is.'],
        'move-electrode-conductor' => ['Move the grounding electrode conductor from', 'It belongs where the bond is.'],
        'remove-electrode-conductor' => ['Remove the grounding electrode conductor of', 'It belongs where the bond is.'],
    ];

    public const ACTIONS = [
        'add-neutral', 'use-switched-neutral', 'remove-bond', 'separate-neutral-ground', 'add-bond', 'add-equipment-ground',
        'add-electrode-conductor', 'move-electrode-conductor', 'remove-electrode-conductor',
    ];

    private function __construct(public int $n, public string $action, public string $at, public string $title, public string $why) {}

    /**
     * @param array<string, mixed> $bonding what `bonding` answers
     *
     * @return list<self> in their order, numbered from 1
     */
    public static function of(array $bonding, ElementNames $names): array
    {
        $moves = [];
        /** @var array{action: string, at: string, to?: string} $action */
        foreach (is_array($bonding['actions']) ? $bonding['actions'] : [] as $action) {
            [$title, $why] = self::WORDS[$action['action']] ?? [$action['action'], ''];
            $moves[] = new self(
                count($moves) + 1,
                $action['action'],
                $action['at'],
                "$title " . self::within($names->of($action['at'])),
                $why . (isset($action['to']) ? ' It goes to ' . self::within($names->of($action['to'])) . '.' : ''),
            );
        }

        return $moves;
    }

    /** A name within a sentence: a common noun gets its article, a name of its own stays. */
    private static function within(string $name): string
    {
        return preg_match('/^[A-Z][a-z]+( [a-z]+)*$/', $name) === 1 ? 'the ' . lcfirst($name) : $name;
    }

    /** The element in which it happens. */
    public function element(): string
    {
        return explode('.', $this->at)[0];
    }
}
