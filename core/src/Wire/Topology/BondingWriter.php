<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Topology;

use Escapement\Core\Topology\BondElement;
use Escapement\Core\Topology\BondModel;

/** Writes a bonding model as `bonding` takes it: what BondingReader reads as the same model. What is usual is left out. */
final readonly class BondingWriter
{
    /** @return array{phases: int, elements: list<array<string, mixed>>} */
    public function model(BondModel $model): array
    {
        return ['phases' => $model->phases, 'elements' => array_map(self::element(...), array_values($model->elements))];
    }

    /** @return array<string, mixed> */
    private static function element(BondElement $e): array
    {
        return ['id' => $e->id, 'type' => $e->type] + match ($e->type) {
            'source' => self::source($e),
            'switch' => [
                'neutral' => $e->isOverlapping ? 'overlapping' : ($e->isSwitched ? 'switched' : 'solid'),
                'normal_from' => $e->from, 'emergency_from' => $e->emergencyFrom,
            ] + self::unless(true, [
                'normal_neutral' => $e->hasNeutral, 'normal_ground' => $e->hasGround,
                'emergency_neutral' => $e->hasEmergencyNeutral, 'emergency_ground' => $e->hasEmergencyGround,
            ]) + self::unless(false, ['service_rated' => $e->isServiceRated]) + self::bond($e),
            default => ['from' => $e->from]
                + self::unless(true, ['feed_neutral' => $e->hasNeutral, 'feed_ground' => $e->hasGround])
                + ($e->type === 'load' ? self::unless(true, ['needs_neutral' => $e->needsNeutral]) : [])
                + ($e->type === 'disconnect' || $e->type === 'panel'
                    ? self::unless(false, ['service' => $e->isService]) + self::bond($e) : [])
                + ($e->type === 'panel' ? self::bars($e) : []),
        };
    }

    /** @return array<string, mixed> of an outside supply the bond follows from what it is */
    private static function source(BondElement $e): array
    {
        return ['kind' => $e->kind] + ($e->kind === 'utility' || $e->kind === 'shore' ? [] : self::unless(false, [
            'bond' => $e->isBonded, 'bond_fixed' => $e->isFixed,
        ])) + ($e->earthing === 'tn-c-s' ? [] : ['earthing' => $e->earthing]) + self::unless(false, [
            'bond_plug' => $e->hasPlug, 'floating_by_design' => $e->isFloatingByDesign, 'gfci' => $e->hasGfci,
            'electrode' => $e->hasElectrode,
        ]) + self::unless(true, ['permanent' => $e->isPermanent]);
    }

    /** @return array<string, bool> */
    private static function bond(BondElement $e): array
    {
        return self::unless(false, ['bond' => $e->isBonded, 'bond_fixed' => $e->isFixed, 'electrode' => $e->hasElectrode]);
    }

    /** @return array<string, bool|int> */
    private static function bars(BondElement $e): array
    {
        return self::unless(false, ['mobile' => $e->isMobile, 'bars_combined' => $e->isCombined]) + array_filter([
            'grounds_on_neutral_bar' => $e->groundsOnNeutralBar, 'neutrals_on_ground_bar' => $e->neutralsOnGroundBar,
            'ground_bar_free' => $e->groundBarFree,
        ], static fn(int $count): bool => $count !== 0);
    }

    /**
     * @param array<string, bool> $fields
     *
     * @return array<string, bool> those that are not as usual
     */
    private static function unless(bool $usual, array $fields): array
    {
        return array_filter($fields, static fn(bool $value): bool => $value !== $usual);
    }
}
