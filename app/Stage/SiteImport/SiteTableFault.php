<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

final class SiteTableFault extends \RuntimeException {}
