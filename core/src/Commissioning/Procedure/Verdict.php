<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** What an answer is worth. */
enum Verdict: string
{
    case AsExpected = 'as_expected';
    /** Beside its band or window, with a note: the step is closed, and proves nothing. */
    case Noted = 'noted';
    /** Not as expected: the step stays open. */
    case NotSo = 'not_so';
    case Skipped = 'skipped';

    public function closes(bool $isHold): bool
    {
        return match ($this) {
            self::AsExpected => true,
            self::Noted, self::Skipped => ! $isHold,
            self::NotSo => false,
        };
    }
}
