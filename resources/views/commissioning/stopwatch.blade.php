@extends('layouts.site', ['here' => 'commission'])
@section('title', $run->switch->site->name . ': stopwatch')
@section('body', 'is-watch')
@section('main')
    <div class="watch" x-data="stopwatch" data-watch="{{ $watch }}">
        <p class="net" role="status"><svg width="15" height="22" viewBox="0 0 15 22" aria-hidden="true">
                <rect x="1" y="1" width="13" height="20" rx="2" fill="none" stroke="currentColor" stroke-width="1.6" />
                <path d="M4.5 11l2 2.5 4-5" fill="none" stroke="currentColor" stroke-width="1.6" />
            </svg><span x-text="netWords">Marks are kept on this device first.</span><b x-text="unsentWords"></b></p>
        <div class="watch-main">
            @include('partials.test-hazard', ['kind' => $run->plantThen()['kind']])
            <p class="to-other"><a href="{{ route('procedure', $run) }}">The whole procedure, step by step</a></p>
            <div class="watch-head">
                <h1 x-text="wayName">{{ $ways[0]['name'] }}</h1><span x-text="whereWords">{{ $ways[0]['where'] }}</span>
            </div>
            <p class="small" x-show="provesWords" x-text="provesWords" x-cloak></p>
            <ol class="marks" aria-label="Marks">
                <template x-for="line in linesNow" x-bind:key="line.id">
                    @include('commissioning.partials._mark')
                </template>
            </ol>
            <div class="mark-note" x-show="isNoting" x-cloak>
                <label for="mark-note" x-text="noteWords">Note on this mark</label>
                <input id="mark-note" class="form-control" maxlength="500" x-ref="note">
                <button type="button" class="btn btn-outline-primary" x-on:click="saveNote">Keep the note on this mark</button>
            </div>
            <p class="quiet" x-show="isEmpty">Nothing marked yet. The clock starts with the first mark.</p>
            <div class="gauge-room" x-ref="gauge" x-show="isRunning"></div>
            @if (!$run->isSigned() && auth()->user()->role->mayWrite())
                <button type="button" class="mark-button" x-ref="button" x-on:click="mark" x-show="isOpen"
                    x-bind:aria-disabled="isResting"><b
                        x-text="buttonWords">Mark: utility off</b><span x-text="whenWords">as you open the disconnect
                        upstream</span></button>
                <div class="watch-foot" x-show="isOpen">
                    <button type="button" class="btn btn-outline-primary btn-glove" x-on:click="undo" x-show="canUndo"
                        x-text="undoWords">Undo</button>
                    <button type="button" class="btn btn-outline-primary btn-glove" x-on:click="skip" x-show="canSkip"
                        x-text="skipWords">Skip</button>
                </div>
                <p class="said" x-show="isDone">All marked. Read the verdict, add what is missing, and sign.</p>
                <div class="watch-again"><template x-for="choice in choices" x-bind:key="choice.id"><button type="button"
                            class="btn btn-outline-primary btn-glove" x-on:click="choose(choice.id)"
                            x-text="choice.again"></button></template>
                </div>
            @endif
            <details class="block" x-show="hasEarlier" x-cloak>
                <summary>
                    <h2>Timed before in this run</h2>
                </summary>
                <ol class="marks" aria-label="Marks before"><template x-for="line in linesBefore"
                        x-bind:key="line.id">@include('commissioning.partials._mark')</template></ol>
            </details>
            <noscript>
                <p class="finding-claim">The stopwatch needs the page's script. Marks from paper go in below, as late entries.</p>
            </noscript>
        </div>
        <div class="watch-side">
            @if ($hasBench)
                <p><a href="{{ route('run.device', $run) }}">Compare with the log of the bench</a></p>
            @endif
            <section id="verdict" class="block" hx-get="{{ route('run.verdict', $run) }}"
                hx-trigger="marks-sent from:body, online from:window"
                hx-swap="innerHTML">@include('commissioning.partials._verdict')</section>
            @if (!$run->isSigned() && auth()->user()->role->mayWrite())
                <details class="block" @if ($errors->hasAny(['event', 'at_s', 'late_reason'])) open @endif>
                    <summary>
                        <h2>Add a mark late</h2>
                    </summary>
                    <form method="post" action="{{ route('marks.late', $run) }}">
                        @csrf
                        <div class="fields">
                            <div class="field"><label for="f-event">What happened</label>
                                <select id="f-event" name="event" class="form-select">
                                    @foreach (\App\Stage\Commissioning\RunResult::events($run->switch->plant['kind']) as $event)
                                        <option value="{{ $event->value }}" @selected(old('event') === $event->value)>
                                            {{ \App\Stage\Commissioning\RunResult::eventName($event->value, $run->plantThen()['kind']) }}
                                        </option>
                                    @endforeach
                                </select>
                            </div>
                            <x-field name="at_s" label="Seconds since the start of the run" unit="s" inputmode="decimal"
                                :value="old('at_s', '')" />
                            <x-field name="late_reason" label="Where this time comes from" :value="old('late_reason', '')" />
                        </div>
                        <button class="btn btn-outline-primary" type="submit">Put it in</button>
                    </form>
                </details>
            @endif
            @if (auth()->user()->role->mayWrite())
                <details class="block" @error('text') open @enderror>
                    <summary>
                        <h2>{{ $run->isSigned() ? 'Add an amendment' : 'Write a note' }}</h2>
                    </summary>
                    <form method="post" action="{{ route('notes', $run) }}">@csrf
                        <div class="field"><label for="f-text">Note</label>
                            <textarea id="f-text" class="form-control" name="text" rows="3">{{ old('text') }}</textarea>
                            @error('text')
                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                            @enderror
                        </div>
                        <button class="btn btn-outline-primary" type="submit">Keep the note</button>
                    </form>
                </details>
            @endif
            @if ($run->isSigned())
                <p class="block"><a class="btn btn-primary" href="{{ route('report', $run) }}">The signed report</a></p>
            @elseif (auth()->user()->role->maySign())
                <section class="block sign">
                    <h2>Sign</h2>
                    <p class="finding-because">Signing closes the run. What is found later is an amendment. What this run does not touch
                        keeps its earlier date.</p>
                    <div id="parts" hx-get="{{ route('run.parts', $run) }}" hx-trigger="marks-sent from:body, online from:window"
                        hx-swap="innerHTML">@include('commissioning.partials._parts', ['parts' => $result->parts()])</div>
                    @include('commissioning.partials._sign')
                </section>
            @elseif (auth()->user()->role->mayWrite())
                <p class="missing"><x-glyph kind="note" /><span>A technician signs this run. All that you mark and answer is kept under
                        your
                        name.</span></p>
            @endif
        </div>
    </div>
@endsection
