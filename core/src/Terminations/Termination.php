<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

/** One conductor on one terminal. */
final readonly class Termination
{
    /**
     * @param string $conductor L1, L2, L3, N or G: what it is, proved by test
     * @param string $terminal  as the enclosure calls it
     * @param string $on        the function of that terminal
     */
    public function __construct(
        public string $conductor,
        public string $terminal,
        public string $on,
        public string $feeder,
        public string $size,
        public string $colour,
        public ?string $reid,
        public string $screw,
        public ?string $socketIn,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'conductor' => $this->conductor,
            'terminal' => $this->terminal,
            'on' => $this->on,
            'feeder' => $this->feeder,
            'size' => $this->size,
            'colour' => $this->colour,
            'reid' => $this->reid,
            'screw' => $this->screw, 'socket_in' => $this->socketIn,
        ];
    }
}
