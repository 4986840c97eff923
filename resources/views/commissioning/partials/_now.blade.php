@use('Escapement\Core\Commissioning\Procedure\Stage')
@php($mayAnswer = $page->mayAnswer() && auth()->user()->role->mayWrite())
@php($slug = str_replace(['/', '.', '_'], '-', $step->id))
@php($kind = $step->kind->value)
<section class="now" @if ($isNow) id="now" @else hidden @endif aria-labelledby="title-{{ $slug }}"
    data-step="{{ $step->id }}" data-kind="{{ $kind }}" data-hold="{{ $step->isHold ? 1 : 0 }}"
    data-waits="{{ implode(' ', $step->dependsOn) }}" data-wanted="{{ array_key_first($step->choices) }}"
    data-noted="{{ implode(' ', $step->noted) }}"
    data-min="{{ $step->band?->min }}"
    data-max="{{ $step->band?->max }}" data-stop-over="{{ $step->band?->stopOver }}" data-stop-under="{{ $step->band?->stopUnder }}"
    data-could-min="{{ $step->band?->couldMin }}" data-could-max="{{ $step->band?->couldMax }}"
    data-could="{{ $step->band?->couldWords() }}" data-asks="{{ $step->asks }}" data-tick="{{ $step->tick }}"
    data-stopped="{{ $step->stoppedBy === [] ? 0 : 1 }}">
    @if ($step->hazard)
        <x-hazard><b>Hazard.</b> {{ $step->hazard }}</x-hazard>
    @endif
    <p class="now-stage">
        {{ Stage::from(explode('/', $step->id)[0])->title() }}{{ $step->isHold ? ', hold point: nothing goes on without it' : '' }}
    </p>
    <h2 id="title-{{ $slug }}" tabindex="-1">{{ $step->title }}</h2>
    <p class="now-why">{{ $step->why }}</p>
    <p><b>Expect:</b> <span
            @class(['fig' => $step->band || $step->window])>{{ $page->expect($step) }}</span>{{ $page->instrument($step) }}
    </p>
    @if ($step->stoppedBy !== [])
        <div class="finding finding-stop">
            <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
            <p class="finding-claim">It cannot be called done while this stands.</p>
            @foreach ($step->stoppedBy as $stop)
                <p class="finding-because">{{ $stop }}</p>
            @endforeach
            <p>
                <a href="{{ $page->putRightAt($step) }}">Correct it in the plan</a>, then let the run go on with the plan as it is then.
            </p>
        </div>
    @endif
    @if (isset($page->progress->because[$step->id]))
        <p class="finding-claim"><x-glyph kind="warn" /> Open again. {{ $page->progress->because[$step->id] }}</p>
    @endif
    @if ($page->answers($step) !== [])
        <p class="now-before">Answered: <b>{{ $page->given($page->answers($step)[0], $step) }}</b>,
            {{ $page->answers($step)[0]->user->name }}
            {{ $page->answers($step)[0]->received_at->copy()->setTimezone($page->run->switch->site->timezone)->format('H:i') }}. A new
            answer counts from then on; both stay in the record.</p>
    @endif
    @if ($page->timed($step))
        <p>Timed: <b class="fig">{{ $page->timed($step) }}</b></p>
    @endif
    @if ($mayAnswer)
        @php($fault = ($page->fault['step'] ?? null) === $step->id ? $page->fault : null)
        <form method="post" action="{{ route('answer', $page->run) }}" class="now-form" enctype="multipart/form-data">
            @csrf<input type="hidden" name="step" value="{{ $step->id }}">
            @if ($fault && !in_array($fault['field'], ['note', 'skip_reason'], true))
                <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $fault['message'] }}</p>
            @endif
            @if ($kind === 'measure')
                @php($derived = $page->derived($step))
                @if ($derived)
                    <p class="now-derived">From what was read before: <b class="fig">{{ round($derived->value, 2) }}
                            {{ $derived->unit }}</b><small>{{ $derived->expression }}</small></p>
                @endif
                <label for="value-{{ $slug }}">{{ $step->band->quantity }}</label>
                <div class="field-box"><input class="form-control has-unit now-value" id="value-{{ $slug }}" name="value"
                        inputmode="decimal" autocomplete="off"
                        value="{{ $fault['typed']['value'] ?? ($derived === null ? '' : round($derived->value, 2)) }}"><span
                        class="unit">{{ $step->band->unit }}</span></div>
                @if ($step->tick)
                    <label class="check now-tick"><input class="form-check-input" type="checkbox" name="so" value="1"
                            @checked(($fault['typed']['so'] ?? '') === '1')>{{ $step->tick }}</label>
                @endif
            @elseif ($kind === 'choose')
                <div class="choice now-choice">
                    @foreach ($step->choices as $id => $words)
                        <label><input type="radio" name="choice" value="{{ $id }}"
                                @checked(($fault['typed']['choice'] ?? '') === $id)><span>{{ $words }}</span></label>
                    @endforeach
                </div>
            @elseif ($kind === 'sign')
                <label for="name-{{ $slug }}">Name</label><input class="form-control" id="name-{{ $slug }}" name="name"
                    maxlength="120" autocomplete="name"
                    value="{{ $fault['typed']['name'] ?? $page->signer($step, auth()->user()) }}">
                <div class="field" x-data="signature"><span class="label" id="pad-{{ $slug }}">Signature,
                        drawn</span>
                    <svg class="sign-pad" x-ref="pad" viewBox="0 0 400 130" role="img"
                        aria-labelledby="pad-{{ $slug }}"
                        x-on:pointerdown="begin" x-on:pointermove="draw" x-on:pointerup="lift" x-on:pointercancel="lift">
                        <path d="M20 105H380" stroke="var(--esc-hair)" />
                        <path x-bind:d="path" fill="none" stroke="currentColor" stroke-width="2.4" stroke-linecap="round"
                            stroke-linejoin="round" />
                    </svg>
                    <input type="hidden" name="drawing" x-bind:value="path"><button class="btn btn-outline-primary" type="button"
                        x-on:click="clear">Draw again</button>
                </div>
            @endif
            <div class="now-pictures" data-pictures>
                @foreach ($page->photos($step) as $photo)
                    <a href="{{ route('photo', ['photo' => $photo, 'size' => 'full']) }}" data-picture="{{ $photo->id }}"><img
                            src="{{ route('photo', ['photo' => $photo, 'size' => 'small']) }}"
                            alt="Picture {{ $loop->iteration }} of this step"></a>
                @endforeach
            </div>
            <label
                for="note-{{ $slug }}">Note{{ $page->noteAsks($step, $kind) }}</label><input
                class="form-control" id="note-{{ $slug }}" name="note" maxlength="500"
                value="{{ $fault['typed']['note'] ?? '' }}">
            @if ($fault && in_array($fault['field'], ['note', 'skip_reason'], true))
                <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $fault['message'] }}</p>
            @endif
            <p class="field-error" role="alert" data-fault hidden></p>
            <div class="now-buttons">
                @if (in_array($kind, ['confirm', 'photo', 'sign'], true))
                    @if ($kind === 'photo')
                        <label class="btn btn-primary btn-glove now-camera">Take a picture<input type="file" name="photos[]"
                                accept="image/*" capture="environment" multiple></label>
                    @endif
                    <button @class([
                        'btn',
                        'btn-glove',
                        'btn-primary' => $kind !== 'photo',
                        'btn-outline-primary' => $kind === 'photo',
                    ]) type="submit" name="so"
                        value="1">{{ ['confirm' => 'Matches', 'photo' => 'Done', 'sign' => 'Signed'][$kind] }}</button><button
                        class="btn btn-outline-primary btn-glove" type="submit" name="so" value="0">Does not match</button>
                @elseif ($kind === 'time')
                    <a class="btn btn-primary btn-glove" href="{{ route('run', $page->run) }}">To the stopwatch</a><button
                        class="btn btn-outline-primary btn-glove" type="submit">Close it with the note</button>
                @else
                    <button class="btn btn-primary btn-glove" type="submit">Keep it</button>
                @endif
                @if ($kind !== 'photo')
                    <label class="btn btn-outline-primary btn-glove now-camera">Picture<input type="file" name="photos[]"
                            accept="image/*" capture="environment" multiple></label>
                @endif
                @if ($step->mayBeSkipped)
                    <button class="btn btn-outline-primary btn-glove" type="submit" name="skip" value="1">Leave it out, the
                        note says why</button>
                @endif
            </div>
        </form>
    @endif
    <p class="now-else"><b>If it does not match:</b> {{ $step->ifNot }}</p>
    @if ($isNow && $page->afterNext())
        <p class="now-after">Then: {{ $page->afterNext()->title }}</p>
    @endif
</section>
