<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\Site;
use App\Models\TransferSwitch;
use App\Stage\Survey\OpenSite;
use App\Stage\Survey\SiteRequest;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Fuel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Validator;

/**
 * A list of sites held against what a company has: each line becomes a site, another switch of one, nothing because it is there, or a
 * fault at its field. The same list again adds nothing.
 */
final class ArrivingSites
{
    /** @var array<string, array{id: ?int, address: string, switches: list<string>, number: int}> by name in small letters */
    private array $known = [];
    /** @var list<SiteLine> */
    public readonly array $lines;

    /** @param array{timezone: string, units: string, installation: InstallationKind} $usual where a line says nothing else */
    public function __construct(SiteTable $table, private readonly SiteColumns $columns, private readonly array $usual)
    {
        foreach (Site::query()->with('switches')->get() as $site) {
            $this->known[mb_strtolower($site->name)] ??= [
                'id' => $site->id, 'address' => mb_strtolower((string) $site->address), 'number' => 0,
                'switches' => array_map(mb_strtolower(...), array_values($site->switches->map(self::nameOf(...))->all())),
            ];
        }
        $lines = [];
        foreach ($table->rows as $number => $row) {
            $lines[] = $this->line($number, $this->columns->cells($row));
        }
        $this->lines = $lines;
    }

    public function count(LineFate $fate): int
    {
        return count($this->of($fate));
    }

    /** @return list<SiteLine> */
    public function of(LineFate $fate): array
    {
        return array_values(array_filter($this->lines, static fn(SiteLine $line): bool => $line->fate === $fate));
    }

    /** @return list<string> words for installations that nobody has said the meaning of */
    public function unknownKinds(): array
    {
        $words = [];
        foreach ($this->lines as $line) {
            $word = $line->cells[SiteField::Kind->value] ?? '';
            if ($word !== '' && $this->columns->kind($word) === null) {
                $words[mb_strtolower($word)] = $word;
            }
        }

        return array_values($words);
    }

    /** Writes all lines that become something, or none. */
    public function write(int $company, OpenSite $opener): void
    {
        DB::transaction(function () use ($company, $opener): void {
            $made = [];
            foreach ($this->lines as $line) {
                $name = mb_strtolower($line->cells[SiteField::Name->value] ?? '');
                if ($line->fate === LineFate::NewSite) {
                    $made[$name] = $opener->open($company, $line->site, $line->switch);
                } elseif ($line->fate === LineFate::NewSwitch) {
                    $opener->addSwitch($made[$name] ?? Site::query()->findOrFail($line->siteId), $line->switch);
                }
            }
        });
    }

    private static function nameOf(TransferSwitch $switch): string
    {
        return $switch->name;
    }

    /** @param array<string, string> $cells */
    private function line(int $number, array $cells): SiteLine
    {
        [$site, $faults] = $this->site($cells);
        [$switch, $more] = self::switch($cells);
        $faults += $more;
        $name = mb_strtolower($cells[SiteField::Name->value] ?? '');
        $known = $this->known[$name] ?? null;
        if ($known !== null && $name !== '') {
            $address = mb_strtolower($cells[SiteField::Address->value] ?? '');
            $isOther = $address !== '' && $known['address'] !== '' && $address !== $known['address'];
            if ($isOther) {
                $faults[SiteField::Name->value] = 'A site of this name has another address: give one of them another name.';
            } elseif (! isset($switch['name']) || in_array(mb_strtolower($switch['name']), $known['switches'], true)) {
                return $known['number'] > 0 && $faults === []
                    ? new SiteLine($number, LineFate::Faulty, $cells, [SiteField::Name->value => "The same as line {$known['number']}."])
                    : new SiteLine($number, $faults === [] ? LineFate::There : LineFate::Faulty, $cells, $faults);
            }
        }
        if ($faults !== []) {
            return new SiteLine($number, LineFate::Faulty, $cells, $faults);
        }
        $switch += ['name' => 'Q1'];
        if ($known !== null) {
            $this->known[$name]['switches'][] = mb_strtolower($switch['name']);

            return new SiteLine($number, LineFate::NewSwitch, $cells, [], [], $switch, $known['id']);
        }
        $this->known[$name] = ['id' => null, 'address' => mb_strtolower((string) ($site['address'] ?? '')), 'number' => $number,
            'switches' => [mb_strtolower($switch['name'])],
        ];

        return new SiteLine($number, LineFate::NewSite, $cells, [], $site, $switch);
    }

