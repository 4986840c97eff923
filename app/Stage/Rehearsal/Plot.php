<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Settings;
use Illuminate\Support\MessageBag;

/** What is played on the bench: a story with its few numbers, or a script of one's own. */
interface Plot
{
    /** What the form sends for it: a story's name, own, or saved-7. */
    public function key(): string;

    public function title(): string;

    public function teaches(): string;

    /** Null when something typed cannot be played; the errors then say at which field. */
    public function scenario(SwitchFacts $facts, Settings $settings, MessageBag $errors): ?Scenario;

    /**
     * What a form has to carry along so that the next page plays the same.
     *
     * @return array<string, mixed> by field name
     */
    public function carried(): array;
}
