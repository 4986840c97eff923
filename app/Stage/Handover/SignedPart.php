<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\PartProof;
use Escapement\Core\Commissioning\Proof\ProofPart;

/** One part of a proof as a run was signed with it, ready to print. */
final readonly class SignedPart
{
    private const WORDS = ['proved' => 'Proved', 'noted' => 'Proved with a note', 'failed' => 'Failed', 'open' => 'Left open'];

    /** @param list<string> $why */
    private function __construct(public ProofPart $part, public string $outcome, public array $why) {}

    public static function ofProof(PartProof $proof): self
    {
        return new self($proof->part, $proof->outcome, $proof->why);
    }

    /** @param array<string, mixed> $told by a record; null where this edition knows no such part */
    public static function ofRecord(array $told): ?self
    {
        $part = is_string($told['part'] ?? null) ? ProofPart::tryFrom($told['part']) : null;
        $outcome = is_string($told['outcome'] ?? null) ? $told['outcome'] : '';
        $why = is_array($told['why'] ?? null) ? array_values(array_filter($told['why'], is_string(...))) : [];

        return $part === null || ! isset(self::WORDS[$outcome]) ? null : new self(
            $part,
            $outcome === 'proved' && ($told['noted'] ?? false) === true ? 'noted' : $outcome,
            $why,
        );
    }

    public function words(): string
    {
        return self::WORDS[$this->outcome];
    }

    public function isProved(): bool
    {
        return $this->outcome === 'proved' || $this->outcome === 'noted';
    }
}
