<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** Contacts in series and in parallel. Rule: docs/rules.md#relay-check. */
final readonly class Expression
{
    /**
     * @param 'all'|'any'|'contact' $kind
     * @param list<self>            $parts
     */
    private function __construct(public string $kind, public ?Contact $contact, public array $parts) {}

    public static function contact(Contact $contact): self
    {
        return new self('contact', $contact, []);
    }

    /** @param list<self> $parts in series; none: closed */
    public static function series(array $parts): self
    {
        return new self('all', null, $parts);
    }

    /** @param list<self> $parts in parallel; none: open */
    public static function parallel(array $parts): self
    {
        return new self('any', null, $parts);
    }

    /** @return list<Contact> depth first, left to right */
    public function contacts(): array
    {
        return $this->contact !== null ? [$this->contact] : array_merge(
            ...array_map(static fn(self $part): array => $part->contacts(), $this->parts),
        );
    }

    /** @param \Closure(Contact): bool $isClosed */
    public function isClosed(\Closure $isClosed): bool
    {
        if ($this->contact !== null) {
            return $isClosed($this->contact);
        }
        foreach ($this->parts as $part) {
            if ($part->isClosed($isClosed) !== ($this->kind === 'all')) {
                return $this->kind !== 'all';
            }
        }

        return $this->kind === 'all';
    }
}
