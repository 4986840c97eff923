<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

use Escapement\Core\Commissioning\Procedure\ProcedureOptions;

/** What one signed run says to one part: that it was proved, with a note or without, or that it failed. */
final readonly class PartRecord
{
    /**
     * @param string                $at    ISO 8601, when the run was signed
     * @param string                $run   what the run is called
     * @param list<string>          $why   what failed, in sentences; empty when nothing did
     * @param array<string, string> $basis facts that the part rests on, as they were, by key
     * @param int                   $edition of the procedure that the run was begun under
     */
    public function __construct(
        public ProofPart $part,
        public bool $isProved,
        public bool $isNoted,
        public string $at,
        public string $run,
        public string $by,
        public array $why = [],
        public array $basis = [],
        public int $edition = ProcedureOptions::EDITION,
    ) {}
}
