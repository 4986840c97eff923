<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\AsBuilt;

use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;

/** How a panel stands when nothing moves any more: what is pulled in, what is lit, what feeds the load. */
final readonly class BuiltStand
{
    /** @var list<string> devices that are pulled in */
    public array $in;
    /** @var array<string, string> positions of motor changeovers */
    public array $at;
    /** @var list<string> lamps */
    public array $lit;
    /** @var list<string> lamps of the circuit that are not lit */
    public array $unlit;
    /** The source that feeds the load, `both`, or null: none. */
    public ?string $feeds;

    /** @param array<string, mixed> $final of `relay_play` */
    public function __construct(RelayCircuit $circuit, array $final)
    {
        $positions = (array) ($final['positions'] ?? []);
        $in = $at = [];
        foreach ($circuit->devices as $device) {
            $position = $positions[$device->id] ?? null;
            if ($position === 'in') {
                $in[] = $device->id;
            }
            if ($device->type === RelayType::MotorChangeover && is_string($position)) {
                $at[$device->id] = $position;
            }
        }
        $this->at = $at;
        $lit = array_map(strval(...), array_filter((array) ($final['lit'] ?? []), is_string(...)));
        $feeds = $final['feeds'] ?? null;
        $this->in = $in;
        $this->lit = array_values($lit);
        $this->unlit = array_values(array_diff(array_column($circuit->ofType(RelayType::Lamp), 'id'), $lit));
        $this->feeds = is_string($feeds) && ($final['bus_live'] ?? false) === true ? $feeds : null;
    }

    public function words(): string
    {
        $list = self::list(...);
        $lamps = $this->lit === [] && $this->unlit === [] ? '' : " Lit: {$list($this->lit)}. Dark: {$list($this->unlit)}.";

        $motors = '';
        foreach ($this->at as $motor => $position) {
            $motors .= " $motor stands at $position.";
        }

        $load = $this->feeds === null ? 'The load is dark.' : "The load is on $this->feeds.";

        return "$load$motors Pulled in: {$list($this->in)}.$lamps";
    }

    /** @param list<string> $ids */
    private static function list(array $ids): string
    {
        return $ids === [] ? 'nothing' : implode(', ', $ids);
    }
}
