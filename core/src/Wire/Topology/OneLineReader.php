<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Topology;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Topology\Breaker;
use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\FaultRatings;
use Escapement\Core\Topology\Link;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\SiteFactRules;
use Escapement\Core\Topology\SwitchFacts;

/** Reads a one-line; the first fault wins, in the order of the rule. Rule: docs/rules.md#topology. */
final class OneLineReader
{
    private const TYPES = [
        'source',
        'meter',
        'battery',
        'capacitor',
        'arrester',
        'ups',
        'disconnect',
        'switch',
        'panel',
        'inlet',
        'shed',
        'load',
        'charger',
    ];
    private const SYSTEMS = ['single' => ['L1'], 'split' => ['L1', 'L2'], 'three' => ['L1', 'L2', 'L3']];
    private const ISOLATED_SOURCES = ['generator', 'inverter', 'shore'];

    /** @var list<string> */
    private array $phases = [];

    /** Elements and links alone: what the layout needs. */
    public function drawing(Node $input): OneLine
    {
        $in = new DrawingFields($input);
        $system = $in->word('system', ['single', 'split', 'three']);
        $this->phases = self::SYSTEMS[$system];
        $elements = $this->elements($in);

        return new OneLine($system, $elements, $this->links($in, array_column($elements, null, 'id')));
    }

    /** Elements, links and interlocks: what an enclosure's wiring needs. */
    public function interlocked(Node $input): OneLine
    {
        $drawn = $this->drawing($input);
        $interlocks = $this->interlocks(new DrawingFields($input), array_column($drawn->devices, null, 'ref'));

        return new OneLine($drawn->system, $drawn->elements, $drawn->links, $interlocks);
    }

    public function whole(Node $input): OneLine
    {
        $drawn = $this->interlocked($input);
        $in = new DrawingFields($input);
        $isolations = array_map(
            fn(Node $node): array => array_map(
                fn(Node $item): string => $this->isolated($drawn, $item),
                (new DrawingFields($node))->required('open')->list(1, 10),
            ),
            ($in->optional('isolations') ?? $input->at('isolations', []))->list(0, 10),
        );
        $planned = $this->plannedTestPoint($drawn, $in->optional('planned_test_point'));

        return new OneLine(
            $drawn->system,
            $drawn->elements,
            $drawn->links,
            $drawn->interlocks,
            $isolations,
            $planned,
            $in->positiveOrNull('volts_ll'),
            $this->facts($in),
        );
    }

    private function isolated(OneLine $drawn, Node $item): string
    {
        $ref = is_string($item->value) ? $item->value : '';
        $element = $drawn->byId[$ref] ?? null;
        $isSource = $element?->type === 'source' && in_array($element->kind, self::ISOLATED_SOURCES, true);
        if (! $isSource && ! $this->isDevice($drawn, $ref)) {
            throw $item->bad('This is no device that can be opened, and no source that can be stopped or unplugged.');
        }

        return $ref;
    }

    private function plannedTestPoint(OneLine $drawn, ?Node $node): ?string
    {
        if ($node === null || $node->isNull()) {
            return null;
        }
        if (! is_string($node->value) || ! $this->isDevice($drawn, $node->value)) {
            throw $node->bad('This is no device that can be opened.');
        }

        return $node->value;
    }

    private function isDevice(OneLine $drawn, string $ref): bool
    {
        return in_array($ref, array_column($drawn->devices, 'ref'), true);
    }

    /** @return null|array<string, ?bool> */
    private function facts(DrawingFields $in): ?array
    {
        $node = $in->optional('facts');
        if ($node === null || $node->isNull()) {
            return null;
        }
        $fields = new DrawingFields($node);

        return array_combine(SiteFactRules::FACTS, array_map($fields->fact(...), SiteFactRules::FACTS));
    }

    /** @return list<Element> */
    private function elements(DrawingFields $in): array
    {
        $listNode = $in->required('elements');
        $elements = [];
        $inhibitors = [];
        foreach ($listNode->list(1, 60) as $node) {
            $fields = new DrawingFields($node);
            $id = $fields->id();
            if (isset($elements[$id])) {
                throw $fields->at('id')->bad("There is an element \"$id\" already.");
            }
            $elements[$id] = $this->element($id, $fields);
            if ($elements[$id]->type === 'charger') {
                array_push($inhibitors, ...($fields->optional('inhibited_by')?->list() ?? []));
            }
        }
        foreach ($inhibitors as $item) {
            if (! is_string($item->value) || ($elements[$item->value]->type ?? '') !== 'source') {
                throw $item->bad('This names no source.');
            }
        }
        $count = static fn(string $type): int => count(array_filter(
            $elements,
            static fn(Element $element): bool => $element->type === $type,
        ));
        if ($count('source') < 1 || $count('source') > 4 || $count('switch') > 2) {
            throw $listNode->bad('A drawing has one to four sources and at most two switches.');
        }

        return array_values($elements);
    }

