<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/** Something a technician has to know: what it is, why it matters, and where a change would clear it, the change. */
final readonly class Finding
{
    /**
     * @param ?string                     $path     JSON Pointer of the setting, also when it is absent there
     * @param null|array<string, mixed> $fix      JSON Merge Patch (RFC 7386) of `settings` that clears it
     * @param list<string|int>            $subjects
     * @param ?string                     $at       the element or terminal of a one-line that it stands at
     */
    public function __construct(
        public string $id,
        public Severity $severity,
        public string $message,
        public string $because,
        public ?string $path = null,
        public ?array $fix = null,
        public array $subjects = [],
        public ?string $at = null,
    ) {}

    /**
     * One that the register made once and that was kept: its words are those of then.
     *
     * @param array{string, string}     $words    message, because
     * @param null|array<string, mixed> $fix
     * @param list<int|string>          $subjects
     */
    public static function again(
        string $id,
        Severity $severity,
        array $words,
        ?string $path,
        ?array $fix,
        array $subjects,
        ?string $at,
    ): self {
        return new self($id, $severity, $words[0], $words[1], $path, $fix, $subjects, $at);
    }

    /** The same, told with other names of its places; identity stays. */
    public function told(string $message): self
    {
        return new self($this->id, $this->severity, $message, $this->because, $this->path, $this->fix, $this->subjects, $this->at);
    }

    /**
     * The same, about these, where its words are not to name them.
     *
     * @param list<string|int> $subjects
     */
    public function about(array $subjects): self
    {
        return new self($this->id, $this->severity, $this->message, $this->because, $this->path, $this->fix, $subjects, $this->at);
    }

    /** What it is and why it matters, as one text. */
    public function sentence(): string
    {
        return rtrim($this->message, '.') . ". $this->because";
    }

    /**
     * @param list<self> $findings
     *
     * @return list<self> worst first, by id within a severity
     */
    public static function worstFirst(array $findings): array
    {
        usort($findings, static fn(self $a, self $b): int => [$a->severity->rank(), $a->id] <=> [$b->severity->rank(), $b->id]);

        return $findings;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'severity' => $this->severity->value, 'message' => $this->message, 'path' => $this->path,
            'because' => $this->because, 'fix' => $this->fix, 'subjects' => $this->subjects,
        ] + ($this->at === null ? [] : ['at' => $this->at]);
    }
}
