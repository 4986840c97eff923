<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use App\Drawing\Strip\TimingStrip;
use App\Http\Typed;
use App\Models\Scenario as SavedScenario;
use App\Models\TransferSwitch;
use App\Stage\Settings\SheetField;
use App\Stage\Settings\SheetForm;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\CauseChain;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Metrics;
use Escapement\Core\Simulation\Moment;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\SourceNames;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\MessageBag;
use Illuminate\Validation\ValidationException;

/** Runs a scenario on a settings sheet with adjustable delays, and overlays the previous run. */
final class RehearsalPage
{
    private const TURNABLE = [
        '/start_delay_ms',
        '/transfer_delay_ms',
        '/return_delay_ms',
        '/cooldown_ms',
        '/sensing/normal/dropout_delay_ms',
    ];
    private const PLOT_PX = 664;
    private const MOST_REASONS = 400;

    public readonly SiteStanding $standing;
    public readonly Playback $playback;
    public readonly TimingStrip $strip;
    private readonly ?Playback $ghost;
    private ?CauseChain $causes = null;
    /** @var null|Collection<int, SavedScenario> */
    private ?Collection $saved = null;
    /** @var array<int, list<int>> */
    private array $places = [];
    /** @var null|list<array{ms: int, clock: string, headline: string, because: string}> */
    private ?array $moments = null;

    /**
     * @param array<string, string> $delays  typed seconds by path, those that differ from the sheet included
     * @param list<WorkingLine>     $working
     */
    private function __construct(
        public readonly TransferSwitch $switch,
        public readonly Plot $plot,
        public readonly array $delays,
        Playback $playback,
        ?Playback $ghost,
        public readonly array $working,
        public readonly MessageBag $errors,
    ) {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->playback = $playback;
        $this->ghost = $ghost;
        $handles = $errors->isEmpty() && $plot instanceof ScriptPlot ? $plot->handles() : [];
        $this->strip = new TimingStrip($playback, $ghost, false, self::PLOT_PX, hasGrips: true, handles: $handles);
    }

    public static function fromRequest(TransferSwitch $switch, Request $request): self
    {
        $facts = new SwitchFacts($switch);
        $form = new SheetForm($facts->plant);
        $sheet = $switch->sheet->settings ?? [];
        $errors = new MessageBag();
        $onSheet = self::typedDelays($form, $sheet);
        $delays = array_intersect_key(self::texts($request->input('d')), $onSheet) + $onSheet;
        $plots = new Plots($facts);
        $plot = $plots->fromRequest($request, $errors);
        $played = self::play($facts, $form, $sheet, $plot, $delays, $errors);
        if ($played === null) { // keep what was typed and show the sheet's own run beside the error
            $played = self::play(
                $facts,
                $form,
                $sheet,
                new StoryPlot($plot instanceof StoryPlot ? $plot->story : Story::Outage, [], $facts->plant->kind),
                $onSheet,
                new MessageBag(),
            )
                ?? throw new \LogicException('The sheet itself cannot be played.');
        }
        $ghost = null;
        $before = json_decode(Typed::text($request, 'ghost', 20_000), true);
        if (is_array($before)
            && is_array($before['plot'] ?? null)
            && is_string($before['plot']['story'] ?? null)
            && $before['plot']['story'] === $plot->key()) {
            $ghost = self::play(
                $facts,
                $form,
                $sheet,
                $plots->carried($before['plot']),
                array_intersect_key(self::texts($before['d'] ?? []), $onSheet) + $onSheet,
                new MessageBag(),
            );
        }
        $isSame = $ghost !== null && $ghost['playback']->result->events == $played['playback']->result->events;

        return new self(
            $switch,
            $plot,
            $delays,
            $played['playback'],
            $isSame ? null : $ghost['playback'] ?? null,
            $facts->expected($played['settings'])->working,
            $errors,
        );
    }

    /** The strip for paper and files, in plain colours. */
    public function paperSvg(): string
    {
        return (new TimingStrip($this->playback, null, true, 900))->wholeSvg();
    }

    /** @return array<string, mixed> what `bin/escapement rehearse` takes to play the same */
    public function input(): array
    {
        $scenario = $this->playback->scenario;

        return [
            'system' => $scenario->plant->toArray(),
            'settings' => $scenario->settings->toWire(),
            'loads' => array_map(static fn(Load $load): array => $load->toArray(), $scenario->loads),
            'events' => array_map(static fn(ScenarioEvent $event): array => $event->toArray(), $scenario->events),
            'until_ms' => $scenario->untilMs,
        ];
    }

