@php($next = $page->next())
@php($mayAnswer = $page->mayAnswer() && auth()->user()->role->mayWrite())
<div id="procedure" class="procedure">
<div class="head"><div><h1>Procedure</h1><p><b class="fig">{{ $page->progress->closed() }} of {{ count($page->progress->states) }}</b> steps closed, against version {{ $page->run->sheet->version }} of the sheet.@if ($page->people() !== []) {{ implode('; ', $page->people()) }}.@endif</p></div><a class="btn btn-outline-primary" href="{{ route('run', $page->run) }}">Stopwatch</a></div>
@if ($page->newerVersion())
<div class="finding finding-warn"><p class="finding-head"><x-glyph kind="warn"/><b>Warn</b></p><p class="finding-claim">The sheet is at version {{ $page->newerVersion() }}; this run still goes by version {{ $page->run->sheet->version }}.</p><p class="finding-because">Following it opens exactly the steps again whose expectation changes. What was answered stays in the record.</p>
@if ($mayAnswer)<form method="post" action="{{ route('run.follow', $page->run) }}">@csrf<button class="btn btn-outline-primary" type="submit">Go on with version {{ $page->newerVersion() }}</button></form>@endif</div>
@endif
@if ($next !== null && $page->mayAnswer())
<section class="now" id="now" aria-labelledby="now-title">
    @if ($next->hazard)<x-hazard><b>Hazard.</b> {{ $next->hazard }}</x-hazard>@endif
    <p class="now-stage">{{ \Escapement\Core\Commissioning\Procedure\Stage::from(explode('/', $next->id)[0])->title() }}{{ $next->isHold ? ', hold point: nothing goes on without it' : '' }}</p>
    <h2 id="now-title">{{ $next->title }}</h2>
    <p class="now-why">{{ $next->why }}</p>
    <p><b>Expect:</b> <span @class(['fig' => $next->band || $next->window])>{{ $page->expect($next) }}</span>{{ $next->instrument === '' ? '' : ', by ' . $next->instrument }}</p>
    @if (isset($page->progress->because[$next->id]))<p class="finding-claim"><x-glyph kind="warn"/> Open again. {{ $page->progress->because[$next->id] }}</p>@endif
    @if ($page->timed($next))<p>Timed: <b class="fig">{{ $page->timed($next) }}</b></p>@endif
    @if ($mayAnswer)
    @php($fault = ($page->fault['step'] ?? null) === $next->id ? $page->fault : null)
    <form method="post" action="{{ route('answer', $page->run) }}" hx-post="{{ route('answer', $page->run) }}" hx-target="#procedure" hx-swap="outerHTML" class="now-form">
        @csrf<input type="hidden" name="step" value="{{ $next->id }}">
        @if ($fault && ! in_array($fault['field'], ['note', 'skip_reason'], true))<p class="field-error" role="alert"><x-glyph kind="stop"/>{{ $fault['message'] }}</p>@endif
        @if ($next->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Measure)
            <label for="value">{{ $next->band->quantity }}</label><div class="field-box"><input class="form-control has-unit now-value" id="value" name="value" inputmode="decimal" autocomplete="off" value="{{ $fault['typed']['value'] ?? '' }}"><span class="unit">{{ $next->band->unit }}</span></div>
        @elseif ($next->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Choose)
            <div class="choice now-choice">@foreach ($next->choices as $choice)<label><input type="radio" name="choice" value="{{ $choice }}" @checked(($fault['typed']['choice'] ?? '') === $choice)><span>{{ $choice }}</span></label>@endforeach</div>
        @endif
        <label for="note">Note{{ in_array($next->kind, [\Escapement\Core\Commissioning\Procedure\StepKind::Confirm, \Escapement\Core\Commissioning\Procedure\StepKind::Choose], true) ? ', needed when it is not so' : '' }}</label><input class="form-control" id="note" name="note" maxlength="500" value="{{ $fault['typed']['note'] ?? '' }}">
        @if ($fault && in_array($fault['field'], ['note', 'skip_reason'], true))<p class="field-error" role="alert"><x-glyph kind="stop"/>{{ $fault['message'] }}</p>@endif
        <div class="now-buttons">
        @if (in_array($next->kind, [\Escapement\Core\Commissioning\Procedure\StepKind::Confirm, \Escapement\Core\Commissioning\Procedure\StepKind::Photo, \Escapement\Core\Commissioning\Procedure\StepKind::Sign], true))
            <button class="btn btn-primary btn-glove" type="submit" name="so" value="1">{{ $next->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Confirm ? 'It is so' : 'Done' }}</button><button class="btn btn-outline-primary btn-glove" type="submit" name="so" value="0">Not so</button>
        @elseif ($next->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Time)
            <a class="btn btn-primary btn-glove" href="{{ route('run', $page->run) }}">To the stopwatch</a><button class="btn btn-outline-primary btn-glove" type="submit">Close it with the note</button>
        @else
            <button class="btn btn-primary btn-glove" type="submit">Keep it</button>
        @endif
        @if ($next->mayBeSkipped)<button class="btn btn-outline-primary btn-glove" type="submit" name="skip" value="1">Leave it out, the note says why</button>@endif
        </div>
        @if ($next->kind === \Escapement\Core\Commissioning\Procedure\StepKind::Photo)<p class="field-hint">Pictures are kept with the <a href="{{ route('survey', ['site' => $page->run->switch->site_id, 'on' => 'photos', 'switch' => $page->run->switch_id]) }}">survey's photos</a>.</p>@endif
    </form>
    @endif
    <p class="now-else"><b>If it is not so:</b> {{ $next->ifNot }}</p>
    @if ($page->afterNext())<p class="now-after">Then: {{ $page->afterNext()->title }}</p>@endif
</section>
@elseif ($page->mayAnswer())
<p class="missing"><x-glyph kind="proven"/>Every step that can be answered is. Sign at the <a href="{{ route('run', $page->run) }}">stopwatch</a>.</p>
@endif
@foreach ($page->stages() as $title => $steps)
<details class="block" @if ($page->isWorkedOn($steps)) open @endif><summary><h2>{{ $title }}</h2><span class="fig">{{ $page->closedOf($steps) }} of {{ count($steps) }}</span></summary>
    <ol class="procedure-steps">
    @foreach ($steps as $step)
        <li id="step-{{ str_replace(['/', '.'], '-', $step->id) }}" @class(['is-now' => $step->id === $next?->id])><x-glyph :kind="$page->glyph($step)"/><span><b>{{ $step->title }}</b><small><span @class(['fig' => $step->band || $step->window])>{{ $page->expect($step) }}</span></small></span>
        <span class="step-state">{{ $page->stateWords($step) }}@if ($page->timed($step))<small class="fig">{{ $page->timed($step) }}</small>@endif
        @foreach ($page->answers($step) as $answer)<small @class(['struck' => ! $loop->first])>{{ $page->given($answer, $step) }}, {{ $answer->user->initials() }} {{ $answer->received_at->copy()->setTimezone($page->run->switch->site->timezone)->format('H:i') }}</small>@endforeach
        @if ($page->isDisputed($step))<small><b>Two people disagree: look.</b></small>@endif</span></li>
    @endforeach
    </ol>
</details>
@endforeach
</div>