    private function element(string $id, DrawingFields $in): Element
    {
        $type = $in->word('type', self::TYPES);

        return match ($type) {
            'source' => $this->source($id, $in),
            'disconnect' => new Element(
                $id,
                $type,
                ratingA: $in->positiveOrNull('rating_a'),
                isClosed: $in->bool('closed', true),
                isService: $in->bool('service', false),
                breaksLoad: $in->bool('load_break', true),
                ratings: new FaultRatings(aicKa: $in->positiveOrNull('aic_ka'), faultKa: $in->positiveOrNull('fault_ka')),
                hasGroundFaultProtection: $in->fact('gfp'),
            ),
            'switch' => $this->switch($id, $in),
            'panel' => $this->panel($id, $in),
            'inlet' => new Element($id, $type, ratingA: $in->positive('rating_a')),
            'shed' => new Element($id, $type, isClosed: $in->bool('closed', true)),
            'load' => $this->load($id, $in),
            'charger' => new Element($id, $type, inhibitedBy: array_map(
                static fn(Node $node): string => is_string($node->value) ? $node->value : '',
                ($in->optional('inhibited_by') ?? $in->node->at('inhibited_by', []))->list(0, 4),
            )),
            default => new Element($id, $type),
        };
    }

    private function source(string $id, DrawingFields $in): Element
    {
        $kind = $in->word('kind', ['utility', 'shore', 'generator', 'inverter', 'transformer']);
        $element = new Element(
            $id,
            'source',
            $kind,
            $in->positiveOrNull('breaker_a'),
            $in->positiveOrNull('available_fault_ka'),
            $in->bool('grid_interactive', false),
            hasEmergencyStop: $in->fact('emergency_stop'),
        );
        if ($element->isGridInteractive && $kind !== 'inverter') {
            throw $in->at('grid_interactive')->bad('Only an inverter can be grid-interactive.');
        }
        if ($element->hasEmergencyStop !== null && $kind !== 'generator') {
            throw $in->at('emergency_stop')->bad('Only a generator has an emergency stop.');
        }

        return $element;
    }

    private function switch(string $id, DrawingFields $in): Element
    {
        $kind = $in->word('kind', ['motor', 'contactor_pair', 'relay_mobile', 'plug_in', 'changeover_handle']);
        $poles = $in->oneInt('poles', [2, 3, 4]);
        $neutral = $in->word('neutral', ['solid', 'switched', 'overlapping']);
        $isServiceRated = $in->bool('service_rated', false);
        $hasOff = $in->bool('has_off', false);
        $ratingA = $in->positive('rating_a');
        $withstandKa = $in->positiveOrNull('withstand_ka');
        $mainA = $in->positiveOrNull('main_a');
        $isMainClosed = $in->bool('main_closed', true);
        $senseAt = $in->word('sense_at', ['after_main', 'normal_terminals'], 'after_main');
        $isInterlocked = $in->bool('mechanical_interlock', true);
        $ratings = new FaultRatings(mainAicKa: $in->positiveOrNull('main_aic_ka'), faultKa: $in->positiveOrNull('fault_ka'));
        [$declared, $gfp] = $this->declared($in);
        if ($isServiceRated && $mainA === null) {
            throw $in->node->at('main_a', null)->bad('A service-rated switch has a main.');
        }

        return new Element(
            $id,
            'switch',
            $kind,
            ratingA: $ratingA,
            poles: $poles,
            neutral: $neutral,
            isServiceRated: $isServiceRated,
            hasOff: $hasOff,
            withstandKa: $withstandKa,
            mainA: $mainA,
            isMainClosed: $isMainClosed,
            senseAt: $senseAt,
            isInterlocked: $isInterlocked,
            ratings: $ratings,
            declared: $declared,
            hasGroundFaultProtection: $gfp,
        );
    }

    /** @return array{SwitchFacts, ?bool} what is declared of a switch, and the ground-fault protection of its main, which stands between */
    private function declared(DrawingFields $in): array
    {
        $basis = $in->wordOrNull('withstand_basis', ['any_breaker', 'listed_device', 'fuse']);
        $isDeviceOk = $in->fact('withstand_device_ok');
        $isMarked = $in->fact('rating_marked');
        $gfp = $in->fact('gfp');
        $transition = $in->word('transition', ['open', 'delayed', 'in_phase', 'closed'], 'open');
        $hasAgreement = $in->fact('utility_agreement');
        $class = $in->word('system_class', ['none', 'optional', 'legally_required', 'emergency'], 'none');
        $facts = array_combine(SwitchFacts::CLASS_FACTS, array_map($in->fact(...), SwitchFacts::CLASS_FACTS));

        return [new SwitchFacts($basis, $isDeviceOk, $isMarked, $transition, $hasAgreement, $class, $facts), $gfp];
    }

