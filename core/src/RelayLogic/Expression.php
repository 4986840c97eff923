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

    /**
     * The same kind with other parts.
     *
     * @param list<self> $parts
     */
    public function of(array $parts): self
    {
        return new self($this->kind, null, $parts);
    }

    /** In series with what is there already, behind it. */
    public function and(self $more): self
    {
        return self::series($this->kind === 'all' ? [...$this->parts, $more] : [$this, $more]);
    }

    /** The same with each contact named after its owner and its place, depth first. */
    public function numbered(string $owner): self
    {
        $place = 0;

        return $this->mapped(static function (Contact $contact) use ($owner, &$place): self {
            $id = $owner . ':' . $place++;

            return self::contact(new Contact($id, $contact->kind, $contact->device, $contact->positions, $contact->label));
        });
    }

    /**
     * The same with each contact replaced; nothing in its place leaves it out.
     *
     * @param \Closure(Contact): ?self $replace
     */
    public function mapped(\Closure $replace): self
    {
        if ($this->contact !== null) {
            return $replace($this->contact) ?? self::series([]);
        }
        $parts = [];
        foreach ($this->parts as $part) {
            $parts[] = $part->contact === null ? $part->mapped($replace) : $replace($part->contact);
        }

        return new self($this->kind, null, array_values(array_filter($parts, static fn(?self $part): bool => $part !== null)));
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
