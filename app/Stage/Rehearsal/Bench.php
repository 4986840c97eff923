<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use App\Http\Typed;
use App\Models\Scenario as SavedScenario;
use App\Models\TransferSwitch;
use App\Stage\Rehearsal\Strip\StripTracks;
use App\Stage\Rehearsal\Strip\TimingStrip;
use App\Stage\Settings\SheetField;
use App\Stage\Settings\SheetForm;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Rehearsal\Because;
use Escapement\Core\Rehearsal\CauseChain;
use Escapement\Core\Rehearsal\Event;
use Escapement\Core\Rehearsal\Metrics;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\ScenarioEvent;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Site\Load;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\MessageBag;
use Illuminate\Validation\ValidationException;

/** One plot played on one sheet, with the delays one may turn, and the run before it as a ghost. */
final class Bench
{
    private const TURNABLE = ['/start_delay_ms', '/transfer_delay_ms', '/return_delay_ms', '/cooldown_ms', '/sensing/normal/dropout_delay_ms'];
    private const PLOT_PX = 664;
    private const MOST_REASONS = 400;

    public readonly SiteStanding $standing;
    public readonly StripTracks $tracks;
    public readonly TimingStrip $strip;
    private readonly ?StripTracks $ghost;
    private ?CauseChain $causes = null;
    /** @var null|Collection<int, SavedScenario> */
    private ?Collection $saved = null;
    /** @var array<int, list<int>> */
    private array $places = [];
    /** @var null|list<array{ms: int, clock: string, headline: string, because: string, state: array<string, mixed>}> */
    private ?array $moments = null;

    /**
     * @param array<string, string> $delays  typed seconds by path, those that differ from the sheet included
     * @param list<WorkingLine>     $working
     */
    private function __construct(
        public readonly TransferSwitch $switch,
        public readonly Plot $plot,
        public readonly array $delays,
        StripTracks $tracks,
        ?StripTracks $ghost,
        public readonly array $working,
        public readonly MessageBag $errors,
    ) {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->tracks = $tracks;
        $this->ghost = $ghost;
        $this->strip = new TimingStrip($tracks, $ghost, false, self::PLOT_PX, hasGrips: true, handles: $errors->isEmpty() && $plot instanceof ScriptPlot ? $plot->handles() : []);
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
        if (is_array($before) && is_array($before['plot'] ?? null) && is_string($before['plot']['story'] ?? null) && $before['plot']['story'] === $plot->key()) {
            $ghost = self::play($facts, $form, $sheet, $plots->carried($before['plot']), array_intersect_key(self::texts($before['d'] ?? []), $onSheet) + $onSheet, new MessageBag());
        }
        $isSame = $ghost !== null && $ghost['tracks']->result->events == $played['tracks']->result->events;

        return new self($switch, $plot, $delays, $played['tracks'], $isSame ? null : $ghost['tracks'] ?? null, $facts->expected($played['settings'])->working, $errors);
    }

    /** The strip for paper and files, in plain colours. */
    public function paperSvg(): string
    {
        return (new TimingStrip($this->tracks, null, true, 900))->wholeSvg();
    }

