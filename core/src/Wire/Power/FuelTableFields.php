<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Power\Fuel\FuelUse;

/** The maker's table of consumption as it goes on the wire, under the names that a calculation gives it. Rule: docs/rules.md#fuel. */
final readonly class FuelTableFields
{
    private const UNITS = [
        'diesel' => ['l_h', 'gal_h'],
        'petrol' => ['l_h', 'gal_h'],
        'natural_gas' => ['ft3_h', 'm3_h', 'btuh'],
        'lp' => ['l_h', 'gal_h', 'ft3_h', 'm3_h', 'btuh'],
    ];

    /** @param null|list<array{float, float}> $points load in percent of rated, and rate */
    private function __construct(private Fields $in, private string $key, private ?array $points, private ?string $unit) {}

    public static function read(Fields $in, string $key = 'table'): self
    {
        $points = null;
        foreach ($in->maybeList($key, 2, 12) ?? [] as $node) {
            $row = (new Fields($node))->only(['load_pct', 'rate']);
            $points[] = [$row->number('load_pct', 0, 120), $row->n0('rate')];
        }

        return new self($in, $key, $points, $in->maybeOneOf("{$key}_unit", self::UNITS['lp']));
    }

    /** @throws BadInput where the table does not rise, or does not fit its unit or the fuel */
    public function check(string $fuel): void
    {
        if ($this->points === null && $this->unit !== null) {
            throw $this->in->at($this->key)->bad('A table and its unit belong together.');
        }
        foreach ($this->points ?? [] as $i => [$pct]) {
            if ($i > 0 && $pct <= ($this->points[$i - 1][0] ?? 0)) {
                throw $this->in->at($this->key)->at($i, null)->at('load_pct', null)->bad('The loads of the table must rise.');
            }
        }
        if ($this->points !== null && $this->unit === null) {
            throw $this->in->at("{$this->key}_unit")->bad('A table and its unit belong together.');
        }
        if ($this->unit !== null && ! in_array($this->unit, self::UNITS[$fuel], true)) {
            throw $this->in->at("{$this->key}_unit")->bad('This fuel is measured in: ' . implode(', ', self::UNITS[$fuel]) . '.');
        }
    }

    /** Of the maker's table, or a generic one. */
    public function use(string $fuel, float $ratedKw, ?float $btuPerFt3 = null): FuelUse
    {
        $btuPerFt3 ??= FuelUse::usualBtuPerFt3($fuel);

        return $this->points === null
            ? FuelUse::generic($fuel, $ratedKw, $btuPerFt3)
            : new FuelUse($fuel, $this->points, (string) $this->unit, $btuPerFt3);
    }
}
