<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

/**
 * What acts by itself at an installation, and what is done about it before hands go in: said the same way on every page and paper.
 * With two standing supplies no engine starts, but what one of them left dark is live from the other at any moment; a portable set is
 * started by hand, by somebody who does not know who works there. Rule: docs/rules.md#site-plan.
 */
final readonly class SelfActing
{
    public function __construct(private InstallationKind $kind) {}

    public function title(): string
    {
        return match (true) {
            ! $this->kind->hasGenerator() => 'Automatic transfer.',
            $this->kind->isPortable() => 'An engine that others can start.',
            default => 'Automatic start.',
        };
    }

    /** What it does without asking. */
    public function danger(): string
    {
        return match (true) {
            ! $this->kind->hasGenerator() => 'Two supplies feed the switch, and it goes over without warning: '
                . 'what one of them left dark is live from the other.',
            $this->kind->isPortable() => 'The engine can be started without warning, by somebody else or by a starter of its own. '
                . 'It crushes and cuts, and its terminals kill.',
            default => 'The engine starts without warning, by the clock and at any outage. It crushes and cuts, and its terminals kill.',
        };
    }

    /** What is done before any work inside, in order. */
    public function before(): string
    {
        return 'Before any work inside: selector off' . ($this->kind->hasGenerator() ? ', start battery disconnected' : '')
            . ($this->kind->isMobile() ? ', shore cord out, batteries and inverter off' : '')
            . ', both sources isolated, locked out and proved dead.';
    }

    /** How the other source is kept away while the first is open; goes on a sentence. */
    public function keptAway(): string
    {
        return $this->kind->hasGenerator() ? 'the generator is kept from starting as its maker says'
            : 'the second supply is opened, locked and tagged as the first is';
    }

    /** @param string $reached what it feeds by then */
    public function feeds(string $reached): string
    {
        return match (true) {
            ! $this->kind->hasGenerator() => "The changeover can go to the other supply by itself within seconds and feed $reached.",
            $this->kind->isPortable() => "The generator can be started at any moment and feed $reached.",
            default => "The generator can start by itself within seconds and feed $reached.",
        };
    }

    public function madeSafe(): string
    {
        return match (true) {
            ! $this->kind->hasGenerator() => 'Both supplies opened, locked and tagged, then prove dead.',
            $this->kind->isMobile() => 'Shore cord out, engine blocked from starting, batteries and inverter off, locked, tagged, '
                . 'then prove dead.',
            default => 'Engine blocked from starting, locked, tagged, then prove dead.',
        };
    }

    /** How dead the lugs can be made that no device of the enclosure opens. */
    public function openedUpstream(): string
    {
        return match (true) {
            ! $this->kind->hasGenerator() => 'until both supplies are opened upstream. Contact kills. Have both disconnected, lock out, '
                . 'and test before touch.',
            $this->kind->isMobile() => 'until the shore cord is out. Contact kills. Pull it, block the engine, switch batteries and '
                . 'inverter off, lock out, and test before touch.',
            default => 'until the utility opens. Contact kills. Have the utility disconnect, block the engine, lock out, and test before '
                . 'touch.',
        };
    }

    /** @return array{string, string} what stands on the normal side of the switch, and on the other */
    public function sides(): array
    {
        return match (true) {
            ! $this->kind->hasGenerator() => ['first supply', 'second supply'],
            $this->kind->isMobile() => ['shore', 'generator'],
            default => ['utility', 'generator'],
        };
    }
}
