<div id="bench" class="bench">
<div class="bench-main">
    <form method="post" action="{{ route('rehearsal', $bench->switch) }}" class="stories" aria-label="Story">
        @csrf
        @foreach ($bench->delays as $path => $value)<input type="hidden" name="d[{{ $path }}]" value="{{ $value }}">@endforeach
        <div class="choice">
            @foreach (array_slice($bench->stories(), 0, 5) as $story)<button type="submit" name="story" value="{{ $story->value }}" title="{{ $story->teaches() }}" aria-pressed="{{ $story === $bench->story ? 'true' : 'false' }}">{{ $story->title() }}</button>@endforeach
            <details class="more-stories">
                <summary @class(['is-here' => ! in_array($bench->story, array_slice($bench->stories(), 0, 5), true)])>{{ count($bench->stories()) - 5 }} more</summary>
                <ul>@foreach (array_slice($bench->stories(), 5) as $story)<li><button type="submit" name="story" value="{{ $story->value }}" aria-pressed="{{ $story === $bench->story ? 'true' : 'false' }}"><b>{{ $story->title() }}</b><small>{{ $story->teaches() }}</small></button></li>@endforeach</ul>
            </details>
        </div>
    </form>
    <div class="bench-head"><h1>{{ $bench->story->title() }}</h1><p>{{ $bench->story->teaches() }}</p></div>
    <p class="figures">
        @foreach ($bench->figures() as $figure)<span>{{ $figure['label'] }} <b class="fig">{{ $figure['value'] }}</b>@if ($figure['change'] !== '') <em class="fig">{{ $figure['change'] }}</em>@endif</span>@endforeach
        @if ($bench->hasGhost())<span class="against">against the run before</span>@endif
    </p>
    <details class="why"><summary>How a plain outage adds up on this sheet</summary>
        @foreach ($bench->working as $line)<p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} = {{ $line->value }} {{ $line->unit }}</span></p>@endforeach
    </details>
    <div class="strip" id="strip" data-cursor="{{ $bench->cursorData() }}">
        {!! $bench->strip->labelSvg() !!}
        <div class="strip-scroll">{!! $bench->strip->plotSvg() !!}</div>
    </div>
    <div class="events-head"><h2>What happens, and why</h2><span>{{ count($bench->tracks->result->events) }} events at {{ count($bench->moments()) }} moments</span><span class="keys">&larr; &rarr; event by event, Shift for 0.1&#8239;s</span></div>
    <ol class="events">
        @foreach ($bench->moments() as $i => $moment)
            <li data-moment="{{ $i }}"><button type="button"><span class="fig">{{ $moment['clock'] }}</span><span><b>{{ $moment['headline'] }}.</b> <i>because {{ $moment['because'] }}</i></span></button>
                @php($chain = $bench->whyChain($moment['ms']))
                @if (count($chain) > 1)<details class="why"><summary>Why? {{ count($chain) }} steps back</summary><ol>@foreach ($chain as $link)<li>{{ $link }}</li>@endforeach</ol></details>@endif</li>
        @endforeach
    </ol>
</div>
<aside class="aside bench-aside" aria-label="Turn the delays">
    <h2>At the cursor <span class="fig" id="cursor-clock">0:00.0</span></h2>
    <dl class="pairs" id="cursor-values" aria-live="off">
        <div><dt>Utility</dt><dd data-at="volts" class="fig">&ndash;</dd></div>
        <div><dt>Utility counts as</dt><dd data-at="n">&ndash;</dd></div>
        <div><dt>Engine</dt><dd data-at="engine">&ndash;</dd></div>
        <div><dt>Switch on</dt><dd data-at="position">&ndash;</dd></div>
        <div><dt>Loads</dt><dd data-at="live">&ndash;</dd></div>
        <div><dt>Timer</dt><dd data-at="timer">&ndash;</dd></div>
    </dl>
    <form method="post" action="{{ route('rehearsal', $bench->switch) }}" class="turn" id="turn"
        hx-post="{{ route('rehearsal', $bench->switch) }}" hx-target="#bench" hx-swap="outerHTML" hx-trigger="submit, change">
        @csrf
        <input type="hidden" name="story" value="{{ $bench->story->value }}">
        <input type="hidden" name="ghost" value="{{ $bench->asGhost() }}">
        <h2 class="gap">Delays</h2>
        @foreach ($bench->turnable() as $field)
            <x-turn name="d[{{ $field->path }}]" :label="$field->label" unit="s" :value="$bench->delays[$field->path] ?? ''" :was="($bench->delays[$field->path] ?? '') !== $bench->onSheet($field) ? $bench->onSheet($field) : null" :error="$bench->errors->first('d.' . $field->path)"/>
        @endforeach
        <h2 class="gap">Story</h2>
        @foreach ($bench->story->numbers() as $number)
            <x-turn name="n[{{ $number->name }}]" :label="$number->label" :unit="$number->isTime ? 's' : ''" :value="$bench->numberTyped($number)" :error="$bench->errors->first('n.' . $number->name)"/>
        @endforeach
        <button class="btn btn-primary" type="submit">Play it</button>
    </form>
    @if ($bench->isChanged() && auth()->user()->role->mayWrite() && $bench->errors->isEmpty())
    <form method="post" action="{{ route('sheet.save', $bench->switch) }}">
        @csrf
        @include('settings.partials._carried', ['seen' => $bench->switch->sheet->version, 'note' => 'From a rehearsal: ' . $bench->story->title(), 'fields' => $bench->sheetFields(), 'habits' => $bench->switch->sheet->habits])
        <button class="btn btn-outline-primary" type="submit">Put into settings as proposed</button>
    </form>
    @endif
    <form method="post" action="{{ route('rehearsal.export', [$bench->switch, 'svg']) }}" class="exports">
        @csrf
        <input type="hidden" name="story" value="{{ $bench->story->value }}">
        @foreach ($bench->delays as $path => $value)<input type="hidden" name="d[{{ $path }}]" value="{{ $value }}">@endforeach
        @foreach ($bench->story->numbers() as $number)<input type="hidden" name="n[{{ $number->name }}]" value="{{ $bench->numberTyped($number) }}">@endforeach
        <h2 class="gap">Take it away</h2>
        <div class="choice"><button type="submit">Strip, SVG</button><button type="submit" formaction="{{ route('rehearsal.export', [$bench->switch, 'csv']) }}">Events, CSV</button><button type="submit" formaction="{{ route('rehearsal.export', [$bench->switch, 'json']) }}">All, JSON</button></div>
    </form>
</aside>
</div>
