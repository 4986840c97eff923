<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

/** Which phase sits on which phase terminal. Rule: docs/rules.md#colours. */
final readonly class PhaseMap
{
    /** @var array<string, list<string>> phase functions by phase terminal */
    private array $onTerminal;
    /** @var array<string, list<string>> terminals of any kind by phase function */
    private array $ofFunction;

    /**
     * @param list<string>  $phases
     * @param list<Landing> $landings
     */
    public function __construct(private array $phases, array $landings)
    {
        $onTerminal = $ofFunction = array_fill_keys($phases, []);
        foreach ($landings as $landing) {
            if (in_array($landing->conductor, $phases, true)) {
                $ofFunction[$landing->conductor] = array_values(array_unique([...$ofFunction[$landing->conductor], $landing->terminal]));
                if (isset($onTerminal[$landing->terminal])) {
                    $onTerminal[$landing->terminal] = array_values(array_unique([...$onTerminal[$landing->terminal], $landing->conductor]));
                }
            }
        }
        $this->onTerminal = $onTerminal;
        $this->ofFunction = $ofFunction;
    }

    public function isJoined(string $terminal): bool
    {
        return count($this->onTerminal[$terminal] ?? []) > 1;
    }

    /** Every phase on exactly one phase terminal and nowhere else, every phase terminal with exactly one phase. */
    public function isComplete(): bool
    {
        foreach ($this->phases as $phase) {
            if (count($this->ofFunction[$phase]) !== 1 || count($this->onTerminal[$phase]) !== 1) {
                return false;
            }
        }

        return true;
    }

    /** Of a complete map: whether it is the identity or a rolling on, which keeps the rotation. */
    public function isEven(): bool
    {
        $places = array_map(fn(string $phase): int => (int) array_search($this->ofFunction[$phase][0], $this->phases, true), $this->phases);
        $inversions = 0;
        foreach ($places as $i => $place) {
            foreach (array_slice($places, $i + 1) as $later) {
                $inversions += $later < $place ? 1 : 0;
            }
        }

        return $inversions % 2 === 0;
    }

    /** @return 'correct'|'not_applicable'|'reversed'|'unknown' */
    public function rotation(): string
    {
        return match (true) {
            count($this->phases) < 3 => 'not_applicable',
            ! $this->isComplete() => 'unknown',
            default => $this->isEven() ? 'correct' : 'reversed',
        };
    }
}
