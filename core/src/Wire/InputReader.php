<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/** A reader that also hands out what it has read, checked: for those who calculate with objects. */
interface InputReader extends Reader
{
    /** @throws BadInput */
    public function input(Node $node): object;
}
