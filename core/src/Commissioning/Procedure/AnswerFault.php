<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** An answer that cannot be kept as it stands, for the person who gave it, at the field it belongs to. */
final class AnswerFault extends \RuntimeException
{
    /** @param 'so'|'value'|'choice'|'skip_reason'|'note'|'name'|'photos' $field */
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }
}
