<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use App\Http\Typed;
use App\Models\Recording;
use App\Models\Scenario;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Rehearsal\Script\BlockKind;
use Escapement\Core\Rehearsal\Script\Script;
use Escapement\Core\Rehearsal\Story;
use Illuminate\Http\Request;
use Illuminate\Support\MessageBag;

/** Finds out what is to be played: a story, one's own script as sent, or one that the company keeps. */
final readonly class Plots
{
    private ScriptForm $form;

    public function __construct(private SwitchFacts $facts)
    {
        $this->form = new ScriptForm($facts);
    }

    public function fromRequest(Request $request, MessageBag $errors): Plot
    {
        $plot = $this->carried([
            'story' => Typed::text($request, 'story'),
            'n' => $request->input('n'),
            'b' => $request->input('b'),
            'saved' => Typed::text($request, 'saved'),
        ], $errors);
        if ($request->boolean('edit') && $plot instanceof StoryPlot) {
            $scenario = $plot->scenario($this->facts, $this->facts->settings($this->facts->switch->sheet->settings ?? []), $errors);
            $plot = $scenario === null ? $plot : ScriptPlot::of($this->form, Script::read($scenario->events, $this->facts->plant));
        }
        $add = BlockKind::tryFrom(Typed::text($request, 'add'));
        if ($add !== null && $plot instanceof ScriptPlot && ! $plot->isLong() && $add->fits(
            $this->facts->plant,
            $this->facts->loads() !== [],
        )) {
            $plot = new ScriptPlot(
                $this->form,
                [...$plot->rows, $this->form->usual($add, count($plot->rows), Typed::text($request, 'at'))],
                saved: $plot->saved,
            );
        }

        return $plot;
    }

    /** @param array<string, mixed> $sent what Plot::carried() said, or anything else */
    public function carried(array $sent, MessageBag $errors = new MessageBag()): Plot
    {
        $key = is_string($sent['story'] ?? null) ? $sent['story'] : '';
        $id = is_string($sent['saved'] ?? null) ? (int) $sent['saved'] : 0;
        $saved = preg_match('/^saved-(\d{1,18})$/D', $key, $match) === 1
            ? Scenario::query()->findOrFail((int) $match[1])
            : ($key === 'own' && $id > 0 ? Scenario::query()->find($id) : null);
        if (preg_match('/^recording-(\d{1,18})$/D', $key, $match) === 1) {
            return new RecordingPlot(Recording::query()->findOrFail((int) $match[1]));
        }
        if ($key === 'own') {
            return new ScriptPlot($this->form, $this->form->sent($sent['b'] ?? []), saved: $saved);
        }
        if ($saved !== null) {
            return $this->kept($saved, $errors);
        }
        $story = Story::tryFrom($key) ?? Story::Outage;
        $settings = $this->facts->settings($this->facts->switch->sheet->settings ?? []);
        $numbers = [];
        foreach (is_array($sent['n'] ?? null) ? $sent['n'] : [] as $name => $value) {
            $numbers[(string) $name] = is_scalar($value) ? mb_substr(trim((string) $value), 0, 20) : '';
        }

        return new StoryPlot(
            $story->fits($this->facts->plant, $settings, $this->facts->loads()) ? $story : Story::Outage,
            $numbers,
            $this->facts->plant->kind,
        );
    }

    private function kept(Scenario $saved, MessageBag $errors): Plot
    {
        try {
            $events = $this->form->read((new ScenarioFile())->scaled($saved, $this->facts->plant));
        } catch (BadInput $e) {
            $errors->add('story', "\"$saved->name\" cannot be played here: " . $e->getMessage());

            return new StoryPlot(Story::Outage, [], $this->facts->plant->kind);
        }
        $script = Script::read($events, $this->facts->plant);

        return count($script->blocks) > ScriptForm::MOST_ROWS
            ? new ScriptPlot($this->form, [], $events, $saved)
            : ScriptPlot::of($this->form, $script, $saved);
    }
}
