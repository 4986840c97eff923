<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

/**
 * What acts by itself at an installation, and what is done about it before hands go in: said the same way on every page and paper.
 * With two standing supplies no engine starts, but what one of them left dark is live from the other at any moment.
 * Rule: docs/rules.md#site-plan.
 */
final readonly class SelfActing
{
    private bool $hasGenerator;

    public function __construct(InstallationKind $kind)
    {
        $this->hasGenerator = $kind->hasGenerator();
    }

    public function title(): string
    {
        return $this->hasGenerator ? 'Automatic start.' : 'Automatic transfer.';
    }

    /** What it does without asking. */
    public function danger(): string
    {
        return $this->hasGenerator
            ? 'The engine starts without warning, by the clock and at any outage. It crushes and cuts, and its terminals kill.'
            : 'Two supplies feed the switch, and it goes over without warning: what one of them left dark is live from the other.';
    }

    /** What is done before any work inside, in order. */
    public function before(): string
    {
        return 'Before any work inside: selector off' . ($this->hasGenerator ? ', start battery disconnected' : '')
            . ', both sources isolated, locked out and proved dead.';
    }

    /** How the other source is kept away while the first is open; goes on a sentence. */
    public function keptAway(): string
    {
        return $this->hasGenerator ? 'the generator is kept from starting as its maker says'
            : 'the second supply is opened, locked and tagged as the first is';
    }

    /** @param string $reached what it feeds by then */
    public function feeds(string $reached): string
    {
        return $this->hasGenerator ? "The generator can start by itself within seconds and feed $reached."
            : "The changeover can go to the other supply by itself within seconds and feed $reached.";
    }

    public function madeSafe(): string
    {
        return $this->hasGenerator ? 'Engine blocked from starting, locked, tagged, then prove dead.'
            : 'Both supplies opened, locked and tagged, then prove dead.';
    }

    /** How dead the lugs can be made that no device of the enclosure opens. */
    public function openedUpstream(): string
    {
        return $this->hasGenerator
            ? 'until the utility opens. Contact kills. Have the utility disconnect, block the engine, lock out, and test before touch.'
            : 'until both supplies are opened upstream. Contact kills. Have both disconnected, lock out, and test before touch.';
    }

    /** @return array{string, string} what stands on the normal side of the switch, and on the other */
    public function sides(): array
    {
        return $this->hasGenerator ? ['utility', 'generator'] : ['first supply', 'second supply'];
    }
}
