<?php

declare(strict_types=1);

namespace Escapement\Core\Materials;

/** Whether a gauge may be trusted on the day of the work: a year from its calibration, where its maker says nothing else. */
final readonly class Calibration
{
    private const DAYS = 365;

    /** The last day on which it is good; null while nobody knows when it was calibrated. */
    public ?\DateTimeImmutable $goodUntil;

    /** @param ?string $on Y-m-d */
    public function __construct(?string $on)
    {
        $this->goodUntil = $on === null ? null : (new \DateTimeImmutable("$on UTC"))->modify('+' . self::DAYS . ' days');
    }

    /** @param string $day Y-m-d at the site */
    public function isGoodOn(string $day): bool
    {
        return $this->goodUntil !== null && $day <= $this->goodUntil->format('Y-m-d');
    }
}
