<?php

declare(strict_types=1);

namespace App\Device;

/** Nobody answers at that address, or not in time. */
final class NoDevice extends \RuntimeException {}
