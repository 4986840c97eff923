<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

/** One thing to find out on site. */
final readonly class Question
{
    /**
     * @param array<string, string> $options  what is kept => what is read; empty for a figure
     * @param ?string               $unit     of a figure as it is kept; a site shows and takes it in its own: feet or
     *     metres, gallons or litres
     * @param ?string               $usual    what is taken for it until somebody looks: only where a wrong one costs time and hurts nobody
     * @param string                $kinds    of installation, parted by blanks; empty: all
     * @param array<string, string> $onlyIf   answers, parted by blanks, that other questions must have for this one to be asked
     */
    public function __construct(
        public string $key,
        public Subject $subject,
        public string $label,
        public ?Decision $neededFor,
        public array $options = [],
        public ?string $unit = null,
        public float $min = 0,
        public float $max = 0,
        public string $hint = '',
        private string $kinds = '',
        public ?string $usual = null,
        public array $onlyIf = [],
    ) {}

    /**
     * Another answer leaves nothing to ask here; while that one is open, so is this question's turn.
     *
     * @param array<string, mixed> $answers
     */
    public function isMoot(array $answers): bool
    {
        foreach ($this->onlyIf as $key => $wanted) {
            if (! in_array($answers[$key] ?? null, explode(' ', $wanted), true)) {
                return true;
            }
        }

        return false;
    }

    public function isAskedOf(string $kind): bool
    {
        return $this->kinds === '' || in_array($kind, explode(' ', $this->kinds), true);
    }

    /** What is taken for it, as it is read; empty where nothing is. */
    public function usualWords(): string
    {
        return $this->usual === null ? '' : ($this->options[$this->usual] ?? $this->usual);
    }

    public function isFigure(): bool
    {
        return $this->options === [];
    }
}
