<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Drawing\Ink;
use App\Drawing\Ladder\LadderDrawing;
use App\Drawing\Ladder\LadderLook;
use App\Drawing\Ladder\PlayStrip;
use App\Drawing\Strip\StripHandle;
use App\Http\Typed;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\RelayLogic\Play\PlayStory;
use Escapement\Core\RelayLogic\Play\RelayPlay;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Illuminate\Http\Request;

/** The circuit in time: what it does, millisecond by millisecond, and the ladder at the cursor. */
final readonly class PlayPage
{
    private const WIDTH = 900;
    private const QUIET = ['script'];

    public SiteStanding $standing;
    public PlayScript $script;
    public CircuitFacts $facts;
    public ?PlayStory $story;
    public ?string $problem;
    public int $cursorMs;

    public function __construct(public TransferSwitch $switch, public Circuit $stored, Request $request)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->facts = new CircuitFacts($stored, $switch->plant);
        $this->script = new PlayScript($request, $this->facts->circuit, $this->facts->engines(), $this->facts->nominalV());
        $story = $problem = null;
        try {
            $story = $this->script->errors === []
                ? RelayPlay::story($this->facts->play($this->script->script, $this->script->untilMs))
                : null;
        } catch (BadInput $bad) {
            $problem = "$bad->path: " . $bad->getMessage();
        }
        $this->story = $story;
        $this->problem = $problem;
        $typed = Typed::text($request, 't', 9);
        $this->cursorMs = ctype_digit($typed) ? (int) $typed : $this->firstOf($story);
    }

    public function strip(): PlayStrip
    {
        $grips = [];
        foreach ($this->script->grips() as $row => $ms) {
            $grips[] = new StripHandle("rows[$row]", $this->script->words($this->script->rows[$row]['what']), $ms, null, false);
        }

        return new PlayStrip($this->story ?? throw new \LogicException('Nothing was played.'), $this->cursorMs, self::WIDTH, grips: $grips);
    }

    public function ladder(): LadderDrawing
    {
        return new LadderDrawing($this->facts->circuit, new LadderLook(
            new Ink(false),
            $this->switch->site->units === 'metric',
            $this->story?->at($this->cursorMs)->circuit,
        ));
    }

    /** @return list<array{ms: int, time: string, words: string, because: string}> */
    public function events(): array
    {
        $events = [];
        foreach ($this->story->result->events ?? [] as $event) {
            if (in_array($event['kind'], self::QUIET, true) || ! is_int($event['t_ms'])) {
                continue;
            }
            $about = array_diff_key($event, ['t_ms' => 0, 'kind' => 0, 'because' => 0]);
            $named = array_map(static fn(mixed $one): string => is_scalar($one) ? (string) $one : '', $about);
            $events[] = [
                'ms' => $event['t_ms'],
                'time' => number_format($event['t_ms'] / 1000, 3, '.', '') . ' s',
                'words' => PlayWords::of(is_string($event['kind']) ? $event['kind'] : '', $named),
                'because' => is_string($event['because']) ? $event['because'] : '',
            ];
        }

        return $events;
    }

    public function at(int $ms): string
    {
        return request()->fullUrlWithQuery(['t' => $ms]) . '#strip';
    }

    public function previous(): ?int
    {
        $before = array_filter($this->story?->moments() ?? [], fn(int $ms): bool => $ms < $this->cursorMs);

        return $before === [] ? null : max($before);
    }

    public function next(): ?int
    {
        $after = array_filter($this->story?->moments() ?? [], fn(int $ms): bool => $ms > $this->cursorMs);

        return $after === [] ? null : min($after);
    }

    public function darkS(): string
    {
        return number_format(($this->story->result->darkMs ?? 0) / 1000, 3, '.', ' ') . ' s';
    }

    /** @return list<RelayDevice> whose times can be measured and put in */
    public function timed(): array
    {
        return array_values(array_filter($this->facts->circuit->devices, static fn(RelayDevice $device): bool => in_array(
            $device->type,
            [RelayType::Contactor, RelayType::Relay, RelayType::Timer, RelayType::PhaseRelay, RelayType::MotorChangeover],
            true,
        )));
    }

    private function firstOf(?PlayStory $story): int
    {
        $both = $story->result->bothClosed[0]['from_ms'] ?? null;
        $times = array_values(array_filter($story?->moments() ?? [], static fn(int $ms): bool => $ms > 0));

        return $both ?? $times[0] ?? 0;
    }

    /** How long both contacts were closed at once. */
    public function bothClosed(): string
    {
        $times = array_column($this->story?->result->bothClosed ?? [], 'ms');

        return $times === [] ? 'never' : array_sum($times) . ' ms';
    }
}
