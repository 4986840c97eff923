<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

/** The time from loss to load that a class of system allows, unless the adopted code says otherwise. Rule: docs/rules.md#procedure. */
final readonly class ClassTime
{
    private const SECONDS = ['emergency' => 10, 'legally_required' => 60];

    private function __construct(public int $seconds) {}

    /** Null where the class sets no time. */
    public static function of(string $class): ?self
    {
        return isset(self::SECONDS[$class]) ? new self(self::SECONDS[$class]) : null;
    }

    public function judge(?Window $transfer): ClassTimeVerdict
    {
        return match (true) {
            $transfer === null => ClassTimeVerdict::NotKnown,
            $transfer->nominalMs === null, $transfer->nominalMs > 1000 * $this->seconds => ClassTimeVerdict::TooSlow,
            (int) $transfer->maxMs > 1000 * $this->seconds => ClassTimeVerdict::FirstCrankOnly,
            default => ClassTimeVerdict::Inside,
        };
    }
}