    /** @return array<string, mixed> what `bin/escapement rehearse` takes to play the same */
    public function input(): array
    {
        $scenario = $this->tracks->scenario;

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
            $this->tracks->scenario->settings,
            $facts->settings($this->switch->sheet->settings ?? []),
            $this->stories(),
        );
    }

    /** @return list<Story> */
    public function stories(): array
    {
        $scenario = $this->tracks->scenario;

        return array_values(array_filter(Story::cases(), static fn(Story $story): bool => $story->fits($scenario->plant, $scenario->settings, $scenario->loads)));
    }

    /** @return list<SheetField> */
    public function turnable(): array
    {
        return array_values(array_filter((new SheetForm($this->tracks->scenario->plant))->fields(), static fn(SheetField $field): bool => in_array($field->path, self::TURNABLE, true)));
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
        foreach ((new SheetForm($this->tracks->scenario->plant))->fields() as $field) {
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
        return count($this->tracks->result->events) <= self::MOST_REASONS;
    }

    /** What the source could not carry in this run, which goes on as if it held. */
    public function overload(): ?Finding
    {
        return $this->tracks->overload?->finding();
    }

    /** @return list<array{label: string, value: string, change: string}> the figures over the strip */
    public function figures(): array
    {
        $now = $this->tracks->result->metrics;
        $was = $this->ghost?->result->metrics;
        $figures = [
            $this->time('Dark', $now, $was, static fn(Metrics $m): int => $m->busDeadMs),
            $this->time('Engine ran', $now, $was, static fn(Metrics $m): int => $m->engineRunMs),
            $this->count('Starts', $now, $was, static fn(Metrics $m): int => $m->engineStarts),
            $this->count('Transfers', $now, $was, static fn(Metrics $m): int => $m->transfersToEmergency + $m->transfersToNormal),
            $this->count('Returns cut', $now, $was, static fn(Metrics $m): int => $m->returnResets),
        ];
        if ($now->nuisanceStarts + ($was->nuisanceStarts ?? 0) > 0) {
            $figures[] = $this->count('Started for nothing', $now, $was, static fn(Metrics $m): int => $m->nuisanceStarts);
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
     * One line a moment: what happened, each with its reason; what the cursor shows there.
     *
     * @return list<array{ms: int, clock: string, headline: string, because: string, state: array<string, mixed>}>
     */
    public function moments(): array
    {
        if ($this->moments !== null) {
            return $this->moments;
        }
        $because = new Because();
        $state = $this->first();
        $moments = [];
        $last = -1;
        foreach ($this->tracks->result->events as $event) {
            $state = $this->after($state, $event);
            $headline = $because->headline($event);
            $sentence = $because->sentence($event);
            if ($last >= 0 && $moments[$last]['ms'] === $event->tMs) {
                $moments[$last]['headline'] .= '. ' . $headline;
                $moments[$last]['because'] .= ' ' . ucfirst($sentence);
                $moments[$last]['state'] = $state;
            } else {
                $moments[++$last] = ['ms' => $event->tMs, 'clock' => SheetWords::clock($event->tMs), 'headline' => $headline, 'because' => $sentence, 'state' => $state];
            }
        }

        return $this->moments = array_values($moments);
    }

    /**
     * The chain of causes of a moment, from what happened back to what set it off; of its last event, whose reasons reach furthest.
     *
     * @return list<string>
     */
    public function whyChain(int $ms): array
    {
        $this->causes ??= new CauseChain($this->tracks->result->events);
        $because = new Because();
        $longest = [];
        foreach ($this->placesAt()[$ms] ?? [] as $place) {
            $chain = $this->causes->of($place);
            $longest = count($chain) >= count($longest) ? $chain : $longest;
        }

        return array_map(fn(Event $event): string => SheetWords::clock($event->tMs) . ' ' . $because->headline($event) . ', because ' . $because->sentence($event), $longest);
    }

    /** @return array<int, list<int>> the places of the events by their time */
    private function placesAt(): array
    {
        if ($this->places === []) {
            foreach ($this->tracks->result->events as $place => $event) {
                $this->places[$event->tMs][] = $place;
            }
        }

        return $this->places;
    }

    /** What the cursor needs: where a time is, what holds from each moment on, the corners of the voltage. */
    public function cursorData(): string
    {
        $plant = $this->tracks->scenario->plant;

        return json_encode([
            'segments' => array_map(static fn(array $s): array => [$s['fromMs'], $s['toMs'], round($s['fromX'], 1), round($s['toX'], 1)], $this->strip->scale->segments),
            'first' => $this->first(),
            'moments' => array_map(static fn(array $m): array => ['ms' => $m['ms'], 'state' => $m['state']], $this->moments()),
            'volts' => array_map(static fn(array $corner): array => [$corner['atMs'], min([INF, ...$corner['v']])], $this->tracks->volts),
            'nominalV' => $plant->normal->nominalV,
            'emergencyV' => $plant->emergency->nominalV,
            'isTwo' => $plant->engine === null,
            'untilMs' => $this->tracks->untilMs,
        ], JSON_THROW_ON_ERROR);
    }

    /** @return array{position: string, engine: string, n: bool, e: bool, live: bool, timers: array<string, list<int>>, shed: list<string>} what holds before anything happens */
    private function first(): array
    {
        $scenario = $this->tracks->scenario;

        return ['position' => $scenario->initial->value, 'engine' => 'stopped', 'n' => true, 'e' => $scenario->plant->engine === null, 'live' => true, 'timers' => [], 'shed' => []];
    }

    /**
     * @param array<string, mixed> $state
     *
     * @return array<string, mixed>
     */
    private function after(array $state, Event $event): array
    {
        $timer = $event->keys['timer'] ?? '';
        $name = ['start_delay' => 'Start delay', 'transfer_delay' => 'Transfer delay', 'return_delay' => 'Return delay', 'cooldown' => 'Cool-down'][$timer] ?? '';
        switch ($event->kind) {
            case 'source_lost':
            case 'source_returned':
                $state[$event->keys['source'] === 'normal' ? 'n' : 'e'] = $event->kind === 'source_returned';
                break;
            case 'switch_opened':
                $state['position'] = 'between';
                break;
            case 'switch_closed':
                $state['position'] = $event->keys['to'];
                break;
            case 'bus_dead':
            case 'bus_live':
                $state['live'] = $event->kind === 'bus_live';
                break;
            case 'load_shed':
                $state['shed'] = [...$state['shed'], $event->keys['load']];
                break;
            case 'load_restored':
                $state['shed'] = array_values(array_diff($state['shed'], [$event->keys['load']]));
                break;
            case 'timer_started':
                $state['timers'][$name] = [$event->tMs, $event->keys['duration_ms']];
                break;
            case 'timer_expired':
            case 'timer_cancelled':
                unset($state['timers'][$name]);
                break;
            case 'crank_started':
                $state['engine'] = 'cranking';
                break;
            case 'crank_failed':
                $state['engine'] = 'resting';
                break;
            case 'engine_fired':
                $state['engine'] = 'running up';
                break;
            case 'engine_at_speed':
                $state['engine'] = 'running';
                break;
            case 'engine_stopped':
                $state['engine'] = 'stopped';
                break;
            case 'engine_locked_out':
                $state['engine'] = 'locked out';
                break;
        }

        return $state;
    }

    /**
     * @param array<string, mixed>  $sheet
     * @param array<string, string> $delays
     *
     * @return null|array{tracks: StripTracks, settings: Settings}
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

        return $scenario === null || $errors->isNotEmpty() ? null : ['tracks' => new StripTracks($scenario, Rehearsal::play($scenario)), 'settings' => $settings];
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
            array_push($fields, ...(is_array($value) ? self::flat($value, $name) : [['name' => $name, 'value' => is_scalar($value) ? (string) $value : '']]));
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

        return ['label' => $label, 'value' => SheetWords::seconds($read($now)), 'change' => $change === 0 ? '' : ($change > 0 ? '+' : "\u{2212}") . SheetWords::seconds(abs($change))];
    }

    /**
     * @param callable(Metrics): int $read
     *
     * @return array{label: string, value: string, change: string}
     */
    private function count(string $label, Metrics $now, ?Metrics $was, callable $read): array
    {
        $change = $was === null ? 0 : $read($now) - $read($was);

        return ['label' => $label, 'value' => (string) $read($now), 'change' => $change === 0 ? '' : ($change > 0 ? '+' : "\u{2212}") . abs($change)];
    }
}