    private function panel(string $id, DrawingFields $in): Element
    {
        $role = $in->word('role', ['main', 'sub']);
        $ratingA = $in->positive('rating_a');
        $mainA = $in->positiveOrNull('main_a');
        $isMainClosed = $in->bool('main_closed', true);
        $isService = $in->bool('service', false);
        $breakers = $this->breakers($in);
        $aicKa = $in->positiveOrNull('aic_ka');
        $seriesKa = $in->positiveOrNull('series_ka');
        $ratings = new FaultRatings(
            $aicKa,
            seriesKa: $seriesKa,
            mainAicKa: $in->positiveOrNull('main_aic_ka'),
            faultKa: $in->positiveOrNull('fault_ka'),
        );
        $gfp = $in->fact('gfp');
        if ($isService && $mainA === null) {
            throw $in->node->at('main_a', null)->bad('A service panel has a main.');
        }
        if ($seriesKa !== null && $aicKa === null) {
            throw $in->node->at('aic_ka', null)->bad('A series combination has the panel\'s own rating beside it.');
        }

        return new Element(
            $id,
            'panel',
            ratingA: $ratingA,
            isService: $isService,
            mainA: $mainA,
            isMainClosed: $isMainClosed,
            role: $role,
            breakers: $breakers,
            ratings: $ratings,
            hasGroundFaultProtection: $gfp,
        );
    }

    /** @return list<Breaker> */
    private function breakers(DrawingFields $in): array
    {
        $breakers = [];
        foreach (($in->optional('breakers') ?? $in->node->at('breakers', []))->list(0, 84) as $node) {
            $fields = new DrawingFields($node);
            $name = $fields->id();
            if (isset($breakers[$name]) || in_array($name, ['in', 'bus', 'main'], true)) {
                throw $fields->at('id')->bad("\"$name\" cannot be the id of this breaker.");
            }
            $breakers[$name] = new Breaker(
                $name,
                $fields->positive('rating_a'),
                $fields->oneInt('poles', [1, 2, 3], 1),
                $fields->bool('closed', true),
                $fields->positiveOrNull('aic_ka'),
            );
        }

        return array_values($breakers);
    }

    private function load(string $id, DrawingFields $in): Element
    {
        $phases = [];
        foreach ($in->required('phases')->list(1, 3) as $node) {
            if (! is_string($node->value) || ! in_array($node->value, $this->phases, true) || in_array($node->value, $phases, true)) {
                throw $node->bad('This is no further phase of the system.');
            }
            $phases[] = $node->value;
        }

        return new Element($id, 'load', phases: $phases, va: $in->whole('va', 0));
    }

    /**
     * @param array<string, Element> $byId
     *
     * @return list<Link>
     */
    private function links(DrawingFields $in, array $byId): array
    {
        $links = [];
        foreach ($in->required('links')->list(0, 120) as $node) {
            $fields = new DrawingFields($node);
            [$fromId, $fromPort] = $this->end($fields->required('from'), $byId, true);
            $toNode = $fields->required('to');
            [$toId, $toPort] = $this->end($toNode, $byId, false);
            $link = new Link($fromId, $fromPort, $toId, $toPort);
            if ($fromId === $toId) {
                throw $toNode->bad('Both ends are in one element.');
            }
            if (($fromPort === 'dc') !== ($toPort === 'dc')) {
                throw $toNode->bad('Direct current does not meet alternating current.');
            }
            if (array_filter($links, static fn(Link $drawn): bool => $drawn->isLike($link)) !== []) {
                throw $toNode->bad('This link is drawn already.');
            }
            $links[] = $link;
        }

        return $links;
    }

    /**
     * @param array<string, Element> $byId
     *
     * @return array{string, string} element and port
     */
    private function end(Node $node, array $byId, bool $isFrom): array
    {
        if (! is_string($node->value)) {
            throw $node->bad('This must be an element, or element.port.');
        }
        [$id, $port] = explode('.', $node->value, 2) + [1 => ''];
        $element = $byId[$id] ?? throw $node->bad("There is no element \"$id\".");
        [$allowed, $default] = $isFrom ? $element->outlets() : $element->inlets();
        $port = str_contains($node->value, '.') ? $port : ($default ?? throw $node->bad("\"$id\" needs a port here."));
        if (! in_array($port, $allowed, true)) {
            throw $node->bad("\"$id\" has no port \"$port\" for this end.");
        }

        return [$id, $port];
    }

    /**
     * @param array<string, Device> $devices
     *
     * @return list<list<string>>
     *
     * @throws BadInput
     */
    private function interlocks(DrawingFields $in, array $devices): array
    {
        $interlocks = [];
        $used = [];
        foreach (($in->optional('interlocks') ?? $in->node->at('interlocks', []))->list(0, 2) as $node) {
            $membersNode = (new DrawingFields($node))->required('members');
            $members = [];
            foreach ($membersNode->list(2, 3) as $item) {
                if (! is_string($item->value) || ! isset($devices[$item->value]) || isset($used[$item->value])) {
                    throw $item->bad('This is no device, or it is interlocked already.');
                }
                $used[$item->value] = true;
                $members[] = $item->value;
            }
            if (count(array_filter($members, static fn(string $ref): bool => $devices[$ref]->isClosed)) > 1) {
                throw $membersNode->bad('An interlock lets one of them be closed at most.');
            }
            $interlocks[] = $members;
        }

        return $interlocks;
    }
}
