<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Stage\Rehearsal\Strip\StripTracks;
use App\Stage\Rehearsal\Strip\TimingStrip;
use App\Stage\Settings\SheetField;
use App\Stage\Settings\SheetForm;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Rehearsal\Because;
use Escapement\Core\Rehearsal\CauseChain;
use Escapement\Core\Rehearsal\Event;
use Escapement\Core\Rehearsal\Metrics;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Rehearsal\StoryNumber;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Site\Load;
use Illuminate\Http\Request;
use Illuminate\Support\MessageBag;
use Illuminate\Validation\ValidationException;

/** One story played on one sheet, with the delays one may turn, and the run before it as a ghost. */
final class Bench
{
    private const TURNABLE = ['/start_delay_ms', '/transfer_delay_ms', '/return_delay_ms', '/cooldown_ms', '/sensing/normal/dropout_delay_ms'];
    private const PLOT_PX = 664;

    public readonly SiteStanding $standing;
    public readonly StripTracks $tracks;
    public readonly TimingStrip $strip;
    private readonly ?StripTracks $ghost;

    /**
     * @param array<string, string> $delays  typed seconds by path, those that differ from the sheet included
     * @param array<string, string> $numbers typed numbers of the story
     * @param list<WorkingLine>     $working
     */
    private function __construct(
        public readonly TransferSwitch $switch,
        public readonly Story $story,
        public readonly array $delays,
        public readonly array $numbers,
        StripTracks $tracks,
        ?StripTracks $ghost,
        public readonly array $working,
        public readonly MessageBag $errors,
    ) {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->tracks = $tracks;
        $this->ghost = $ghost;
        $this->strip = new TimingStrip($tracks, $ghost, false, self::PLOT_PX, hasGrips: true);
    }

    public static function fromRequest(TransferSwitch $switch, Request $request): self
    {
        $facts = new SwitchFacts($switch);
        $story = Story::tryFrom(Typed::text($request, 'story')) ?? Story::Outage;
        $form = new SheetForm($facts->plant);
        $sheet = $switch->sheet->settings ?? [];
        $story = $story->fits($facts->plant, $facts->settings($sheet), $facts->loads()) ? $story : Story::Outage;
        $errors = new MessageBag();
        $onSheet = self::typedDelays($form, $sheet);
        $delays = array_intersect_key(self::texts($request->input('d')), $onSheet) + $onSheet;
        $numbers = self::texts($request->input('n'));
        $played = self::play($facts, $form, $sheet, $story, $delays, $numbers, $errors);
        if ($played === null) { // keep what was typed and show the sheet's own run beside the error
            $played = self::play($facts, $form, $sheet, $story, $onSheet, [], new MessageBag()) ?? throw new \LogicException('The sheet itself cannot be played.');
        }
        $ghost = null;
        $before = json_decode(Typed::text($request, 'ghost', 2000), true);
        if (is_array($before) && ($before['story'] ?? '') === $story->value) {
            $ghost = self::play($facts, $form, $sheet, $story, array_intersect_key(self::texts($before['d'] ?? []), $onSheet) + $onSheet, self::texts($before['n'] ?? []), new MessageBag());
        }
        $isSame = $ghost !== null && $ghost['tracks']->result->events == $played['tracks']->result->events;

        return new self($switch, $story, $delays, $numbers + $played['numbers'], $played['tracks'], $isSame ? null : $ghost['tracks'] ?? null, $facts->expected($played['settings'])->working, $errors);
    }

    /** The strip for paper and files, in plain colours. */
    public function paperSvg(): string
    {
        return (new TimingStrip($this->tracks, null, true, 900))->wholeSvg();
    }

    /** @return array<string, mixed> what `bin/escapement rehearse` takes to play the same */
    public function input(): array
    {
        $facts = new SwitchFacts($this->switch);
        $numbers = [];
        foreach ($this->story->numbers() as $number) {
            $numbers[$number->name] = (int) round((float) ($this->numbers[$number->name] ?? 0) * ($number->isTime ? 1000 : 1));
        }
        $scenario = $this->tracks->scenario;

        return [
            'system' => $scenario->plant->toArray(),
            'settings' => $scenario->settings->toWire(),
            'loads' => array_map(static fn(Load $load): array => $load->toArray(), $scenario->loads),
            'events' => $this->story->events($numbers, $scenario->plant, $facts->loads()),
            'until_ms' => $scenario->untilMs,
        ];
    }

