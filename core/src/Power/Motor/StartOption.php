<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

use Escapement\Core\Input\Tolerance;

/** One way to start a motor from a source, judged. */
final readonly class StartOption
{
    /** @param ?float $dipPct null: from an inverter */
    private function __construct(
        public StartMethod $method,
        public float $startKva,
        public ?float $dipPct,
        public float $torquePct,
        public bool $isOk,
    ) {}

    public static function of(StartMethod $method, MotorStartInput $in, float $lockedRotorKva): self
    {
        $startKva = $method->startKva($lockedRotorKva, $in->motor->softFactor, $in->motor->runKva());
        $dipPct = $in->source->dipPct($startKva);
        $isOk = $dipPct === null
            ? ! Tolerance::exceeds($startKva, $in->source->surgeKva)
            : ! Tolerance::exceeds($dipPct, $in->stopPct);

        return new self($method, $startKva, $dipPct, $method->torquePct($in->motor->softFactor), $isOk);
    }

    /** Dips no further than this; false from an inverter. */
    public function staysWithin(float $limitPct): bool
    {
        return $this->dipPct !== null && ! Tolerance::exceeds($this->dipPct, $limitPct);
    }

    /** Whether $other brings the dip within what is aimed at, or the surge within the inverter, where this one does not. */
    public function isHelpedBy(self $other, float $limitPct): bool
    {
        return $this->dipPct === null
            ? ! $this->isOk && $other->isOk
            : ! $this->staysWithin($limitPct) && $other->staysWithin($limitPct);
    }

    /** @return array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool} */
    public function toArray(): array
    {
        return [
            'method' => $this->method->value,
            'start_kva' => $this->startKva,
            'dip_pct' => $this->dipPct,
            'torque_pct' => $this->torquePct,
            'ok' => $this->isOk,
        ];
    }
}