    public function facts(): SwitchFacts
    {
        return new SwitchFacts($this->switch);
    }

    /** @return Collection<int, SavedScenario> the company's own, by name, without their events */
    public function saved(): Collection
    {
        return $this->saved ??= SavedScenario::query()->get(['id', 'name', 'teaches'])->sortBy('name');
    }

    /** What the next run sends along so that this one can be its ghost. */
    public function asGhost(): string
    {
        return json_encode(['plot' => $this->plot->carried(), 'd' => $this->delays], JSON_THROW_ON_ERROR);
    }

    public function fiveStories(): FiveStories
    {
        $facts = $this->facts();

        return new FiveStories(
            $facts,
            $this->playback->scenario->settings,
            $facts->settings($this->switch->sheet->settings ?? []),
            $this->stories(),
        );
    }

    /** @return list<Story> */
    public function stories(): array
    {
        $scenario = $this->playback->scenario;

        return array_values(array_filter(
            Story::cases(),
            static fn(Story $story): bool => $story->fits($scenario->plant, $scenario->settings, $scenario->loads),
        ));
    }

    /** @return list<SheetField> */
    public function turnable(): array
    {
        return array_values(array_filter(
            (new SheetForm($this->playback->scenario->plant))->fields(),
            static fn(SheetField $field): bool => in_array($field->path, self::TURNABLE, true),
        ));
    }

    public function onSheet(SheetField $field): string
    {
        return $field->typed($this->switch->sheet->settings ?? []);
    }

