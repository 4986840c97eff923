<?php

declare(strict_types=1);

namespace App\Jobs;

/** Nobody waits for this proof any more: cancelled, or the circuit is another by now. */
final class ProofStopped extends \RuntimeException {}
