<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Torque;

use Escapement\Core\Wiring\Sizes;

/** One lug: what its maker asks for, what was turned, and how its witness mark was found. */
final readonly class TorquePoint
{
    /**
     * @param string  $size       of the conductor, AWG
     * @param string  $screw      one of TorqueTable::SCREWS
     * @param ?string $socket     of a socket screw, across flats, a key of TorqueTable::SOCKETS
     * @param ?float  $makerInLb  from label or sheet
     * @param ?float  $recordedInLb as turned
     * @param string  $mark       none or applied on the first visit; aligned, moved, missing or remarked later
     */
    public function __construct(
        public string $id,
        public string $size,
        public string $screw,
        public ?string $socket = null,
        public ?float $makerInLb = null,
        public ?float $recordedInLb = null,
        public string $mark = 'none',
    ) {}

    /** Null where neither maker nor table has one. */
    public function targetInLb(): ?float
    {
        return $this->makerInLb ?? TorqueTable::inLb($this->screw, $this->size, $this->socket);
    }

    /** The first of its words that no table has; null when it can be judged. */
    public function unknown(): ?string
    {
        return match (true) {
            ! in_array($this->size, Sizes::AWG, true) => 'conductor_size',
            ! in_array($this->screw, TorqueTable::SCREWS, true) => 'screw',
            $this->socket !== null && ! isset(TorqueTable::SOCKETS[$this->socket]) => 'socket_in',
            default => null,
        };
    }
}
