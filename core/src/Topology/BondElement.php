<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * One element of the bonding model. Which fields mean anything depends on its type; the reader has checked them.
 *
 * Mutable, because the proposal is worked out on a copy: neutrals run, bonds moved, until every position is sound.
 */
final class BondElement
{
    public string $kind = '';
    public string $from = '';
    public string $emergencyFrom = '';
    public bool $hasNeutral = true;
    public bool $hasGround = true;
    public bool $hasEmergencyNeutral = true;
    public bool $hasEmergencyGround = true;
    public bool $needsNeutral = true;
    public bool $isSwitched = false;
    /** Both neutrals are joined for a moment while it moves. */
    public bool $isOverlapping = false;
    public bool $isServiceRated = false;
    public bool $isService = false;
    public bool $isBonded = false;
    public bool $isFixed = false;
    public bool $hasPlug = false;
    public string $earthing = 'tn-c-s';
    public bool $isFloatingByDesign = false;
    public bool $hasGfci = false;
    public bool $isPermanent = true;
    public bool $hasElectrode = false;
    public bool $isMobile = false;
    public bool $isCombined = false;
    public int $groundsOnNeutralBar = 0;
    public int $neutralsOnGroundBar = 0;
    public int $groundBarFree = 0;

    public function __construct(public readonly string $id, public readonly string $type) {}

    /** Of a supply from outside, the bond is what the supply brings, whatever else is said of it. */
    public function comesBonded(): void
    {
        if ($this->kind === 'utility') {
            $this->isBonded = $this->earthing === 'tn-s'; // its protective conductor comes bonded; of tn-c-s the bond is at home
            $this->isFixed = $this->isBonded;
        } elseif ($this->kind === 'shore') {
            $this->isBonded = $this->isFixed = true;
        }
    }

    /** Neutral and ground really touch here, by whatever means. */
    public function touches(): bool
    {
        return $this->isBonded || $this->isMixed();
    }

    public function isMixed(): bool
    {
        return $this->isCombined || $this->groundsOnNeutralBar > 0 || $this->neutralsOnGroundBar > 0;
    }

    public function isTnCs(): bool
    {
        return $this->kind === 'utility' && $this->earthing === 'tn-c-s';
    }

    public function isMachine(): bool
    {
        return $this->kind === 'generator' || $this->kind === 'inverter';
    }

    /** The neutral node that what it feeds hangs on. */
    public function feedNode(): string
    {
        return $this->isSwitched ? "$this->id.load" : $this->id;
    }

    /** The neutral node that its own bond sits on. */
    public function bondNode(): string
    {
        return $this->isSwitched ? "$this->id.normal" : $this->id;
    }

    /** @return list<string> */
    public function feeders(): array
    {
        return match ($this->type) {
            'source' => [],
            'switch' => [$this->from, $this->emergencyFrom],
            default => [$this->from],
        };
    }
}