    public function isChanged(): bool
    {
        foreach ($this->turnable() as $field) {
            if (($this->delays[$field->path] ?? '') !== $this->onSheet($field)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, string> every field of the sheet as typed, with the delays as turned: for "put into settings" */
    public function sheetFields(): array
    {
        $fields = [];
        foreach ((new SheetForm($this->playback->scenario->plant))->fields() as $field) {
            $fields[$field->path] = $this->delays[$field->path] ?? $field->typed($this->switch->sheet->settings ?? []);
        }

        return $fields;
    }

    /** @return list<array{name: string, value: string}> the plot as hidden fields */
    public function carriedFields(): array
    {
        return self::flat($this->plot->carried(), '');
    }

    /** Whether the reasons of all moments fit the page; a season's would be megabytes. */
    public function showsReasons(): bool
    {
        return count($this->playback->result->events) <= self::MOST_REASONS;
    }

    /** What the source could not carry in this run, which goes on as if it held. */
    public function overload(): ?Finding
    {
        return $this->playback->overload?->finding();
    }

    /** @return list<array{label: string, value: string, change: string}> the figures over the strip */
    public function figures(): array
    {
        $now = $this->playback->result->metrics;
        $was = $this->ghost?->result->metrics;
        $figures = [
            $this->time('Dark', $now, $was, static fn(Metrics $m): int => $m->busDeadMs),
            ...($this->playback->scenario->plant->engine === null ? [] : [
                $this->time('Engine ran', $now, $was, static fn(Metrics $m): int => $m->engineRunMs),
                $this->count('Starts', $now, $was, static fn(Metrics $m): int => $m->engineStarts),
            ]),
            $this->count('Transfers', $now, $was, static fn(Metrics $m): int => $m->transfersToEmergency + $m->transfersToNormal),
            $this->count('Returns cut', $now, $was, static fn(Metrics $m): int => $m->returnResets),
        ];
        if ($now->nuisanceStarts + ($was->nuisanceStarts ?? 0) > 0) {
            $figures[] = $this->count('Nuisance starts', $now, $was, static fn(Metrics $m): int => $m->nuisanceStarts);
        }
        if ($now->startsAvoided + $now->sagsRidden > 0) {
            $figures[] = $this->count('Starts avoided', $now, $was, static fn(Metrics $m): int => $m->startsAvoided + $m->sagsRidden);
        }

        return $figures;
    }

    public function hasGhost(): bool
    {
        return $this->ghost !== null;
    }

    /**
     * One line a moment: what happened, each with its reason.
     *
     * @return list<array{ms: int, clock: string, headline: string, because: string}>
     */
    public function moments(): array
    {
        $names = $this->playback->result->names();

        return $this->moments ??= array_map(static fn(Moment $moment): array => [
            'ms' => $moment->tMs,
            'clock' => SheetWords::clock($moment->tMs),
            'headline' => implode('. ', array_map(static fn(Event $event): string => $event->headline($names), $moment->events)),
            'because' => lcfirst(implode(
                ' ',
                array_map(static fn(Event $event): string => ucfirst($event->because($names)), $moment->events),
            )),
        ], $this->playback->timeline->moments);
    }

    /**
     * The chain of causes of a moment, from what happened back to what set it off; of its last event, whose reasons reach furthest.
     *
     * @return list<string>
     */
    public function whyChain(int $ms): array
    {
        $this->causes ??= new CauseChain($this->playback->result->events);
        $names = $this->playback->result->names();
        $longest = [];
        foreach ($this->placesAt()[$ms] ?? [] as $place) {
            $chain = $this->causes->of($place);
            $longest = count($chain) >= count($longest) ? $chain : $longest;
        }

        return array_map(fn(Event $event): string => self::why($event, $names), $longest);
    }

    /** @return array<int, list<int>> the places of the events by their time */
    private function placesAt(): array
    {
        if ($this->places === []) {
            foreach ($this->playback->result->events as $place => $event) {
                $this->places[$event->tMs][] = $place;
            }
        }

        return $this->places;
    }

    /** What the cursor needs: where a time is on the strip, and what the timeline says from when on. */
    public function cursorData(): string
    {
        return json_encode((new CursorData($this->playback, $this->strip->scale))->toArray(), JSON_THROW_ON_ERROR);
    }

    private static function why(Event $event, SourceNames $names): string
    {
        return SheetWords::clock($event->tMs) . ' ' . $event->headline($names) . ', because ' . $event->because($names);
    }

    /**
     * @param array<string, mixed>  $sheet
     * @param array<string, string> $delays
     *
     * @return null|array{playback: Playback, settings: Settings}
     */
    private static function play(SwitchFacts $facts, SheetForm $form, array $sheet, Plot $plot, array $delays, MessageBag $errors): ?array
    {
        $fields = [];
        foreach ($form->fields() as $field) {
            $fields[$field->path] = $delays[$field->path] ?? $field->typed($sheet);
        }
        try {
            $settings = $facts->settings($form->settings($fields, $sheet));
        } catch (ValidationException $e) {
            foreach ($e->errors() as $key => $messages) {
                $errors->add('d.' . substr($key, 2), $messages[0]);
            }
            $plot->scenario($facts, $facts->settings($sheet), $errors); // say all that is wrong at once

            return null;
        }
        $scenario = $plot->scenario($facts, $settings, $errors);

        return $scenario === null || $errors->isNotEmpty() ? null : ['playback' => new Playback($scenario), 'settings' => $settings];
    }

    /**
     * @param array<int|string, mixed> $values
     *
     * @return list<array{name: string, value: string}>
     */
    private static function flat(array $values, string $prefix): array
    {
        $fields = [];
        foreach ($values as $key => $value) {
            $name = $prefix === '' ? (string) $key : "{$prefix}[$key]";
            array_push(
                $fields,
                ...(is_array($value) ? self::flat($value, $name) : [[
                    'name' => $name,
                    'value' => is_scalar($value) ? (string) $value : '',
                ]]),
            );
        }

        return $fields;
    }

    /**
     * @param array<string, mixed> $sheet
     *
     * @return array<string, string>
     */
    private static function typedDelays(SheetForm $form, array $sheet): array
    {
        $delays = [];
        foreach ($form->fields() as $field) {
            if (in_array($field->path, self::TURNABLE, true)) {
                $delays[$field->path] = $field->typed($sheet);
            }
        }

        return $delays;
    }

    /** @return array<string, string> */
    private static function texts(mixed $input): array
    {
        $texts = [];
        foreach (is_array($input) ? $input : [] as $key => $value) {
            if (is_scalar($value)) {
                $texts[(string) $key] = mb_substr(trim((string) $value), 0, 20);
            }
        }

        return $texts;
    }

    /**
     * @param callable(Metrics): int $read
     *
     * @return array{label: string, value: string, change: string}
     */
    private function time(string $label, Metrics $now, ?Metrics $was, callable $read): array
    {
        $change = $was === null ? 0 : $read($now) - $read($was);

        return [
            'label' => $label,
            'value' => SheetWords::seconds($read($now)),
            'change' => $change === 0 ? '' : ($change > 0 ? '+' : "\u{2212}") . SheetWords::seconds(abs($change)),
        ];
    }

    /**
     * @param callable(Metrics): int $read
     *
     * @return array{label: string, value: string, change: string}
     */
    private function count(string $label, Metrics $now, ?Metrics $was, callable $read): array
    {
        $change = $was === null ? 0 : $read($now) - $read($was);

        return [
            'label' => $label,
            'value' => (string) $read($now),
            'change' => $change === 0 ? '' : ($change > 0 ? '+' : "\u{2212}") . abs($change),
        ];
    }
}
