<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use App\Drawing\Strip\StripHandle;
use App\Models\Scenario as SavedScenario;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\Script\BlockKind;
use Escapement\Core\Rehearsal\Script\Script;
use Escapement\Core\Rehearsal\SettlingTime;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\ScenarioEvent;
use Illuminate\Support\MessageBag;

/** A script of one's own: typed rows while it is short enough to be edited, else the events as they are kept. */
final readonly class ScriptPlot implements Plot
{
    /**
     * @param list<ScriptRow>     $rows
     * @param list<ScenarioEvent> $long  the events of a script too long for rows
     */
    public function __construct(
        public ScriptForm $form,
        public array $rows,
        private array $long = [],
        public ?SavedScenario $saved = null,
    ) {}

    public static function of(ScriptForm $form, Script $script, ?SavedScenario $saved = null): self
    {
        return new self($form, $form->rows($script), saved: $saved);
    }

    public function key(): string
    {
        return $this->isLong() ? 'saved-' . $this->saved?->id : 'own';
    }

    public function isLong(): bool
    {
        return $this->long !== [];
    }

    public function title(): string
    {
        return $this->saved->name ?? 'Your own';
    }

    public function teaches(): string
    {
        return match (true) {
            $this->saved?->teaches !== null => $this->saved->teaches,
            $this->isLong() => count($this->long) . ' events: too many to edit on the strip, played as they are kept.',
            default => 'Take a piece by its grips, or add one at the cursor.',
        };
    }

    public function scenario(SwitchFacts $facts, Settings $settings, MessageBag $errors): ?Scenario
    {
        $events = $this->events($facts, $errors);
        if ($events === null) {
            return null;
        }
        $last = $events === [] ? 0 : max(array_map(
            static fn(ScenarioEvent $event): int => $event->atMs + $event->overMs + (int) $event->forMs,
            $events,
        ));

        return new Scenario($facts->plant, $settings, $events, $last + SettlingTime::ms($facts->plant, $settings), $facts->loads());
    }

    /** @return null|list<ScenarioEvent> */
    public function events(SwitchFacts $facts, MessageBag $errors): ?array
    {
        return $this->isLong() ? $this->long : $this->form->script($this->rows, $errors)?->events($facts->plant);
    }

    public function carried(): array
    {
        $rows = array_map(static fn(ScriptRow $row): array => $row->typed, $this->isLong() ? [] : $this->rows);

        return ['story' => $this->key()] + ($rows === [] ? [] : ['b' => $rows]) + ($this
            ->saved === null ? [] : ['saved' => (string) $this->saved->id]);
    }

    /** @return list<StripHandle> */
    public function handles(): array
    {
        return array_map(static fn(ScriptRow $row): StripHandle => new StripHandle(
            "b[$row->place]",
            $row->title(),
            (int) round((float) ($row->typed['at'] ?? 0) * 1000),
            ($row->typed['lasts'] ?? '') === '' ? null : (int) round((float) $row->typed['lasts'] * 1000),
            $row->kind->isOfEngine(),
        ), $this->rows);
    }

    /** @return list<BlockKind> what can be added here */
    public function kinds(SwitchFacts $facts): array
    {
        return array_values(array_filter(
            BlockKind::cases(),
            static fn(BlockKind $kind): bool => $kind->fits($facts->plant, $facts->loads() !== []),
        ));
    }
}