    /**
     * @param array<string, string> $cells
     *
     * @return array{array<string, mixed>, array<string, string>} columns of a site, and faults by field
     */
    private function site(array $cells): array
    {
        $word = $cells[SiteField::Kind->value] ?? '';
        $kind = $word === '' ? $this->usual['installation'] : $this->columns->kind($word);
        $units = mb_strtolower($cells[SiteField::Units->value] ?? '');
        $typed = ['installation' => ($kind ?? $this->usual['installation'])->value];
        $typed['units'] = $units === '' ? $this->usual['units'] : $units;
        foreach ([SiteField::Name, SiteField::Address, SiteField::Owner, SiteField::Timezone, SiteField::Service, SiteField::Elevation,
            SiteField::Notes] as $field) {
            $typed[$field->value] = ($cells[$field->value] ?? '') === '' ? null : $cells[$field->value];
        }
        $typed['timezone'] ??= $this->usual['timezone'];
        $form = SiteRequest::create('/', 'POST', $typed);
        $check = Validator::make($typed, $form->rules(), $form->messages() + ['units.in' => 'Units are us or metric.']);
        $faults = array_map(static fn(array $messages): string => (string) $messages[0], $check->errors()->toArray());
        if ($kind === null) {
            $faults[SiteField::Kind->value] = "Say above what \"$word\" is.";
        }
        if ($faults !== []) {
            return [[], $faults];
        }

        return [['installation' => $kind] + $form->columns($check->validated()), []];
    }

    /**
     * @param array<string, string> $cells
     *
     * @return array{array<string, mixed>, array<string, string>} columns of the switch, and faults by field
     */
    private static function switch(array $cells): array
    {
        $typed = array_filter([
            'switch' => $cells[SiteField::SwitchName->value] ?? '', 'rating_a' => $cells[SiteField::SwitchRating->value] ?? '',
            'rated_kw' => $cells[SiteField::RatedKw->value] ?? '',
        ], static fn(string $cell): bool => $cell !== '');
        $check = Validator::make($typed, [
            'switch' => ['nullable', 'string', 'max:60'], 'rating_a' => ['nullable', 'integer', 'between:1,10000'],
            'rated_kw' => ['nullable', 'numeric', 'between:0.1,100000'],
        ], ['switch.*' => 'A switch has a name of up to 60 characters.', 'rating_a.*' => 'A switch has 1 to 10 000 A.',
            'rated_kw.*' => 'A generator has 0.1 to 100 000 kW.']);
        $faults = array_map(static fn(array $messages): string => (string) $messages[0], $check->errors()->toArray());
        $word = mb_strtolower($cells[SiteField::Fuel->value] ?? '');
        $fuel = self::fuel($word);
        if ($word !== '' && $fuel === null) {
            $faults[SiteField::Fuel->value] = 'Fuel is one of diesel, natural gas, LP, petrol or battery.';
        } elseif (isset($typed['rated_kw']) && $fuel === null) {
            $faults[SiteField::RatedKw->value] = 'Kilowatts are those of a fuel: a column of fuel is needed.';
        }

        return [array_filter([
            'name' => $typed['switch'] ?? null, 'rating_a' => isset($typed['rating_a']) ? (int) $typed['rating_a'] : null, 'fuel' => $fuel,
            'rated_kw' => $fuel !== null && isset($typed['rated_kw']) ? [$fuel->value => (float) $typed['rated_kw']] : null,
        ], static fn(mixed $value): bool => $value !== null), $faults];
    }

    private static function fuel(string $word): ?Fuel
    {
        foreach (Fuel::cases() as $fuel) {
            $also = match ($fuel) {
                Fuel::NaturalGas => ['gas', 'ng'], Fuel::Lp => ['propane', 'lpg'], Fuel::Petrol => ['gasoline'], default => [],
            };
            if (in_array($word, [$fuel->value, mb_strtolower($fuel->label()), ...$also], true)) {
                return $fuel;
            }
        }

        return null;
    }
}
