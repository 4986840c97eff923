<?php

declare(strict_types=1);

namespace App\Stage;

use Illuminate\Database\UniqueConstraintViolationException;

/** Two senders of one id at the same moment: the second one looks again, and finds it. */
final readonly class Once
{
    /**
     * @template T
     *
     * @param \Closure(): T $work a whole transaction
     *
     * @return T
     */
    public static function more(\Closure $work): mixed
    {
        try {
            return $work();
        } catch (UniqueConstraintViolationException) {
            return $work();
        }
    }
}
