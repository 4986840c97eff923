<?php

declare(strict_types=1);

namespace App\Stage\Moving;

/** Why a company is not taken in; nothing of it was. */
final class CannotMove extends \RuntimeException {}
