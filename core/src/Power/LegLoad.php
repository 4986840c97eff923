<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Wire\Fields;

/** One load on its legs. Rule: loads §0.4. */
final readonly class LegLoad
{
    public function __construct(
        public string $id,
        public float $kw,
        public string $connect,
        public float $pf = 1.0,
        public bool $isLeading = false,
        public float $triplenPct = 0.0,
    ) {}

    public static function read(Fields $in, System $system): self
    {
        $ways = $system->connections();

        return new self(
            $in->text('id'),
            $in->n0('kw'),
            ...self::rest($in, $ways),
        );
    }

    /**
     * @param non-empty-list<string> $ways
     *
     * @return array{connect: string, pf: float, isLeading: bool, triplenPct: float}
     */
    private static function rest(Fields $in, array $ways): array
    {
        $pf = $in->number('pf', 0.05, 1, 1.0);
        $isLeading = $in->bool('lead', false);

        return ['connect' => $in->oneOf('connect', $ways, $ways[0]), 'pf' => $pf, 'isLeading' => $isLeading, 'triplenPct' => $in->pct('triplen_pct', 0.0)];
    }

    public function scaled(float $factor): self
    {
        return new self($this->id, $this->kw * $factor, $this->connect, $this->pf, $this->isLeading, $this->triplenPct);
    }

    public function kva(): float
    {
        return $this->kw / $this->pf;
    }

    public function phi(): float
    {
        return ($this->isLeading ? -1 : 1) * acos($this->pf);
    }
}
