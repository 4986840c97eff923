<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Sizes;

/**
 * What lands where in each enclosure, in the order of landing: what lies deepest first, or the cover will not close.
 * Rule: docs/rules.md#terminations. Screws are usual ones, to be put right at the lug; what is torqued counts by the maker.
 */
final readonly class TerminationPlan
{
    /** Grounds and neutrals lie at the back; then the thick hots; thin conductors bend over them. */
    private const DEPTH = ['G' => 0, 'N' => 1];
    private const TAPED_FROM = '4';

    /** @param list<Feeder> $feeders */
    public function __construct(private ColourSystem $colours, private array $feeders) {}

    /** @return array<string, list<Termination>> by enclosure */
    public function enclosures(): array
    {
        $enclosures = [];
        foreach ($this->feeders as $feeder) {
            foreach ([$feeder->from => false, $feeder->to => true] as $enclosure => $isFed) {
                if ($enclosure === 'utility' || $enclosure === 'meter') {
                    continue; // the meter's terminals are the utility's
                }
                $enclosures[$enclosure] = [...($enclosures[$enclosure] ?? []), ...$this->end($feeder, $enclosure, $isFed)];
            }
        }

        return array_map($this->inOrder(...), $enclosures);
    }

    /** @return list<Termination> */
    private function end(Feeder $feeder, string $enclosure, bool $isFed): array
    {
        $landings = [];
        for ($set = 1; $set <= $feeder->sets; $set++) {
            $of = $feeder->name . ($feeder->sets > 1 ? ", set $set" : '');
            foreach ([...$feeder->phases, 'N', ...($feeder->egc === null ? [] : ['G'])] as $conductor) {
                $size = $conductor === 'G' ? (string) $feeder->egc : $feeder->size;
                [$colour, $reid] = $this->colour($conductor, $size);
                [$screw, $socketIn] = self::screw($size);
                $landings[] = new Termination(
                    $conductor,
                    $this->terminal($conductor, $feeder, $enclosure, $isFed),
                    $conductor,
                    $of,
                    $size,
                    $colour,
                    $reid,
                    $screw,
                    $socketIn,
                );
            }
        }

        return $landings;
    }

    private function terminal(string $conductor, Feeder $feeder, string $enclosure, bool $isFed): string
    {
        $side = match (true) {
            $conductor === 'N' => 'Neutral bar',
            $conductor === 'G' => 'Ground bar',
            $enclosure === 'ats' => (! $isFed ? 'Load' : (in_array(
                $feeder->from,
                ['gen', 'inlet', 'q2'],
                true,
            ) ? 'Emergency' : 'Normal')) . " $conductor",
            $enclosure === 'gen' => "Output $conductor",
            $isFed => "Line $conductor",
            default => "Breaker $conductor",
        };

        return $side;
    }

    /** @return array{string, ?string} insulation, and tape or sleeve: large conductors come in black and are taped */
    private function colour(string $conductor, string $size): array
    {
        $expected = $this->colours->expected()[$conductor] ?? ['black'];
        if ($conductor === 'G') {
            return [in_array('bare', $expected, true) ? 'bare' : $expected[0], null];
        }
        $isTaped = $this->colours->isOfNec() && Sizes::isAtLeast($size, self::TAPED_FROM) && $expected[0] !== 'black';

        return $isTaped ? ['black', $expected[0]] : [$expected[0], null];
    }

    /** @return array{string, ?string} */
    private static function screw(string $size): array
    {
        return match (true) {
            Sizes::isAtLeast($size, '1/0') => ['hex_socket', '5/16'],
            Sizes::isAtLeast($size, '4') => ['hex_socket', '3/16'],
            default => ['slotted_large', null],
        };
    }

    /**
     * @param list<Termination> $landings
     *
     * @return list<Termination>
     */
    private function inOrder(array $landings): array
    {
        usort($landings, static fn(Termination $a, Termination $b): int => [
            self::DEPTH[$a->conductor] ?? 2,
            -Sizes::place($a->size),
            $a->terminal,
            $a->feeder,
        ]
            <=> [self::DEPTH[$b->conductor] ?? 2, -Sizes::place($b->size), $b->terminal, $b->feeder]);

        return $landings;
    }
}
