@php($next = $page->next())
@php($mayAnswer = $page->mayAnswer() && auth()->user()->role->mayWrite())
<div id="procedure" class="procedure" data-closed="{{ json_encode($page->closed()) }}">
    <div class="head">
        <div>
            <h1>{{ $page->run->isService() ? 'Service visit' : 'Procedure' }}</h1>
            <p><b class="fig">{{ $page->progress->closed() }} of {{ count($page->progress->states) }}</b> steps closed, against version
                {{ $page->run->sheet->version }} of the sheet.@if ($page->people() !== [])
                    {{ implode('; ', $page->people()) }}.
                @endif
            </p>
        </div><a class="btn btn-outline-primary for-desk" href="{{ route('procedure.sheet', $page->run) }}">As a sheet</a>
        @unless ($page->run->isService())
            <a class="btn btn-outline-primary" href="{{ route('run', $page->run) }}">Stopwatch</a>
        @endunless
    </div>
    @if ($page->newerVersion() || $page->isPlanChanged())
        <div class="finding finding-warn">
            <p class="finding-head"><x-glyph kind="warn" /><b>Warn</b></p>
            <p class="finding-claim">
                @if ($page->newerVersion())
                    The sheet is at version {{ $page->newerVersion() }}; this run still goes by version {{ $page->run->sheet->version }}.
                    @endif @if ($page->isPlanChanged())
                        The survey or the plan has changed since this run began.
                    @endif
            </p>
            <p class="finding-because">Following it opens exactly the steps again whose expectation changes. What was answered stays in the
                record.</p>
            @if ($mayAnswer)
                <form method="post" action="{{ route('run.follow', $page->run) }}">@csrf<button class="btn btn-outline-primary"
                        type="submit">Go on with them as they are now</button></form>
            @endif
        </div>
    @endif
    @foreach ($page->asked() as $step)
        @include('commissioning.partials._now', ['step' => $step, 'isNow' => $step->id === $next?->id])
    @endforeach
    @if ($next === null && $page->mayAnswer())
        <p class="missing"><x-glyph kind="proven" /><span>Every step that can be answered is.
                @if ($page->run->isService())
                    Sign <a href="#sign">below</a>.
                @else
                    Sign at the <a href="{{ route('run', $page->run) }}">stopwatch</a>.
                @endif
            </span> </p>
    @endif
    @foreach ($page->stages() as $title => $steps)
        <details class="block" @if ($page->isWorkedOn($steps)) open @endif>
            <summary>
                <h2>{{ $title }}</h2><span class="fig">{{ $page->closedOf($steps) }} of {{ count($steps) }}</span>
            </summary>
            @if (str_starts_with($steps[0]->id, 'isolate/'))
                <p class="to-other"><a href="{{ route('isolation', $page->run) }}">Isolation plan to hang up (PDF)</a></p>
            @endif
            <ol class="procedure-steps">
                @foreach ($steps as $step)
                    @php($isNow = $step->id === $next?->id)
                    @php($url = route('procedure', [$page->run, 'step' => $step->id]))
                    <li data-item="{{ $step->id }}" @class(['is-now' => $isNow])><x-glyph :kind="$page->glyph($step)" /><span>
                            @if ($page->mayAnswer() && $page->isAnswerable($step))
                                <a
                                href="{{ $url }}#now"><b>{{ $step->title }}</b></a>@else<b>{{ $step->title }}</b>
                            @endif
                            <small>
                                <span @class(['fig' => $step->band || $step->window])>{{ $page->expect($step) }}</span></small>
                            @if ($step->hazard)
                                <small class="hazard-line"><b>Hazard.</b> {{ $step->hazard }}</small>
                            @endif
                        </span>
                        <span class="step-state">{{ $page->stateWords($step) }}@if ($page->timed($step))
                                <small class="fig">{{ $page->timed($step) }}</small>
                            @endif
                            @foreach ($page->answers($step) as $answer)
                                <small @class(['struck' => !$loop->first])>{{ $page->given($answer, $step) }},
                                    {{ $answer->user->initials() }}
                                    {{ $page->clock($answer->received_at) }}</small>
                            @endforeach
                            @if ($page->photos($step) !== [])
                                <small>{{ trans_choice('1 picture|:count pictures', count($page->photos($step))) }}</small>
                            @endif
                            @if ($page->isDisputed($step))
                                <small><b>Two people disagree: look.</b></small>
                            @endif
                        </span>
                    </li>
                @endforeach
            </ol>
        </details>
    @endforeach
</div>
