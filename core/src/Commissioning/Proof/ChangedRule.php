<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

use Escapement\Core\Plant\InstallationKind;

/** A newer edition of the procedure proves more of a part than the older one did. A row of core/data/changed_rules.php. */
final readonly class ChangedRule
{
    /**
     * @param int    $edition that brought it
     * @param string $kinds   of installation, parted by blanks
     * @param string $reason  a sentence without its first capital and its full stop
     */
    public function __construct(private int $edition, private ProofPart $part, private string $kinds, public string $reason) {}

    /** A proof of that edition is to be looked at again. */
    public function concerns(int $edition, ProofPart $part, InstallationKind $installation): bool
    {
        return $this->edition > $edition && $this->part === $part && in_array($installation->value, explode(' ', $this->kinds), true);
    }
}
