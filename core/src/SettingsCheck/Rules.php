<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;

/**
 * A family of rules about one part of the sheet. Each rule is a method named as its finding; the list is in reading order.
 */
interface Rules
{
    /** @return list<?Finding> null where there is nothing to say */
    public function judge(CheckInput $in): array;
}
