<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** Something that parts of a proof rest on; a row of core/data/proof_facts.php. */
final readonly class ProofFact
{
    /**
     * @param string          $key           one that ends in a colon stands for all that begin with it
     * @param list<ProofPart> $parts         that rest on it
     * @param bool            $isFingerprint its value is no text for people
     * @param float           $withinPct     a figure that moved by no more is as it was
     */
    public function __construct(
        public string $key,
        public string $label,
        public array $parts,
        public bool $isFingerprint = false,
        public float $withinPct = 0.0,
    ) {}

    public function isAsBefore(string $was, string $is): bool
    {
        return $was === $is || $this->withinPct > 0 && is_numeric(strtok($was, ' ')) && is_numeric(strtok($is, ' '))
            && abs((float) $is - (float) $was) <= $this->withinPct / 100 * abs((float) $was) + 1e-9;
    }

    public function isOf(string $key): bool
    {
        return str_ends_with($this->key, ':') ? str_starts_with($key, $this->key) : $key === $this->key;
    }

    public function labelOf(string $key): string
    {
        return str_ends_with($this->key, ':') ? "$this->label " . substr($key, strlen($this->key)) : $this->label;
    }
}
