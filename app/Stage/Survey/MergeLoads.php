<?php

declare(strict_types=1);

namespace App\Stage\Survey;

/** Two people on one list of loads: lines are distinguished by their names. Rule as in Merge. */
final readonly class MergeLoads
{
    /** @var list<array<string, mixed>> columns of the loads to keep, in their order */
    public array $lines;
    /** @var array<string, string> what both have changed, by field of the form */
    public array $both;

    /**
     * @param list<array<string, mixed>> $typed as LoadLines::columns()
     * @param list<array<string, mixed>> $was   what the form was begun with
     * @param list<array<string, mixed>> $now   what is kept
     */
    public function __construct(array $typed, array $was, array $now)
    {
        $was = self::byName($was);
        $now = self::byName($now);
        $lines = $both = [];
        foreach ($typed as $i => $line) {
            $name = self::key($line);
            $shown = $was[$name] ?? null;
            $kept = $now[$name] ?? null;
            unset($now[$name]);
            if ($kept === null && $shown !== null && self::same($line, $shown)) {
                continue; // taken out by the other, untouched by this one
            }
            $isTheirs = $kept !== null && $shown !== null && self::same($line, $shown);
            if ($kept !== null && ! $isTheirs && ! ($shown !== null && self::same($kept, $shown)) && ! self::same($kept, $line)) {
                $both["loads.$i.name"] = 'Somebody else has it with ' . self::words($kept) . ' by now. Save again to keep yours.';
            }
            $lines[] = $isTheirs ? $kept : $line;
        }
        foreach ($now as $name => $kept) { // lines that are not on this form: new ones of the other, or taken out here
            if (isset($was[$name]) && self::same($kept, $was[$name])) {
                continue;
            }
            if (isset($was[$name])) {
                $both['loads'] = "\"{$kept['name']}\" was changed by somebody else, to " . self::words($kept)
                    . ', while it was taken out here. It is kept; take it out again if that is right.';
            }
            $lines[] = $kept;
        }
        $this->lines = $lines;
        $this->both = $both;
    }

    /**
     * @param list<array<string, mixed>> $lines
     *
     * @return array<string, array<string, mixed>>
     */
    private static function byName(array $lines): array
    {
        return array_combine(array_map(self::key(...), $lines), $lines);
    }

    /** @param array<string, mixed> $line */
    private static function key(array $line): string
    {
        return mb_strtolower(is_scalar($line['name'] ?? null) ? trim((string) $line['name']) : '');
    }

    /**
     * @param array<string, mixed> $one
     * @param array<string, mixed> $other
     */
    private static function same(array $one, array $other): bool
    {
        return LoadLines::compared($one) === LoadLines::compared($other);
    }

    /** @param array<string, mixed> $line */
    private static function words(array $line): string
    {
        $text = static fn(string $key): string => is_scalar($line[$key] ?? null) ? (string) $line[$key] : '';

        return (float) $text('kw') . " kW, priority {$text('priority')}";
    }
}
