<?php

declare(strict_types=1);

namespace Escapement\Core\Materials;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\Entry;
use Escapement\Core\Terminations\Feeder;

/**
 * What has to be in the van, from the schedule of wires. Rule: docs/rules.md#materials, and the drive back for a missing fitting.
 *
 * Of each kind of material a tenth more is packed, pieces rounded up; of each conductor two metres an end are added first,
 * for the bends inside the enclosures.
 */
final readonly class MaterialsList
{
    private const SPARE = 1.1;
    private const IN_ENCLOSURE_M = 2.0;
    private const METALS = ['cu' => 'copper', 'al' => 'aluminum'];
    private const TORQUE_TOOL = 'torque-tool';
    private const RACEWAYS = [
        'emt' => 'EMT',
        'rmc' => 'RMC',
        'imc' => 'IMC',
        'pvc40' => 'PVC 40',
        'pvc80' => 'PVC 80',
        'fmc' => 'FMC',
        'lfmc' => 'LFMC',
        'lfnc' => 'LFNC',
        'ent' => 'ENT',
    ];
    /** Test gear with a date of calibration. */
    private const GAUGES = [
        'torque-tool',
        'low-ohm-meter',
        'multimeter',
        'clamp-meter',
        'insulation-tester',
        'rotation-meter',
        'manometer',
    ];

    /** @var array<string, array{string, string, string}> group, name and why by id */
    private array $words;

    /**
     * @param list<Feeder>                                     $feeders
     * @param int                                              $groundsMoved conductors that change to a ground bar
     * @param int                                              $controls     control conductors
     * @param list<string>                                     $sockets      hexagon sockets that the lugs ask for, inches
     * @param list<array{name: string, quantity: string}>      $own
     * @param int                                              $locks        counted from the sources: see LockCount
     * @param ?array<string, array{string, string, string}>    $words        instead of those in core/data/materials.php
     */
    public function __construct(
        private InstallationKind $kind,
        private array $feeders,
        private int $groundsMoved = 0,
        private int $controls = 0,
        private array $sockets = [],
        private bool $isThreePhase = false,
        private bool $burnsGas = false,
        private array $own = [],
        ?array $words = null,
        private int $locks = 2,
    ) {
        /** @var array<string, array{string, string, string}> $usual */
        $usual = require __DIR__ . '/../../data/materials.php';
        $this->words = $words ?? $usual;
    }

    /** The key of the tool that lugs are torqued with: what is known of its calibration stands under it. */
    public static function torqueToolKey(): string
    {
        return 'gear-' . self::TORQUE_TOOL;
    }

    /** @return list<MaterialLine> */
    public function lines(): array
    {
        return [
            ...$this->conductors(),
            ...$this->fittings(),
            ...$this->smallThings(),
            ...$this->tools(),
            ...$this->protection(),
            ...$this->gear(),
            ...$this->forms(),
            ...$this->others(),
        ];
    }

    /** @return list<MaterialLine> */
    private function conductors(): array
    {
        $lines = [];
        foreach ($this->lengths() as [$id, $what, $metres]) {
            $line = $this->line($id, $metres, 'm', $what);
            $lines[$line->key] = isset($lines[$line->key]) ? $lines[$line->key]->more($metres) : $line;
        }

        return array_values($lines);
    }

    /** @return iterable<array{string, array<string, string>, float}> id, what makes it this thing, metres with their spare */
    private function lengths(): iterable
    {
        foreach ($this->feeders as $feeder) {
            $each = self::SPARE * ($feeder->lengthM + 2 * self::IN_ENCLOSURE_M);
            yield [
                'conductor',
                ['size' => $feeder->size, 'metal' => $feeder->material],
                (count($feeder->phases) + 1) * $feeder->sets * $each,
            ];
            if ($feeder->egc !== null) {
                yield ['grounding-conductor', ['size' => $feeder->egc, 'metal' => $feeder->material], $feeder->sets * $each];
            }
            yield [
                'raceway',
                ['raceway' => $feeder->raceway, 'size' => $feeder->tradeSize],
                self::SPARE * $feeder->sets * $feeder->lengthM,
            ];
        }
    }

    /** @return list<MaterialLine> */
    private function fittings(): array
    {
        $counts = [];
        foreach ($this->pieces() as [$id, $what, $count]) {
            $key = json_encode([$id, $what], JSON_THROW_ON_ERROR);
            $counts[$key] = [$id, $what, ($counts[$key][2] ?? 0) + $count];
        }

        return array_values(array_map(
            fn(array $one): MaterialLine => $this->line($one[0], self::withSpare($one[2]), '', $one[1], $one[2]),
            $counts,
        ));
    }

    /** @return iterable<array{string, array<string, string>, int}> id, what makes it this thing, how many */
    private function pieces(): iterable
    {
        foreach (Entry::of($this->feeders) as $entry) {
            yield ['connector', ['connector' => $entry->connectorId, 'size' => $entry->tradeSize], $entry->pieces];
            if ($entry->isBushed) {
                yield ['bushing', ['size' => $entry->tradeSize], $entry->pieces];
            }
        }
        if ($this->kind->isMobile() || $this->kind === InstallationKind::PlugInBox) {
            yield ['strain-relief', [], 2];
        }
    }

    /** @return list<MaterialLine> */
    private function smallThings(): array
    {
        $lines = [$this->line('tape', 3), $this->line('labels', 1, 'set')];
        if ($this->groundsMoved > 0) {
            $lines[] = $this->line('ground-bar', self::withSpare($this->groundsMoved), 'places', count: $this->groundsMoved);
        }
        if ($this->controls > 0) {
            $lines[] = $this->line('ferrules', self::withSpare(2 * $this->controls));
        }
        if (in_array('al', array_map(static fn(Feeder $feeder): string => $feeder->material, $this->feeders), true)) {
            $lines[] = $this->line('joint-compound', 1);
        }
        $lines[] = $this->line('duct-seal', 1);

        return $lines;
    }

    /** @return list<MaterialLine> */
    private function tools(): array
    {
        $lines = [
            $this->line('locks', $this->locks, count: $this->locks),
            ...array_map(fn(string $id): MaterialLine => $this->line($id, 1), ['cutter', 'knock-out', 'fish-tape', 'paint-marker']),
        ];
        foreach ($this->sockets as $socket) {
            $lines[] = $this->line('hexagon-bit', 1, '', ['size' => $socket]);
        }

        return $lines;
    }

    /** @return list<MaterialLine> */
    private function gear(): array
    {
        $ids = [
            'voltage-tester',
            ...($this->kind->isMobile() || $this->isThreePhase ? ['low-ohm-meter'] : []),
            self::TORQUE_TOOL,
            'multimeter',
            'clamp-meter',
            'insulation-tester',
            ...($this->isThreePhase ? ['rotation-meter', 'phase-loss-set'] : []), ...($this->burnsGas ? ['manometer'] : []), 'phone',
        ];

        return array_map(fn(string $id): MaterialLine => $this->line($id, 1), $ids);
    }

    /** @return list<MaterialLine> what the hazards of the steps ask for */
    private function protection(): array
    {
        $ids = [
            'arc-clothing',
            'gloves',
            'eye-hearing',
            ...($this->kind->hasGenerator() ? ['co-meter', 'extinguisher'] : []),
            'insulated-tools',
        ];

        return array_map(fn(string $id): MaterialLine => $this->line($id, 1), $ids);
    }

    /** @return list<MaterialLine> */
    private function forms(): array
    {
        $ids = ['instructions', 'permit', ...($this->kind->isMobile() ? [] : ['hour-agreed']), 'owner-told', 'paper'];

        return array_map(fn(string $id): MaterialLine => $this->line($id, null), $ids);
    }

    /** @return list<MaterialLine> what somebody added: its name is its own, and its identity */
    private function others(): array
    {
        return array_map(static fn(array $one): MaterialLine => new MaterialLine(
            MaterialGroup::Own->value . '-' . substr(hash('sha256', $one['name']), 0, 12),
            MaterialGroup::Own,
            $one['name'],
            is_numeric($one['quantity']) ? (float) $one['quantity'] : null,
            '',
            '',
        ), $this->own);
    }

    /** @param array<string, string> $what the figures that make it this thing and no other */
    private function line(string $id, ?float $quantity, string $unit = '', array $what = [], int $count = 0): MaterialLine
    {
        [$group, $name, $why] = $this->words[$id];
        $group = MaterialGroup::from($group);
        $words = ['{count}' => (string) $count];
        foreach ($what as $key => $value) {
            $words["{{$key}}"] = match ($key) {
                'metal' => self::METALS[$value] ?? $value,
                'raceway' => self::RACEWAYS[$value] ?? $value,
                'connector' => Entry::connectorName($value),
                default => $value,
            };
        }
        $key = implode('-', [$group->value, $id, ...array_map(self::slug(...), array_values($what))]);

        return new MaterialLine(
            $key,
            $group,
            strtr($name, $words),
            $quantity,
            $unit,
            strtr($why, $words),
            in_array($id, self::GAUGES, true),
        );
    }

    private static function withSpare(int $count): float
    {
        return ceil(round(self::SPARE * $count, 6));
    }

    /** 1-1/4 and 1/4 stay apart, and a key stays readable. */
    private static function slug(string $value): string
    {
        return trim((string) preg_replace('/[^a-z0-9]+/', '-', strtr(mb_strtolower($value), ['/' => 'over'])), '-');
    }
}
