<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\RecordingSeries;
use App\Bridge\SwitchFacts;
use App\Models\Recording;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\SettlingTime;
use Escapement\Core\Settings\Settings;
use Illuminate\Support\MessageBag;

/** A measured supply as the utility: reduced anew for the limits of the sheet at hand, so that each crossing is exact. */
final readonly class RecordingPlot implements Plot
{
    public function __construct(public Recording $recording) {}

    public function key(): string
    {
        return "recording-{$this->recording->id}";
    }

    public function title(): string
    {
        return $this->recording->name;
    }

    public function teaches(): string
    {
        return "What this sheet would have made of it. {$this->recording->source}.";
    }

    public function scenario(SwitchFacts $facts, Settings $settings, MessageBag $errors): ?Scenario
    {
        $series = new RecordingSeries($this->recording);
        $source = $facts->plant->normal;
        if (! $series->fits($source)) {
            $errors->add('story', "\"{$this->recording->name}\" has {$this->recording->phases} voltages; this supply has $source->phases.");

            return null;
        }

        return new Scenario(
            $facts->plant,
            $settings,
            $series->events($source, [$settings->normal]),
            $this->recording->until_ms + SettlingTime::ms($facts->plant, $settings),
            $facts->loads(),
        );
    }

    public function carried(): array
    {
        return ['story' => $this->key()];
    }
}
