<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** One of what a row of the table is repeated for: a leg, a device, a lug. */
final readonly class RowItem
{
    /**
     * @param string                $suffix    behind the row's id, with its hyphen
     * @param array<string, string> $words     filled into the row's, by {name}
     * @param ?Band                 $band      its own, before the row's
     * @param list<string>          $stoppedBy findings of the plan against which the step cannot be called done
     * @param string                $asked     what of the site its expectation names, as data: when it changes, the step is open again
     */
    public function __construct(
        public string $suffix,
        public array $words = [],
        public ?Band $band = null,
        public array $stoppedBy = [],
        public string $asked = '',
    ) {}

    /** Few words for an id; the end tells names apart that read alike. */
    public static function slug(string $name): string
    {
        return trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($name)), '-') . '-' . substr(hash('sha256', $name), 0, 6);
    }
}
