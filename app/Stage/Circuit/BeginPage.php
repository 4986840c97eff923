<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\CircuitTemplate;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\RelayLogic\StandardCircuits;
use Illuminate\Database\Eloquent\Collection;

/** Where a switch has no circuit yet: what to begin with. */
final readonly class BeginPage
{
    public SiteStanding $standing;

    /** @var Collection<int, CircuitTemplate> the company's own */
    public Collection $own;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->own = CircuitTemplate::query()->get()->sortBy('name')->values();
    }

    /** @return array<string, array{name: string, sentence: string, fits: bool}> those of this installation type first */
    public function standard(): array
    {
        $kind = $this->switch->site->installation->value;
        $all = array_map(static fn(array $one): array => [
            'name' => $one['name'], 'sentence' => $one['sentence'], 'fits' => in_array($kind, $one['kinds'], true),
        ], StandardCircuits::all());
        uasort($all, static fn(array $a, array $b): int => $b['fits'] <=> $a['fits']);

        return $all;
    }
}
