<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Topology;

use Escapement\Core\Topology\Breaker;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\Link;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\SwitchFacts;

/** Writes a one-line as `topology` takes it: what OneLineReader reads as the same drawing. What is usual is left out. */
final readonly class OneLineWriter
{
    /**
     * @return array{system: string, elements: list<array<string, mixed>>, links: list<array{from: string, to: string}>}
     *     and what else is not usual, as docs/schema/topology.schema.json has it
     */
    public function drawing(OneLine $drawing): array
    {
        return [
            'system' => $drawing->system,
            'elements' => array_map(self::element(...), $drawing->elements),
            'links' => array_map(static fn(Link $link): array => [
                'from' => self::end($link->fromId, $link->fromPort, $drawing->byId[$link->fromId]->outlets()[1]),
                'to' => self::end($link->toId, $link->toPort, $drawing->byId[$link->toId]->inlets()[1]),
            ], $drawing->links),
        ] + self::unusual([
            'interlocks' => array_map(static fn(array $members): array => ['members' => $members], $drawing->interlocks),
            'isolations' => array_map(static fn(array $open): array => ['open' => $open], $drawing->isolations),
            'planned_test_point' => $drawing->plannedTestPoint, 'volts_ll' => $drawing->voltsLl, 'facts' => $drawing->facts,
        ], ['interlocks' => [], 'isolations' => []]);
    }

    private static function end(string $id, string $port, ?string $usual): string
    {
        return $port === $usual ? $id : "$id.$port";
    }

    /** @return array<string, mixed> */
    private static function element(Element $e): array
    {
        return ['id' => $e->id, 'type' => $e->type] + match ($e->type) {
            'source' => ['kind' => $e->kind] + self::unusual([
                'breaker_a' => $e->breakerA, 'available_fault_ka' => $e->faultKa, 'grid_interactive' => $e->isGridInteractive,
                'emergency_stop' => $e->hasEmergencyStop,
            ], ['grid_interactive' => false]),
            'disconnect' => self::unusual([
                'rating_a' => $e->ratingA, 'closed' => $e->isClosed, 'service' => $e->isService, 'load_break' => $e->breaksLoad,
                'aic_ka' => $e->ratings->aicKa, 'fault_ka' => $e->ratings->faultKa, 'gfp' => $e->hasGroundFaultProtection,
            ], ['closed' => true, 'service' => false, 'load_break' => true]),
            'switch' => self::switch($e),
            'panel' => self::panel($e),
            'inlet' => ['rating_a' => $e->ratingA],
            'shed' => self::unusual(['closed' => $e->isClosed], ['closed' => true]),
            'load' => ['phases' => $e->phases] + self::unusual(['va' => $e->va], ['va' => 0]),
            'charger' => self::unusual(['inhibited_by' => $e->inhibitedBy], ['inhibited_by' => []]),
            default => [],
        };
    }

    /** @return array<string, mixed> */
    private static function switch(Element $e): array
    {
        $facts = $e->declared ?? SwitchFacts::unsaid();

        return ['kind' => $e->kind, 'poles' => $e->poles, 'neutral' => $e->neutral] + self::unusual([
            'service_rated' => $e->isServiceRated, 'has_off' => $e->hasOff, 'rating_a' => $e->ratingA, 'withstand_ka' => $e->withstandKa,
            'main_a' => $e->mainA, 'main_closed' => $e->isMainClosed, 'sense_at' => $e->senseAt,
            'mechanical_interlock' => $e->isInterlocked, 'main_aic_ka' => $e->ratings->mainAicKa, 'fault_ka' => $e->ratings->faultKa,
            'withstand_basis' => $facts->withstandBasis, 'withstand_device_ok' => $facts->isWithstandDeviceOk,
            'rating_marked' => $facts->isRatingMarked, 'gfp' => $e->hasGroundFaultProtection, 'transition' => $facts->transition,
            'utility_agreement' => $facts->hasUtilityAgreement, 'system_class' => $facts->systemClass,
        ] + $facts->class, [
            'service_rated' => false, 'has_off' => false, 'main_closed' => true, 'sense_at' => 'after_main',
            'mechanical_interlock' => true, 'transition' => 'open', 'system_class' => 'none',
        ]);
    }

    /** @return array<string, mixed> */
    private static function panel(Element $e): array
    {
        return ['role' => $e->role, 'rating_a' => $e->ratingA] + self::unusual([
            'main_a' => $e->mainA, 'main_closed' => $e->isMainClosed, 'service' => $e->isService,
            'breakers' => array_map(self::breaker(...), $e->breakers), 'aic_ka' => $e->ratings->aicKa, 'series_ka' => $e->ratings->seriesKa,
            'main_aic_ka' => $e->ratings->mainAicKa, 'fault_ka' => $e->ratings->faultKa, 'gfp' => $e->hasGroundFaultProtection,
        ], ['main_closed' => true, 'service' => false, 'breakers' => []]);
    }

    /** @return array<string, mixed> */
    private static function breaker(Breaker $one): array
    {
        return ['id' => $one->id, 'rating_a' => $one->ratingA, 'poles' => $one->poles]
            + self::unusual(['closed' => $one->isClosed, 'aic_ka' => $one->aicKa], ['closed' => true]);
    }

    /**
     * @param array<string, mixed> $fields
     * @param array<string, mixed> $usual  what a reader takes where a field is left out; null for the others
     *
     * @return array<string, mixed>
     */
    private static function unusual(array $fields, array $usual): array
    {
        return array_filter(
            $fields,
            static fn(mixed $value, string $key): bool => $value !== ($usual[$key] ?? null),
            ARRAY_FILTER_USE_BOTH,
        );
    }
}
