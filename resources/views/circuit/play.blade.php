@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': circuit played')
@section('main')
    <div class="head">
        <div>
            <h1>The circuit in time</h1>
            <p>What these devices with these times do, to the millisecond.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'circuit'])
    @include('circuit.partials._views', ['switch' => $page->switch, 'tab' => 'play'])
    <nav class="choice" aria-label="Ready stories">
        @foreach ($page->script->stories as $key => $story)
            <a href="{{ route('circuit.play', ['switch' => $page->switch, 'story' => $key]) }}"
                @if ($page->script->story === $key) aria-current="true" @endif>{{ $story['name'] }}</a>
        @endforeach
        <a href="{{ route('circuit.play', ['switch' => $page->switch, 'rows' => $page->script->asRows()]) }}#own"
            @if ($page->script->story === '') aria-current="true" @endif>Own script</a>
    </nav>
    @if ($page->problem)
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $page->problem }}</p>
    @endif
    @if ($page->script->story === '')
        @include('circuit.partials._script')
    @endif
    @if ($page->story)
        <dl class="pairs play-figures" id="strip">
            <div>
                <dt>Load without power</dt>
                <dd class="fig">{{ $page->darkS() }}</dd>
            </div>
            <div>
                <dt>Both sources closed</dt>
                <dd class="fig">
                    {{ $page->bothClosed() }}
                </dd>
            </div>
            <div>
                <dt>Covered by the proof</dt>
                <dd>{{ $page->story->result->coveredByProof ? 'yes' : 'no: with a fault, or dials it does not model' }}</dd>
            </div>
        </dl>
        @if ($page->story->result->bothClosed !== [])
            <x-hazard><b>Back-feed.</b> In this run both sources are closed together. On a real panel this kills, or destroys the sources.
                Connect no source before the circuit is corrected and proved.</x-hazard>
        @endif
        <div class="scroll-x" tabindex="0" role="region" aria-label="Timing strip, scrollable">{!! $page->strip()->svg() !!}</div>
        <div class="cursor-do">
            @if ($page->previous() !== null)
                <a class="btn btn-outline-primary" href="{{ $page->at($page->previous()) }}" rel="prev">Before</a>
            @endif
            <b class="fig">{{ number_format($page->cursorMs / 1000, 3) }} s</b>
            @if ($page->next() !== null)
                <a class="btn btn-outline-primary" href="{{ $page->at($page->next()) }}" rel="next">Next</a>
            @endif
        </div>
        <div class="scroll-x ladder-sheet" tabindex="0" role="region" aria-label="Ladder, scrollable">{!! $page->ladder()->svg() !!}</div>
    @endif
    @include('circuit.partials._times')
@endsection
@section('aside')
    @if ($page->story)
        @foreach ($page->story->result->findings as $finding)
            <x-finding :finding="$finding" />
        @endforeach
        <h2 class="aside-head">Events</h2>
        <ol class="play-events">
            @foreach ($page->events() as $event)
                <li>
                    <a href="{{ $page->at($event['ms']) }}" @if ($event['ms'] === $page->cursorMs) aria-current="true" @endif>
                        <span class="fig">{{ $event['time'] }}</span> <b>{{ $event['words'] }}</b>
                        <small>{{ $event['because'] }}</small>
                    </a>
                </li>
            @endforeach
        </ol>
    @endif
@endsection
