<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Plant\LegSystem;

/** One load on its legs. Rule: docs/rules.md#legs. */
final readonly class LegLoad
{
    public const KEYS = ['id', 'kw', 'pf', 'lead', 'connect', 'triplen_pct'];

    public function __construct(
        public string $id,
        public float $kw,
        public string $connect,
        public float $pf = 1.0,
        public bool $isLeading = false,
        public float $triplenPct = 0.0,
    ) {}

    /** Whether the system has this way to connect is one of the rules for later. */
    public static function read(Fields $in, LegSystem $system, LaterRules $rules): self
    {
        $id = $in->text('id');
        $kw = $in->n0('kw');
        $pf = $in->number('pf', 0.05, 1, 1.0);
        $isLeading = $in->bool('lead', false);

        return new self($id, $kw, self::connection($in, $system, $rules), $pf, $isLeading, $in->pct('triplen_pct', 0.0));
    }

    public static function connection(Fields $in, LegSystem $system, LaterRules $rules): string
    {
        $ways = $system->connections();
        $connect = $in->oneOf('connect', LegSystem::CONNECTIONS, $ways[0]);
        $rules->add(static function () use ($in, $connect, $ways): void {
            if (! in_array($connect, $ways, true)) {
                throw $in->at('connect')->bad('On this system a load is connected to one of: ' . implode(', ', $ways) . '.');
            }
        });

        return $connect;
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
