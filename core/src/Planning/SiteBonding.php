<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Topology\BondElement;
use Escapement\Core\Topology\BondingCheck;
use Escapement\Core\Topology\BondModel;
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
        $answer = BondingCheck::of($this->model())->answer();
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

    /** Neutrals, grounds and bonds as they stand today. */
    public function model(): BondModel
    {
        $in = $this->plan->in;
        $elements = [];
        foreach ($this->plan->chain() as $part) {
            $elements[$part->id] = $this->element($part);
        }
        foreach ($in->loads as $i => $load) {
            $one = new BondElement('load-' . ($i + 1), 'load');
            $one->from = $this->plan->panelOf($i, $load);
            $one->needsNeutral = count($load->phases()) === 1;
            $elements[$one->id] = $one;
        }

        return new BondModel(LegSystem::of($in->system, $in->vLn)->legs(), $elements);
    }

    private function element(PlanPart $part): BondElement
    {
        $drawn = $part->element;
        $one = new BondElement($part->id, $part->type === 'meter' ? 'inlet' : $part->type);
        $feeds = array_map(static fn(string $feeder): string => explode('.', $feeder)[0], array_values($part->from));
        $one->from = $feeds[0] ?? '';
        $one->emergencyFrom = $feeds[1] ?? '';
        $one->isService = $drawn->isService;
        $one->hasElectrode = in_array($part->type, ['panel', 'disconnect'], true) && $this->hasElectrode($part->id);
        if ($part->type === 'source') {
            $this->putSource($one, $drawn->kind);
        } elseif ($part->type === 'switch') {
            $one->isSwitched = $this->sharesNeutralOnTheRoad() || $drawn->switchesNeutral();
            $one->isServiceRated = $drawn->isServiceRated;
        } elseif ($part->type === 'panel') {
            $this->putBars($one);
        } elseif ($part->type === 'disconnect') {
            $one->isBonded = $drawn->isService && $this->isDisconnectBonded($part->id);
        }

        return $one;
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
            if ($part->type === 'disconnect' && $part->element->isService) {
                return $part->id;
            }
        }

        return null;
    }

    private function isDisconnectBonded(string $id): bool
    {
        return ($id === 'q2' ? $this->plan->in->isGeneratorBonded : $this->plan->in->isServiceBonded) === true;
    }

    /** A set that stays at its place is a source of its own, with an electrode. */
    private function putSource(BondElement $one, string $kind): void
    {
        $one->kind = $kind;
        if ($one->isMachine()) {
            $one->isBonded = $this->plan->in->isGeneratorBonded === true;
            $one->isFixed = $this->plan->kind->isMobile() && $one->isBonded;
            $one->isPermanent = ! $this->plan->kind->isPortable();
        }
        $one->comesBonded();
    }

    /** How neutral and ground stand in a panel today. */
    private function putBars(BondElement $one): void
    {
        $in = $this->plan->in;
        $one->isBonded = $this->isPanelBonded($one->id);
        if (! $this->isWork($one->id) && ! $this->isSubPanel($one->id)) {
            $one->isMobile = $in->kind->isMobile();
            $one->groundsOnNeutralBar = $in->groundsOnNeutralBar;
            $one->groundBarFree = $in->groundBarFree;
        }
    }

    /** A panel that the work brings is not bonded. */
    private function isPanelBonded(string $id): bool
    {
        foreach ($this->plan->in->subPanels as $sub) {
            if ($sub->id === $id) {
                return $sub->isBonded === true;
            }
        }

        return ! $this->isWork($id) && $this->plan->in->isPanelBonded === true;
    }

    private function isSubPanel(string $id): bool
    {
        return in_array($id, array_map(static fn(SubPanel $sub): string => $sub->id, $this->plan->in->subPanels), true);
    }

    private function isWork(string $panel): bool
    {
        return $panel === 'crit' || $panel === 'box';
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
                $part->type === 'disconnect' => $part->element->isService && $this->isDisconnectBonded($part->id),
                $part->type === 'panel' => $this->isPanelBonded($part->id),
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