    /** What the next run sends along so that this one can be its ghost. */
    public function asGhost(): string
    {
        return json_encode(['story' => $this->story->value, 'd' => $this->delays, 'n' => $this->numbers], JSON_THROW_ON_ERROR);
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

    public function numberTyped(StoryNumber $number): string
    {
        return $this->numbers[$number->name] ?? '';
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
        $because = new Because();
        $state = ['position' => 'utility', 'engine' => 'stopped', 'n' => true, 'e' => $this->tracks->scenario->plant->engine === null, 'live' => true, 'timers' => []];
        $moments = [];
        foreach ($this->tracks->result->events as $event) {
            $state = $this->after($state, $event);
            $headline = $because->headline($event);
            $sentence = $because->sentence($event);
            $last = array_pop($moments);
            if ($last !== null && $last['ms'] === $event->tMs) {
                $moments[] = ['headline' => $last['headline'] . '. ' . $headline, 'because' => $last['because'] . ' ' . ucfirst($sentence), 'state' => $state] + $last;
            } else {
                array_push($moments, ...($last === null ? [] : [$last]));
                $moments[] = ['ms' => $event->tMs, 'clock' => SheetWords::clock($event->tMs), 'headline' => $headline, 'because' => $sentence, 'state' => $state];
            }
        }

        return $moments;
    }

    /**
     * The chain of causes of a moment, from what happened back to what set it off; of its last event, whose reasons reach furthest.
     *
     * @return list<string>
     */
    public function whyChain(int $ms): array
    {
        $events = $this->tracks->result->events;
        $because = new Because();
        $longest = [];
        foreach ($events as $place => $event) {
            if ($event->tMs === $ms) {
                $chain = (new CauseChain())->of($events, $place);
                $longest = count($chain) >= count($longest) ? $chain : $longest;
            }
        }

        return array_map(fn(Event $event): string => SheetWords::clock($event->tMs) . ' ' . $because->headline($event) . ', because ' . $because->sentence($event), $longest);
    }

    /** What the cursor needs: where a time is, what holds from each moment on, the corners of the voltage. */
    public function cursorData(): string
    {
        return json_encode([
            'segments' => array_map(static fn(array $s): array => [$s['fromMs'], $s['toMs'], round($s['fromX'], 1), round($s['toX'], 1)], $this->strip->scale->segments),
            'moments' => array_map(static fn(array $m): array => ['ms' => $m['ms']] + $m['state'], $this->moments()),
            'volts' => array_map(static fn(array $corner): array => [$corner['atMs'], $corner['v'][0]], $this->tracks->volts),
            'untilMs' => $this->tracks->untilMs,
        ], JSON_THROW_ON_ERROR);
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
                $state['position'] = $event->keys['to'] === 'normal' ? 'utility' : 'generator';
                break;
            case 'bus_dead':
            case 'bus_live':
                $state['live'] = $event->kind === 'bus_live';
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
     * @param array<string, string> $typed
     *
     * @return null|array{tracks: StripTracks, settings: Settings, numbers: array<string, string>}
     */
    private static function play(SwitchFacts $facts, SheetForm $form, array $sheet, Story $story, array $delays, array $typed, MessageBag $errors): ?array
    {
        $numbers = [];
        $shown = [];
        foreach ($story->numbers() as $number) {
            $text = str_replace(',', '.', $typed[$number->name] ?? '');
            $value = $text === '' ? $number->default : (is_numeric($text) ? (int) round((float) $text * ($number->isTime ? 1000 : 1)) : -1);
            if ($value < 0 || $value > $number->max) {
                $most = $number->isTime ? $number->max / 1000 . ' s' : (string) $number->max;
                $errors->add("n.$number->name", "$number->label: from 0 to $most.");
            }
            $numbers[$number->name] = $value;
            $shown[$number->name] = $number->isTime ? rtrim(rtrim(sprintf('%.3f', $value / 1000), '0'), '.') : (string) $value;
        }
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
        }
        if ($errors->isNotEmpty() || ! isset($settings)) {
            return null;
        }
        $scenario = $facts->scenario($story->sheet($settings, $numbers), $story->events($numbers, $facts->plant, $facts->loads()), $story->untilMs($numbers, $facts->plant, $settings));

        return ['tracks' => new StripTracks($scenario, Rehearsal::play($scenario)), 'settings' => $settings, 'numbers' => $shown];
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
