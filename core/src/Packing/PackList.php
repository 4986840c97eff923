<?php

declare(strict_types=1);

namespace Escapement\Core\Packing;

use Escapement\Core\Landing\Entry;
use Escapement\Core\Landing\Feeder;
use Escapement\Core\Template\InstallationKind;

/**
 * What has to be in the van, from the schedule of wires. Rule: field notes P13, and the drive back for a missing fitting.
 *
 * Of each kind of material a tenth more is packed, pieces rounded up; of each conductor two metres an end are added first,
 * for the bends inside the enclosures.
 */
final readonly class PackList
{
    private const SPARE = 1.1;
    private const IN_ENCLOSURE_M = 2.0;
    private const METALS = ['cu' => 'copper', 'al' => 'aluminium'];
    private const TORQUE_TOOL = 'Torque tool';
    private const RACEWAYS = ['emt' => 'EMT', 'rmc' => 'RMC', 'pvc40' => 'PVC 40', 'pvc80' => 'PVC 80', 'lfmc' => 'LFMC'];

    /**
     * @param list<Feeder>                         $feeders
     * @param int                                  $grounds  conductors that change to a ground bar
     * @param int                                  $controls control conductors
     * @param list<string>                         $sockets  hexagon sockets that the lugs ask for, inches
     * @param list<array{name: string, quantity: string}> $own
     */
    public function __construct(
        private InstallationKind $kind,
        private array $feeders,
        private int $grounds = 0,
        private int $controls = 0,
        private array $sockets = [],
        private bool $isThreePhase = false,
        private bool $burnsGas = false,
        private array $own = [],
    ) {}

    /** The key of the tool that lugs are torqued with: what is known of its calibration stands under it. */
    public static function torqueToolKey(): string
    {
        return self::key(PackGroup::Gear, self::TORQUE_TOOL);
    }

    /** @return list<PackLine> */
    public function lines(): array
    {
        return [...$this->conductors(), ...$this->fittings(), ...$this->smallThings(), ...$this->tools(), ...$this->gear(), ...$this->forms(), ...$this->others()];
    }

    /** @return list<PackLine> */
    private function conductors(): array
    {
        $metres = [];
        foreach ($this->feeders as $feeder) {
            $each = $feeder->lengthM + 2 * self::IN_ENCLOSURE_M;
            $metal = self::METALS[$feeder->material] ?? $feeder->material;
            $add = static function (string $name, float $more) use (&$metres): void {
                $metres[$name] = ($metres[$name] ?? 0.0) + $more;
            };
            $add("Conductor $feeder->size, $metal", (count($feeder->phases) + 1) * $feeder->sets * $each);
            if ($feeder->egc !== null) {
                $add("Grounding conductor $feeder->egc, $metal", $feeder->sets * $each);
            }
            $add((self::RACEWAYS[$feeder->raceway] ?? $feeder->raceway) . ", trade size $feeder->tradeSize", $feeder->sets * $feeder->lengthM);
        }
        $lines = [];
        foreach ($metres as $name => $length) {
            $lines[] = self::line(PackGroup::Material, $name, self::SPARE * $length, 'm', str_contains($name, 'onductor') ? 'by the schedule, with its ends in the enclosures, a tenth more' : 'by the schedule, a tenth more');
        }

        return $lines;
    }

    /** @return list<PackLine> */
    private function fittings(): array
    {
        $pieces = [];
        foreach (Entry::of($this->feeders) as $entry) {
            $pieces["$entry->connector, trade size $entry->tradeSize"] = ($pieces["$entry->connector, trade size $entry->tradeSize"] ?? 0) + $entry->pieces;
            if ($entry->isBushed) {
                $pieces["Insulating bushing, trade size $entry->tradeSize"] = ($pieces["Insulating bushing, trade size $entry->tradeSize"] ?? 0) + $entry->pieces;
            }
        }
        if ($this->kind->isMobile() || $this->kind === InstallationKind::PlugInBox) {
            $pieces['Strain relief for the cords'] = 2;
        }

        return array_map(static fn(string $name, int $count): PackLine => self::line(PackGroup::Material, $name, ceil(round(self::SPARE * $count, 6)), '', "$count needed, a tenth more"), array_keys($pieces), $pieces);
    }

    /** @return list<PackLine> */
    private function smallThings(): array
    {
        $lines = [self::line(PackGroup::Material, 'Tape, white, red and green', 3, '', 'to mark conductors that come in black'), self::line(PackGroup::Material, 'Labels: source, disconnect, what stays live', 1, 'set', 'the next one reads them first')];
        if ($this->grounds > 0) {
            $lines[] = self::line(PackGroup::Material, 'Ground bar with screws', ceil(self::SPARE * $this->grounds), 'places', "$this->grounds grounds change bars");
        }
        if ($this->controls > 0) {
            $lines[] = self::line(PackGroup::Material, 'Ferrules or forks', ceil(self::SPARE * 2 * $this->controls), '', 'both ends of each control conductor');
        }
        if (in_array('al', array_map(static fn(Feeder $feeder): string => $feeder->material, $this->feeders), true)) {
            $lines[] = self::line(PackGroup::Material, 'Joint compound for aluminium', 1, '', 'where the maker of the lug asks for it');
        }
        $lines[] = self::line(PackGroup::Material, 'Duct seal', 1, '', 'openings to outdoors and up from the ground');

        return $lines;
    }

    /** @return list<PackLine> */
    private function tools(): array
    {
        $lines = [
            self::line(PackGroup::Tool, 'Locks, tags and hasp', 2, '', 'one for each source'), self::line(PackGroup::Tool, 'Cable cutter and stripper', 1, '', 'for the largest size of the schedule'),
            self::line(PackGroup::Tool, 'Knock-out set', 1, '', 'for the trade sizes of the entries'), self::line(PackGroup::Tool, 'Fish tape and pulling soap', 1, '', ''), self::line(PackGroup::Tool, 'Paint marker', 1, '', 'a witness mark on each lug'),
        ];
        foreach ($this->sockets as $socket) {
            $lines[] = self::line(PackGroup::Tool, "Hexagon bit $socket in", 1, '', 'for the lugs of the landing list');
        }

        return $lines;
    }

    /** @return list<PackLine> */
    private function gear(): array
    {
        $gauge = static fn(string $name, string $why): PackLine => new PackLine(self::key(PackGroup::Gear, $name), PackGroup::Gear, $name, 1, '', $why, true);
        $lines = [
            new PackLine(self::key(PackGroup::Gear, 'Voltage tester and proving unit'), PackGroup::Gear, 'Voltage tester and proving unit', 1, '', 'proved before and after each proof of dead'),
            $gauge(self::TORQUE_TOOL, 'every lug, to the maker\'s value'), $gauge('Multimeter', 'voltage and frequency on each leg'), $gauge('Clamp meter', 'what each leg carries on the generator'), $gauge('Insulation tester', 'feeders, before they are energised'),
        ];
        if ($this->isThreePhase) {
            $lines[] = $gauge('Phase order meter', 'both sources turn the same way');
        }
        if ($this->burnsGas) {
            $lines[] = $gauge('Manometer', 'gas pressure at rest and under load');
        }
        $lines[] = new PackLine(self::key(PackGroup::Gear, 'Phone, charged: the stopwatch'), PackGroup::Gear, 'Phone, charged: the stopwatch', 1, '', 'with this site opened once while there is a network');

        return $lines;
    }

    /** @return list<PackLine> */
    private function forms(): array
    {
        return array_map(static fn(array $one): PackLine => self::line(PackGroup::Form, $one[0], null, '', $one[1]), [
            ['Maker\'s instructions of switch and generator', 'they come before any list'], ['Permit and the code edition in force', 'the authority says what it wants to see'],
            ...($this->kind->isMobile() ? [] : [['The hour agreed with the utility or the owner upstream', 'the line side stays live until they open']]),
            ['The owner has been told when it is dark', 'and who depends on medical equipment'], ['Settings sheet and plan, printed', 'paper needs no battery'],
        ]);
    }

    /** @return list<PackLine> */
    private function others(): array
    {
        return array_map(static fn(array $one): PackLine => new PackLine(self::key(PackGroup::Own, $one['name']), PackGroup::Own, $one['name'], is_numeric($one['quantity']) ? (float) $one['quantity'] : null, '', ''), $this->own);
    }

    private static function line(PackGroup $group, string $name, ?float $quantity, string $unit, string $why): PackLine
    {
        return new PackLine(self::key($group, $name), $group, $name, $quantity, $unit, $why);
    }

    private static function key(PackGroup $group, string $name): string
    {
        return $group->value . '-' . substr(hash('sha256', $name), 0, 12);
    }
}
