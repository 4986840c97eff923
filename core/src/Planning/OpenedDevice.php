<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\PlacedAnswer;

/** What stays live with one device open, and what comes by itself: to be read before anybody works there. Rule: docs/rules.md#topology. */
final readonly class OpenedDevice
{
    private SelfActing $acts;
    private ElementNames $names;

    /** @param array<string, list<string>> $live sources by the point that they keep live */
    private function __construct(
        private OneLine $drawing,
        private Device $device,
        public array $live,
        private InstallationKind $kind,
        ElementNames $names,
    ) {
        $this->acts = new SelfActing($kind);
        $this->names = $names;
    }

    /** Null where there is no such device, or where what stays live is not worked out (a breaker): only what is known dead is called so. */
    public static function of(OneLine $drawing, PlacedAnswer $topology, ?string $ref, InstallationKind $kind, ElementNames $names): ?self
    {
        $device = array_values(array_filter($drawing->devices, static fn(Device $one): bool => $one->ref === $ref))[0] ?? null;
        if ($device === null) {
            return null;
        }
        /** @var list<array{open: list<string>, live: object}> $stillLive */
        $stillLive = $topology->values['still_live'];
        foreach ($stillLive as $one) {
            if ($one['open'] === [$device->ref]) {
                /** @var array<string, list<string>> $live */
                $live = (array) $one['live'];

                return new self($drawing, $device, $live, $kind, $names);
            }
        }

        return null;
    }

    public function ref(): string
    {
        return $this->device->ref;
    }

    /** In sentences that go on from its name: "is not dead. …" */
    public function hazard(): string
    {
        $ahead = $this->live[$this->device->line] ?? [];
        $reached = $this->reached($ahead);

        return ($ahead === []
            ? 'has a dead line side.'
            : 'is not dead. Its line side stays live from ' . $this->listed($ahead) . ' until that is opened upstream.')
            . ($reached === '' ? '' : ' ' . $this->acts->feeds($reached)) . ' ' . $this->acts->madeSafe();
    }

    /**
     * What a source that comes by itself would feed: panels by their names, loads by their number.
     *
     * @param list<string> $ahead sources of the line side
     */
    private function reached(array $ahead): string
    {
        $panels = [];
        $loads = 0;
        foreach ($this->drawing->elements as $element) {
            $sources = $this->live["$element->id.in"] ?? [];
            if (array_filter($sources, fn(string $source): bool => $this->comesByItself($source, $ahead)) === []) {
                continue;
            }
            if ($element->type === 'panel') {
                $panels[] = $this->names->of($element->id);
            }
            $loads += $element->type === 'load' ? 1 : 0;
        }

        return implode(' and ', [...$panels, ...($loads === 0 ? [] : [$loads === 1 ? '1 load' : "$loads loads"])]);
    }

    /** @param list<string> $ahead */
    private function comesByItself(string $source, array $ahead): bool
    {
        // with two supplies the other one is what comes by itself
        $isOther = ! $this->kind->hasGenerator() && ! in_array($source, $ahead, true);

        return $isOther || ! $this->drawing->byId[$source]->isUtilityLike();
    }

    /** @param list<string> $sources */
    private function listed(array $sources): string
    {
        return implode(' and ', array_map($this->names->of(...), $sources));
    }
}
