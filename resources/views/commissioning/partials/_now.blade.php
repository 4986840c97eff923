@php($mayAnswer = $page->mayAnswer() && auth()->user()->role->mayWrite())
@php($slug = str_replace(['/', '.', '_'], '-', $step->id))
<section class="now" @if ($isNow) id="now" @else hidden @endif aria-labelledby="title-{{ $slug }}" data-step="{{ $step->id }}" data-kind="{{ $step->kind->value }}" data-hold="{{ $step->isHold ? 1 : 0 }}" data-waits="{{ implode(' ', $step->dependsOn) }}" data-wanted="{{ $step->choices[0] ?? '' }}" data-min="{{ $step->band?->min }}" data-max="{{ $step->band?->max }}" data-stop-over="{{ $step->band?->stopOver }}">
    @if ($step->hazard)<x-hazard><b>Hazard.</b> {{ $step->hazard }}</x-hazard>@endif
    <p class="now-stage">{{ \Escapement\Core\Commissioning\Procedure\Stage::from(explode('/', $step->id)[0])->title() }}{{ $step->isHold ? ', hold point: nothing goes on without it' : '' }}</p>
    <h2 id="title-{{ $slug }}">{{ $step->title }}</h2>
    <p class="now-why">{{ $step->why }}</p>
    <p><b>Expect:</b> <span @class(['fig' => $step->band || $step->window])>{{ $page->expect($step) }}</span>{{ $step->instrument === '' ? '' : ', by ' . $step->instrument }}</p>
    @if (isset($page->progress->because[$step->id]))<p class="finding-claim"><x-glyph kind="warn"/> Open again. {{ $page->progress->because[$step->id] }}</p>@endif
    @if ($page->timed($step))<p>Timed: <b class="fig">{{ $page->timed($step) }}</b></p>@endif
    @if ($mayAnswer)
    @php($fault = ($page->fault['step'] ?? null) === $step->id ? $page->fault : null)
    <form method="post" action="{{ route('answer', $page->run) }}" class="now-form">
        @csrf<input type="hidden" name="step" value="{{ $step->id }}">
        @if ($fault && ! in_array($fault['field'], ['note', 'skip_reason'], true))<p class="field-error" role="alert"><x-glyph kind="stop"/>{{ $fault['message'] }}</p>@endif
        @if ($step->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Measure)
            <label for="value-{{ $slug }}">{{ $step->band->quantity }}</label><div class="field-box"><input class="form-control has-unit now-value" id="value-{{ $slug }}" name="value" inputmode="decimal" autocomplete="off" value="{{ $fault['typed']['value'] ?? '' }}"><span class="unit">{{ $step->band->unit }}</span></div>
        @elseif ($step->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Choose)
            <div class="choice now-choice">@foreach ($step->choices as $choice)<label><input type="radio" name="choice" value="{{ $choice }}" @checked(($fault['typed']['choice'] ?? '') === $choice)><span>{{ $choice }}</span></label>@endforeach</div>
        @endif
        <label for="note-{{ $slug }}">Note{{ in_array($step->kind, [\Escapement\Core\Commissioning\Procedure\StepKind::Confirm, \Escapement\Core\Commissioning\Procedure\StepKind::Choose], true) ? ', needed when it is not so' : '' }}</label><input class="form-control" id="note-{{ $slug }}" name="note" maxlength="500" value="{{ $fault['typed']['note'] ?? '' }}">
        @if ($fault && in_array($fault['field'], ['note', 'skip_reason'], true))<p class="field-error" role="alert"><x-glyph kind="stop"/>{{ $fault['message'] }}</p>@endif
        <p class="field-error" role="alert" data-fault hidden></p>
        <div class="now-buttons">
        @if (in_array($step->kind, [\Escapement\Core\Commissioning\Procedure\StepKind::Confirm, \Escapement\Core\Commissioning\Procedure\StepKind::Photo, \Escapement\Core\Commissioning\Procedure\StepKind::Sign], true))
            <button class="btn btn-primary btn-glove" type="submit" name="so" value="1">{{ $step->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Confirm ? 'It is so' : 'Done' }}</button><button class="btn btn-outline-primary btn-glove" type="submit" name="so" value="0">Not so</button>
        @elseif ($step->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Time)
            <a class="btn btn-primary btn-glove" href="{{ route('run', $page->run) }}">To the stopwatch</a><button class="btn btn-outline-primary btn-glove" type="submit">Close it with the note</button>
        @else
            <button class="btn btn-primary btn-glove" type="submit">Keep it</button>
        @endif
        @if ($step->mayBeSkipped)<button class="btn btn-outline-primary btn-glove" type="submit" name="skip" value="1">Leave it out, the note says why</button>@endif
        </div>
        @if ($step->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Photo)<p class="field-hint">Pictures are kept with the <a href="{{ route('survey', ['site' => $page->run->switch->site_id, 'on' => 'photos', 'switch' => $page->run->switch_id]) }}">survey's photos</a>.</p>@endif
    </form>
    @endif
    <p class="now-else"><b>If it is not so:</b> {{ $step->ifNot }}</p>
    @if ($isNow && $page->afterNext())<p class="now-after">Then: {{ $page->afterNext()->title }}</p>@endif
</section>
