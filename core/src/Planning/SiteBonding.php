<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Topology\BondingCheck;
use Escapement\Core\Topology\BondMove;
use Escapement\Core\Topology\ElementNames;

/**
 * Which bonds of an installation move, and which cannot be said yet. A bond that nobody looked at is not known: then nothing
 * is proposed. The panel of a vehicle is never bonded: each supply is bonded ashore or at its own generator or inverter,
 * and the switch switches the neutral, so that pulling the shore cord never leaves the vehicle without a bond.
 * Rule: docs/rules.md#bonding.
 */
final readonly class SiteBonding
{
    private const ELECTRODE_ACTIONS = ['add-electrode-conductor', 'move-electrode-conductor', 'remove-electrode-conductor'];
    private const ELECTRODE_FINDINGS = ['electrode-missing', 'electrode-misplaced'];

    /** @var list<string> labels of what has to be looked at before anything is proposed; empty when all is known */
    public array $unknown;
    /** @var list<Finding> */
    public array $findings;
    /** @var array<string, mixed> what `bonding` answers; without actions while something is not known */
    public array $values;

    public function __construct(private SitePlan $plan)
    {
        $this->unknown = array_map(strval(...), array_keys(array_filter($this->facts(), static fn(?bool $fact): bool => $fact === null)));
        if ($this->unknown !== []) {
            $this->values = ['bonds_present' => $this->presentAsKnown(), 'bonds_wanted' => [], 'panel_work' => [], 'actions' => []];
            $this->findings = [
                Register::finding('bonds-not-surveyed', ['what' => implode(', ', $this->unknown)]),
                ...($this->isVehiclePanelBonded() ? [Register::finding('mobile-panel-bonded', at: 'panel')] : []),
            ];

            return;
        }
        $answer = BondingCheck::read(Node::fromArray($this->input()))->answer();
        $values = $answer->values;
        $actions = array_values(array_filter(
            is_array($values['actions']) ? $values['actions'] : [],
            fn(mixed $action): bool => ! $this->isUnsurveyedElectrode($action),
        ));
        $findings = array_values(array_filter(
            $answer->findings,
            fn(Finding $finding): bool => ! in_array($finding->id, self::ELECTRODE_FINDINGS, true) || $this->isElectrodeKnown($finding->at),
        ));
        if ($this->sharesNeutralOnTheRoad()) {
            array_unshift($actions, ['action' => 'use-switched-neutral', 'at' => 'ats']);
            array_unshift($findings, Register::finding('mobile-neutral-not-switched', at: 'ats'));
        }
        $this->values = ['actions' => $actions] + $values;
        $this->findings = $findings;
    }

    public function isKnown(): bool
    {
        return $this->unknown === [];
    }

    /** @return list<BondMove> in their order */
    public function moves(): array
    {
        return BondMove::of($this->values, new ElementNames($this->plan->names()));
    }

    /**
     * @return list<array{panel: string, role: string, remove_bond: bool, move_grounds: int, ground_positions_short: int,
     *     total_conductors: int, bars: int}> what changes in each panel
     */
    public function panelWork(): array
    {
        /**
         * @var list<array{panel: string, role: string, remove_bond: bool, move_grounds: int, ground_positions_short: int,
         *     total_conductors: int, bars: int}> $work
         */
        $work = is_array($this->values['panel_work']) ? $this->values['panel_work'] : [];

        return $work;
    }

    /** Conductors that change bars. */
    public function groundsToMove(): int
    {
        return array_sum(array_column($this->panelWork(), 'move_grounds'));
    }

    /** @return list<string> elements in which neutral and ground are joined once the work is done */
    public function bondedAfter(): array
    {
        /** @var list<string> $present */
        $present = is_array($this->values['bonds_present']) ? $this->values['bonds_present'] : [];
        $after = array_fill_keys($present, true);
        /** @var list<array{action: string, at: string}> $actions */
        $actions = is_array($this->values['actions']) ? $this->values['actions'] : [];
        foreach ($actions as $action) {
            if ($action['action'] === 'remove-bond' || $action['action'] === 'add-bond') {
                $after[$action['at']] = $action['action'] === 'add-bond';
            }
        }

        return array_map(strval(...), array_keys(array_filter($after)));
    }

    /** @return array{phases: int, elements: list<array<string, mixed>>} the input of `bonding` */
    public function input(): array
    {
        $in = $this->plan->in;
        $elements = [];
        foreach ($this->plan->chain() as $part) {
            $f = $part->fields;
            $feed = array_map(static fn(string $feeder): string => explode('.', $feeder)[0], array_values($part->from));
            $elements[] = ['id' => $part->id, 'type' => $part->type === 'meter' ? 'inlet' : $part->type] + match ($part->type) {
                'source' => ['kind' => $f['kind']] + $this->sourceBond(is_string($f['kind']) ? $f['kind'] : ''),
                'switch' => [
                    'neutral' => $this->sharesNeutralOnTheRoad() ? 'switched' : $f['neutral'], 'normal_from' => $feed[0],
                    'emergency_from' => $feed[1], 'service_rated' => $f['service_rated'],
                ],
                'panel' => [
                    'from' => $feed[0], 'service' => $f['service'] ?? false, 'electrode' => $this->hasElectrode($part->id),
                ] + $this->bars($part->id),
                'disconnect' => [
                    'from' => $feed[0], 'service' => $f['service'] ?? false,
                    'bond' => ($f['service'] ?? false) === true && $this->isDisconnectBonded($part->id),
                    'electrode' => $this->hasElectrode($part->id),
                ],
                default => ['from' => $feed[0]],
            };
        }
        foreach ($in->loads as $i => $load) {
            $elements[] = [
                'id' => 'load-' . ($i + 1), 'type' => 'load', 'from' => $this->plan->panelOf($i, $load),
                'needs_neutral' => count($load->phases()) === 1,
            ];
        }

        return ['phases' => LegSystem::of($in->system, $in->vLn)->legs(), 'elements' => $elements];
    }

    /** @return array<string, ?bool> what the proposal rests on, by its label */
    private function facts(): array
    {
        $in = $this->plan->in;
        $kind = $in->kind;
        $names = $this->plan->names();
        $facts = ['the neutral of the switch' => $in->isNeutralSwitched];
        if ($this->serviceDisconnect() !== null) {
            $facts['the bond in the ' . lcfirst($names[$this->serviceDisconnect()])] = $in->isServiceBonded;
        }
        $facts[$kind->hasGenerator() ? 'the neutral bond of the ' . lcfirst($names['gen'])
            : 'the bond in the second supply disconnect'] = $in->isGeneratorBonded;
        $facts[$kind === InstallationKind::TwoPanels ? 'the bonds in the two panels' : 'the bond in the '
            . lcfirst($names[isset($this->plan->panels()['main']) ? 'main' : 'panel'])] = $in->isPanelBonded;
        foreach ($in->subPanels as $panel) {
            $facts["the bond in $panel->name"] = $panel->isBonded;
        }

        return $facts;
    }

    /** The disconnect ahead of the switch or the panel in which the neutral may be bonded today. */
    private function serviceDisconnect(): ?string
    {
        foreach ($this->plan->chain() as $part) {
            if ($part->type === 'disconnect' && ($part->fields['service'] ?? false) === true) {
                return $part->id;
            }
        }

        return null;
    }

    private function isDisconnectBonded(string $id): bool
    {
        return ($id === 'q2' ? $this->plan->in->isGeneratorBonded : $this->plan->in->isServiceBonded) === true;
    }

    /** @return array<string, mixed> of a source; a set that stays at its place is a source of its own, with an electrode */
    private function sourceBond(string $kind): array
    {
        if ($kind !== 'generator' && $kind !== 'inverter') {
            return [];
        }
        $isMobile = $this->plan->kind->isMobile();
        $isBonded = $this->plan->in->isGeneratorBonded === true;

        return ['bond' => $isBonded, 'bond_fixed' => $isMobile && $isBonded, 'permanent' => ! $this->plan->kind->isPortable()];
    }

    /** @return array<string, mixed> how neutral and ground stand in a panel today; a panel that the work brings is not bonded */
    private function bars(string $panel): array
    {
        $in = $this->plan->in;
        foreach ($in->subPanels as $sub) {
            if ($sub->id === $panel) {
                return ['bond' => $sub->isBonded === true];
            }
        }
        if ($panel === 'crit' || $panel === 'box') {
            return ['bond' => false];
        }

        return [
            'bond' => $in->isPanelBonded === true, 'mobile' => $in->kind->isMobile(),
            'grounds_on_neutral_bar' => $in->groundsOnNeutralBar, 'ground_bar_free' => $in->groundBarFree,
        ];
    }

    /** A solid neutral on a vehicle that has two supplies. */
    private function sharesNeutralOnTheRoad(): bool
    {
        return $this->plan->kind->isMobile() && $this->plan->in->isNeutralSwitched === false;
    }

    /** Where the service stays as it is, so does its electrode; elsewhere it is where somebody saw it. */
    private function hasElectrode(string $id): bool
    {
        $in = $this->plan->in;
        if (in_array($in->kind, [InstallationKind::EssentialCircuits, InstallationKind::PlugInBox], true)) {
            return $id === ($in->upstream === Upstream::Combined ? 'md' : 'main');
        }

        return match ($in->electrodeAt) {
            'panel' => $id === 'panel' || $id === 'panel-a',
            'disconnect' => $id === $this->serviceDisconnect(),
            default => false,
        };
    }

    private function isElectrodeKnown(?string $at): bool
    {
        $in = $this->plan->in;
        if ($at === 'gen') {
            return true; // a source of its own gets its own electrode, whatever the service has
        }

        return $in->electrodeAt === 'panel' || $in->electrodeAt === 'disconnect' || in_array(
            $in->kind,
            [InstallationKind::EssentialCircuits, InstallationKind::PlugInBox],
            true,
        );
    }

    private function isUnsurveyedElectrode(mixed $action): bool
    {
        if (! is_array($action) || ! in_array($action['action'], self::ELECTRODE_ACTIONS, true)) {
            return false;
        }
        $at = $action['at'] ?? null;

        return ! $this->isElectrodeKnown(is_string($at) ? $at : null);
    }

    /** @return list<string> */
    private function presentAsKnown(): array
    {
        $in = $this->plan->in;
        $present = [];
        foreach ($this->plan->chain() as $part) {
            $isPresent = match (true) {
                $part->id === 'gen' => $in->isGeneratorBonded === true,
                $part->type === 'disconnect' => ($part->fields['service'] ?? false) === true && $this->isDisconnectBonded($part->id),
                $part->type === 'panel' => $this->bars($part->id)['bond'] === true,
                default => false,
            };
            if ($isPresent) {
                $present[] = $part->id;
            }
        }

        return $present;
    }

    private function isVehiclePanelBonded(): bool
    {
        return $this->plan->kind->isMobile() && $this->plan->in->isPanelBonded === true;
    }

}
