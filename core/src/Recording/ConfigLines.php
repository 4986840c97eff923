<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** The lines of a configuration, read one after the other; knows which line a fault is on. */
final class ConfigLines
{
    private const FILE = 'Configuration';

    /** @var list<string> */
    private readonly array $lines;
    private int $line = 0;

    public function __construct(string $text)
    {
        $this->lines = explode("\n", str_replace(["\r\n", "\r"], "\n", rtrim($text)));
    }

    public function isAtEnd(): bool
    {
        return ! isset($this->lines[$this->line]) || trim($this->lines[$this->line]) === '';
    }

    /**
     * @return list<string> the trimmed fields of the next line
     *
     * @throws RecordingFault when there are fewer than $least
     */
    public function next(int $least, string $what): array
    {
        $text = $this->lines[$this->line++] ?? throw $this->bad("The file ends here; $what should follow.");
        if (strlen($text) > 2000) {
            throw $this->bad('This line is longer than 2000 bytes.');
        }
        $fields = array_map(trim(...), explode(',', $text));
        if (count($fields) < $least) {
            throw $this->bad("$least fields are needed here ($what); there are " . count($fields) . '.');
        }

        return $fields;
    }

    public function number(string $field, float $least, float $most): float
    {
        if (! is_numeric($field) || (float) $field < $least || (float) $field > $most) {
            throw $this->bad('"' . mb_substr($field, 0, 30) . "\" should be a number from $least to $most.");
        }

        return (float) $field;
    }

    public function count(string $field, string $letter, int $most): int
    {
        if (preg_match("/^(\d{1,6})$letter$/iD", $field, $match) !== 1 || (int) $match[1] > $most) {
            throw $this->bad('"' . mb_substr($field, 0, 30) . "\" should be a number of channels up to $most and the letter $letter.");
        }

        return (int) $match[1];
    }

    public function bad(string $why): RecordingFault
    {
        return RecordingFault::atLine(self::FILE, $this->line, $why);
    }
}
