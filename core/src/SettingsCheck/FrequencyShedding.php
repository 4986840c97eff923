<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

/** Modules that let their loads go by themselves when the generator slows down. Rule: docs/rules.md#settings-shedding. */
final readonly class FrequencyShedding
{
    /**
     * @param non-empty-list<string> $loads   ids of the loads that go
     * @param int|float              $tripPct of nominal hertz
     */
    public function __construct(public array $loads, public int|float $tripPct, public int $tripMs) {}
}
