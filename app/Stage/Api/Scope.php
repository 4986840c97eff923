<?php

declare(strict_types=1);

namespace App\Stage\Api;

/** What a token may do. It never opens more than its person may: roles are asked as they are on the pages. */
enum Scope: string
{
    case Read = 'read';
    case Write = 'write';
    case Calc = 'calc';

    public function words(): string
    {
        return match ($this) {
            self::Read => 'Read sites, plans, sheets, runs and records',
            self::Write => 'Write sites, marks and answers',
            self::Calc => 'Calculate and rehearse, without any site',
        };
    }
}
