<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Record;

use Escapement\Core\Commissioning\Procedure\Verdict;

/** An answer to a step as a record tells it. */
final readonly class RecordedAnswer
{
    /** @param array<string, mixed> $given */
    public function __construct(public string $id, public string $step, public string $expectation, public array $given, public Verdict $verdict, public ?string $clientWall, public string $who, public string $receivedAt) {}
}
