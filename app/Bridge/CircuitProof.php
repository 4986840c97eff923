<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\RelayLogic\RelayCheckResult;
use Escapement\Core\RelayLogic\Repair\CircuitRepair;

/** What a search through a circuit came to, kept with the circuit. */
final readonly class CircuitProof
{
    /** @param list<CircuitRepair> $repairs */
    public function __construct(public RelayCheckResult $result, public array $repairs) {}

    public function count(Severity $severity): int
    {
        return count(array_filter($this->result->findings, static fn(Finding $finding): bool => $finding->severity === $severity));
    }

    public function packed(): string
    {
        return base64_encode((string) gzcompress(serialize($this)));
    }

    /** @return ?self null where it was kept by another edition of the program */
    public static function unpacked(?string $packed): ?self
    {
        $text = $packed === null ? false : gzuncompress((string) base64_decode($packed, true));
        try {
            $proof = $text === false ? null : unserialize($text);
        } catch (\Throwable) {
            return null;
        }

        return $proof instanceof self ? $proof : null;
    }

    public function repair(string $key): ?CircuitRepair
    {
        foreach ($this->repairs as $repair) {
            if ($repair->key() === $key) {
                return $repair;
            }
        }

        return null;
    }
}
