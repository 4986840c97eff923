<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Http\Typed;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** The list as it was given, what its columns are taken for, and what each line would become. */
final readonly class ImportPage
{
    private const SHOWN = 300;

    /** @param array{timezone: string, units: string, installation: InstallationKind} $usual */
    private function __construct(
        public string $text,
        public array $usual,
        public ?SiteTable $table = null,
        public ?SiteColumns $columns = null,
        public ?ArrivingSites $sites = null,
        public ?string $fault = null,
    ) {}

    public static function of(Request $request): self
    {
        $file = $request->file('file');
        $text = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= SiteTable::MOST_BYTES
            ? $file->getContent() : Typed::text($request, 'text', SiteTable::MOST_BYTES + 1);
        $zone = Typed::text($request, 'timezone', 60);
        $usual = [
            'timezone' => $zone === '' ? 'America/New_York' : $zone,
            'units' => Typed::text($request, 'units') === 'metric' ? 'metric' : 'us',
            'installation' => InstallationKind::tryFrom(Typed::text($request, 'installation')) ?? InstallationKind::WholeHouse,
        ];
        if ($request->isMethod('get')) {
            return new self('', $usual);
        }
        try {
            $table = SiteTable::read($text);
        } catch (SiteTableFault $fault) {
            return new self(mb_scrub($text), $usual, fault: $fault->getMessage());
        }
        $columns = SiteColumns::of($table, $request);
        if (! in_array(SiteField::Name, $columns->fields, true)) {
            return new self($text, $usual, $table, $columns, fault: 'Say which column has the name of the site.');
        }

        return new self($text, $usual, $table, $columns, new ArrivingSites($table, $columns, $usual));
    }

    /** @return list<SiteLine> faults first, then the others in their order */
    public function shown(): array
    {
        $faulty = $this->sites?->of(LineFate::Faulty) ?? [];
        $others = array_filter($this->sites->lines ?? [], static fn(SiteLine $line): bool => $line->fate !== LineFate::Faulty);

        return array_slice([...$faulty, ...$others], 0, self::SHOWN);
    }

    public function summary(): string
    {
        $counts = [
            LineFate::NewSite->value => ['new site', 'new sites'], LineFate::NewSwitch->value => ['more switch', 'more switches'],
            LineFate::There->value => ['there already', 'there already'], LineFate::Faulty->value => ['with a fault', 'with faults'],
        ];
        $parts = [];
        foreach ($counts as $fate => [$one, $many]) {
            $count = $this->sites?->count(LineFate::from($fate)) ?? 0;
            $parts[] = $count === 0 ? null : "$count " . ($count === 1 ? $one : $many);
        }

        return implode(', ', array_filter($parts));
    }

    /** Tells this list from others, so that what was said of its columns is not taken for theirs. */
    public function listKey(): string
    {
        return $this->table === null ? '' : SiteColumns::hash($this->table);
    }

    /** @return array<string, string> what a column can be */
    public function fields(): array
    {
        $fields = ['' => 'leave out'];
        foreach (SiteField::cases() as $field) {
            $fields[$field->value] = $field->label();
        }

        return $fields;
    }

    public function asked(string $word): string
    {
        return "\"$word\" is";
    }

    /**
     * @param ?string $none words of a first line that chooses nothing
     *
     * @return array<string, string>
     */
    public function kinds(?string $none = null): array
    {
        $kinds = $none === null ? [] : ['' => $none];
        foreach (InstallationKind::cases() as $kind) {
            $kinds[$kind->value] = $kind->label();
        }

        return $kinds;
    }

    /** @return list<string> words of the list for installations: those that were said, and those that are not known */
    public function ownWords(): array
    {
        return [...array_map(strval(...), array_keys($this->columns->kinds ?? [])), ...$this->sites?->unknownKinds() ?? []];
    }

    public function becomes(): int
    {
        return ($this->sites?->count(LineFate::NewSite) ?? 0) + ($this->sites?->count(LineFate::NewSwitch) ?? 0);
    }
}
