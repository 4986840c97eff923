<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\ColumnMap;
use App\Models\User;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\Request;

/**
 * Which column holds what, and what their own words for the types of installation mean: as just said, as said for the same headings
 * before, or as guessed.
 */
final readonly class SiteColumns
{
    /**
     * @param array<int, SiteField>            $fields by the place of the column
     * @param array<string, InstallationKind>  $kinds  by the company's own word, in small letters
     */
    private function __construct(public array $fields, public array $kinds, public bool $isRemembered) {}

    public static function of(SiteTable $table, Request $request): self
    {
        $said = $request->input('columns');
        if (is_array($said) && $request->input('of') === self::hash($table)) { // what was said of another list says nothing of this one
            return new self(self::read($said, $table), self::kinds((array) $request->input('kinds', [])), false);
        }
        $map = ColumnMap::query()->where('headings', self::hash($table))->first();
        if ($map !== null) {
            ['fields' => $fields, 'kinds' => $kinds] = $map->columns + ['fields' => [], 'kinds' => []];

            return new self(self::read((array) $fields, $table), self::kinds((array) $kinds), true);
        }

        return new self(self::guess($table->headings), [], false);
    }

    public function remember(SiteTable $table, User $user): void
    {
        $kinds = [];
        foreach ($this->kinds as $word => $kind) {
            $kinds[] = ['word' => (string) $word, 'as' => $kind->value];
        }
        ColumnMap::query()->updateOrCreate(['company_id' => $user->company_id, 'headings' => self::hash($table)], ['columns' => [
            'fields' => array_map(static fn(SiteField $field): string => $field->value, $this->fields), 'kinds' => $kinds,
        ]]);
    }

    /** What a word for an installation means; null where it is not known. */
    public function kind(string $word): ?InstallationKind
    {
        $small = mb_strtolower($word);
        foreach (InstallationKind::cases() as $kind) {
            if (in_array($small, array_map(mb_strtolower(...), [$kind->value, $kind->label(), $kind->short()]), true)) {
                return $kind;
            }
        }

        return $this->kinds[$small] ?? null;
    }

    /**
     * @param list<string> $row
     *
     * @return array<string, string> by the value of the field
     */
    public function cells(array $row): array
    {
        $cells = [];
        foreach ($this->fields as $place => $field) {
            $cells[$field->value] = $field->isFigure() ? self::figure($row[$place]) : $row[$place];
        }

        return $cells;
    }

    /** "1,200 A" is 1200; "3,5" is 3.5; what is neither stays as it is, and is said to be none at its field. */
    private static function figure(string $cell): string
    {
        $bare = (string) preg_replace('/\s*(a|amps?|kw|ft|m|feet|metres?)\.?$/i', '', $cell);

        return match (true) {
            preg_match('/^-?\d{1,3}(,\d{3})+(\.\d+)?$/', $bare) === 1 => str_replace(',', '', $bare),
            preg_match('/^-?\d+,\d+$/', $bare) === 1 => str_replace(',', '.', $bare),
            default => $bare,
        };
    }

    /**
     * @param array<mixed> $said
     *
     * @return array<int, SiteField> each field once: the first column that claims it
     */
    private static function read(array $said, SiteTable $table): array
    {
        $fields = [];
        foreach ($table->headings as $place => $heading) {
            $field = is_string($said[$place] ?? null) ? SiteField::tryFrom($said[$place]) : null;
            if ($field !== null && ! in_array($field, $fields, true)) {
                $fields[$place] = $field;
            }
        }

        return $fields;
    }

    /**
     * @param array<mixed> $said lines of `word` and `as`
     *
     * @return array<string, InstallationKind>
     */
    private static function kinds(array $said): array
    {
        $kinds = [];
        foreach ($said as $line) {
            $kind = is_array($line) && is_string($line['as'] ?? null) ? InstallationKind::tryFrom($line['as']) : null;
            if ($kind !== null && is_string($line['word'] ?? null)) {
                $kinds[mb_strtolower($line['word'])] = $kind;
            }
        }

        return $kinds;
    }

    /**
     * @param list<string> $headings
     *
     * @return array<int, SiteField> whole headings first, then those that have the word in them
     */
    private static function guess(array $headings): array
    {
        $fields = [];
        foreach ([true, false] as $isWhole) {
            foreach ($headings as $place => $heading) {
                $plain = trim((string) preg_replace('/[^a-z]+/', ' ', mb_strtolower($heading)));
                foreach (isset($fields[$place]) ? [] : SiteField::cases() as $field) {
                    $fits = array_filter($field->headings(), static fn(string $word): bool => $isWhole ? $plain === $word
                        : preg_match("/\\b$word\\b/", $plain) === 1);
                    if ($fits !== [] && ! in_array($field, $fields, true)) {
                        $fields[$place] = $field;
                        break;
                    }
                }
            }
        }
        ksort($fields);

        return $fields;
    }

    /** Tells lists with the same headings from others. */
    public static function hash(SiteTable $table): string
    {
        return hash('sha256', "sites\n" . implode("\n", $table->headings));
    }
}
