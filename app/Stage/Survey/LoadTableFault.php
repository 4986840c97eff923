<?php

declare(strict_types=1);

namespace App\Stage\Survey;

/** What is wrong with a table of loads, for the person who chose it. */
final class LoadTableFault extends \RuntimeException {}
