<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/** What stands between a calculation and JSON. */
interface Reader
{
    /**
     * @return array<string, mixed> the result as it is written
     *
     * @throws BadInput
     */
    public function answer(Node $node): array;
}
