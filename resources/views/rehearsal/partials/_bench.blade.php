@php($plot = $bench->plot)
@php($playing = fn(bool $is) => $is ? 'true' : 'false')
@php($isScript = $plot instanceof \App\Stage\Rehearsal\ScriptPlot)
@php($first = array_slice($bench->stories(), 0, 5))
<div id="bench" class="bench">
    <div class="bench-main">
        <p class="by-hand"><a href="{{ route('hands', $bench->switch) }}">By hand: what people do to it, lamp by lamp</a>,
            <a href="{{ route('bench', $bench->switch) }}">Bench: work it as it goes</a>
        </p>
        <div class="stories-row">
            <form method="post" action="{{ route('rehearsal', $bench->switch) }}" class="stories" aria-label="Story">
                @csrf
                @foreach ($bench->delays as $path => $value)
                    <input type="hidden" name="d[{{ $path }}]" value="{{ $value }}">
                @endforeach
                <div class="choice">
                    @foreach ($first as $story)
                        <button type="submit" name="story" value="{{ $story->value }}" title="{{ $story->teaches() }}"
                            aria-pressed="{{ $playing($story->value === $plot->key()) }}">{{ $story->title() }}</button>
                    @endforeach
                    <details class="more-stories">
                        <summary @class([
                            'is-here' => !in_array(
                                $plot->key(),
                                array_map(fn($story) => $story->value, $first),
                                true),
                        ])>{{ count($bench->stories()) - 5 + count($bench->saved()) }} more</summary>
                        <ul>
                            @foreach ($bench->saved() as $saved)
                                @php($is = $playing($isScript && $plot->saved?->id === $saved->id))
                                <li><button type="submit" name="story" value="saved-{{ $saved->id }}"
                                        aria-pressed="{{ $is }}"><b>{{ $saved->name }}</b><small>Ours.
                                            {{ $saved->teaches }}</small></button></li>
                            @endforeach
                            @foreach (array_slice($bench->stories(), 5) as $story)
                                @php($is = $playing($story->value === $plot->key()))
                                <li><button type="submit" name="story" value="{{ $story->value }}"
                                        aria-pressed="{{ $is }}"><b>{{ $story->title() }}</b><small>{{ $story->teaches() }}</small></button>
                                </li>
                            @endforeach
                        </ul>
                    </details>
                </div>
            </form>
        </div>
        <div class="bench-head">
            <h1>{{ $plot->title() }}</h1>
            <p>{{ $plot->teaches() }}</p>
            <p class="stories-links"><a href="{{ route('seasons', $bench->switch) }}">Run a season</a><a
                    href="{{ route('library') }}">Library</a></p>
        </div>
        <p class="figures">
            @foreach ($bench->figures() as $figure)
                <span>{{ $figure['label'] }} <b class="fig">{{ $figure['value'] }}</b>
                    @if ($figure['change'] !== '')
                        <em class="fig">{{ $figure['change'] }}</em>
                    @endif
                </span>
            @endforeach
            @if ($bench->hasGhost())
                <span class="against">against the run before</span>
            @endif
        </p>
        @if ($bench->overload())
            <x-finding :finding="$bench->overload()" />
        @endif
        <details class="why">
            <summary>How a plain outage adds up on this sheet</summary>
            @foreach ($bench->working as $line)
                <p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} = {{ $line->value }}
                        {{ $line->unit }}</span></p>
            @endforeach
        </details>
        <div class="strip" id="strip" data-cursor="{{ $bench->cursorData() }}">
            {!! $bench->strip->labelSvg() !!}
            <div class="strip-scroll">{!! $bench->strip->plotSvg() !!}</div>
        </div>
        @php($five = $bench->fiveStories())
        <details class="block five" open>
            <summary>
                <h2>Five stories with these delays</h2>
            </summary>
            <div class="scroll-x">
                <table class="ruled blocks">
                    <thead>
                        <tr>
                            <th>Scenario</th>
                            @foreach ($five->columns as $label)
                                <th class="num-col">{{ $label }}</th>
                            @endforeach
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($five->rows as ['story' => $story, 'cells' => $cells])
                            <tr>
                                <th scope="row">{{ $story->title() }}</th>
                                @foreach ($five->columns as $i => $label)
                                    <td class="num-col fig"
                                        data-label="{{ $label }}">{{ $cells[$i]['value'] }}@if ($cells[$i]['was'] !== null)
                                            <small>sheet {{ $cells[$i]['was'] }}</small>
                                        @endif
                                    </td>
                                @endforeach
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        </details>
        <div class="events-head">
            <h2>What happens, and why</h2><span>{{ count($bench->playback->result->events) }} events at {{ count($bench->moments()) }}
                moments</span><span class="keys">&larr; &rarr; event by event, Shift for 0.1&#8239;s</span>
        </div>
        <ol class="events">
            @foreach ($bench->moments() as $i => $moment)
                <li data-moment="{{ $i }}"><button type="button"><span
                            class="fig">{{ $moment['clock'] }}</span><span><b>{{ $moment['headline'] }}.</b> <i>because
                                {{ $moment['because'] }}</i></span></button>
                    @if ($bench->showsReasons())
                        @php($chain = $bench->whyChain($moment['ms']))
                        @if (count($chain) > 1)
                            <details class="why">
                                <summary>Why? {{ count($chain) }} steps back</summary>
                                <ol>
                                    @foreach ($chain as $link)
                                        <li>{{ $link }}</li>
                                    @endforeach
                                </ol>
                            </details>
                        @endif
                    @endif
                </li>
            @endforeach
        </ol>
    </div>
    <aside class="aside bench-aside" aria-label="At the cursor, and what can be turned">
        <h2>At the cursor <span class="fig" id="cursor-clock">0:00.0</span></h2>
        @include('rehearsal.partials._small-line')
        <dl class="pairs" id="cursor-values" aria-live="off">
            <div>
                <dt>Utility counts as</dt>
                <dd data-at="n">&ndash;</dd>
            </div>
            <div>
                <dt>Engine</dt>
                <dd data-at="engine">&ndash;</dd>
            </div>
            <div>
                <dt>Timer</dt>
                <dd data-at="timer">&ndash;</dd>
            </div>
        </dl>
        <form method="post" action="{{ route('rehearsal', $bench->switch) }}" class="turn" id="turn"
            hx-post="{{ route('rehearsal', $bench->switch) }}" hx-target="#bench" hx-swap="outerHTML" hx-trigger="submit, change">
            @csrf
            <input type="hidden" name="story" value="{{ $plot->key() }}">
            <input type="hidden" name="ghost" value="{{ $bench->asGhost() }}">
            <button class="visually-hidden" type="submit" tabindex="-1" aria-hidden="true">Run
                scenario</button>{{-- what Enter in a field presses --}}
            @if ($isScript && !$plot->isLong())
                @include('rehearsal.partials._script')
            @endif
            <h2 class="gap">Delays</h2>
            @foreach ($bench->turnable() as $field)
                <x-turn name="d[{{ $field->path }}]" :label="$field->label" unit="s" :value="$bench->delays[$field->path] ?? ''"
                    :was="($bench->delays[$field->path] ?? '') !== $bench->onSheet($field) ? $bench->onSheet($field) : null"
                    :error="$bench->errors->first('d.' . $field->path)" />
            @endforeach
            @if ($plot instanceof \App\Stage\Rehearsal\StoryPlot)
                <h2 class="gap">Scenario</h2>
                @foreach ($plot->numbers() as $number)
                    <x-turn name="n[{{ $number->name }}]" :label="$number->label" :unit="$number->isTime ? 's' : ''"
                        :value="$plot->typed($number)" :error="$bench->errors->first('n.' . $number->name)" />
                @endforeach
                <button class="btn btn-outline-primary" type="submit" name="edit" value="1">Edit it on the strip</button>
            @endif
            <button class="btn btn-primary" type="submit">Run scenario</button>
        </form>
        @if ($bench->isChanged() && auth()->user()->role->mayWrite() && $bench->errors->isEmpty())
            <form method="post" action="{{ route('sheet.save', $bench->switch) }}">
                @csrf
                @include('settings.partials._carried', [
                    'seen' => $bench->switch->sheet->version,
                    'note' => 'From a rehearsal: ' . $plot->title(),
                    'fields' => $bench->sheetFields(),
                    'habits' => $bench->switch->sheet->habits,
                ])
                <button class="btn btn-outline-primary" type="submit">Put into settings as proposed</button>
            </form>
        @endif
        @if ($isScript && !$plot->isLong() && auth()->user()->role->mayWriteForAll() && $bench->errors->isEmpty())
            <form method="post" action="{{ route('scenarios.save', $bench->switch) }}">
                @include('rehearsal.partials._carried-plot')
                <h2 class="gap">Keep this script</h2>
                <x-field name="name" label="Name" :value="old('name', $plot->saved?->name)" maxlength="80" />
                <x-field name="teaches" label="What it teaches" :value="old('teaches', $plot->saved?->teaches)" maxlength="250" />
                <button class="btn btn-outline-primary" type="submit">Keep it for the company</button>
            </form>
        @endif
        <form method="post" action="{{ route('rehearsal.export', [$bench->switch, 'svg']) }}" class="exports">
            @include('rehearsal.partials._carried-plot')
            <h2 class="gap">Take it away</h2>
            <div class="choice"><button type="submit">Strip, SVG</button><button type="button"
                    data-png="{{ route('rehearsal.export', [$bench->switch, 'svg']) }}" hidden>Strip, PNG</button><button type="submit"
                    formaction="{{ route('rehearsal.export', [$bench->switch, 'csv']) }}">Events, CSV</button><button type="submit"
                    formaction="{{ route('rehearsal.export', [$bench->switch, 'json']) }}">All, JSON</button><button type="submit"
                    formaction="{{ route('rehearsal.export', [$bench->switch, 'utility']) }}">Utility, CSV</button><button type="submit"
                    formaction="{{ route('rehearsal.export', [$bench->switch, 'cff']) }}">Utility, COMTRADE</button></div>
        </form>
    </aside>
</div>
