@extends('layouts.app')
@section('title', 'Visits, ' . $page->title())
@section('content')
    <main id="main" class="main visits">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head">
            <div>
                <h1>Visits, {{ $page->title() }}</h1>
                <p>Who goes where on which day. <a href="{{ route('my-day') }}">My day</a></p>
            </div>
            @if (auth()->user()->role->mayWriteForAll())
                <form method="post" action="{{ route('visits.collect') }}">@csrf<button class="btn btn-outline-primary"
                        type="submit">Collect what
                        is due</button></form>
                <form method="post" action="{{ route('visits.plan') }}">
                    @csrf
                    <input type="hidden" name="start" value="{{ now()->format('Y-m-d') }}">
                    <input type="hidden" name="days" value="{{ $page->days }}">
                    <button class="btn btn-primary" type="submit">Plan again, keep locked</button>
                </form>
            @endif
        </div>
        @if ($page->isPlanning())
            <p class="said" role="status" hx-get="{{ route('visits') }}" hx-trigger="every 1s" hx-select="#main" hx-target="#main"
                hx-swap="outerHTML">Being planned …</p>
        @endif
        @if ($page->failure())
            <p class="field-error"><x-glyph kind="stop" />It could not be planned: {{ $page->failure() }}</p>
        @endif
        @if ($page->result() !== [])
            <p class="visit-figures"><span>Placed <b class="fig">{{ $page->placed() }}</b> of
                    {{ count($page->facts->visits) + count($page->facts->nowhere) }}</span>
                <span>Days on the road <b class="fig">{{ $page->figure('technician_days') }}</b></span>
                <span>Travel <b
                        class="fig">{{ $page->travel() }}</b>&#8239;h</span>
                <span>Late days <b class="fig">{{ $page->figure('late_days') }}</b></span>
            </p>
            <p class="working">{{ $page->gap() }} Travel is estimated from straight lines.</p>
        @endif
        @if ($page->facts->people === [])
            <p class="missing"><x-glyph kind="note" />Nobody's hours are entered: see <a href="{{ route('calendar') }}#people">who works
                    when</a>.</p>
        @else
            <div class="scroll-x" x-data="visitPlan" data-move="{{ route('visit.move', 'VISIT') }}" x-on:pointerdown="grab"
                x-on:pointermove="drag" x-on:pointerup="drop" x-on:keydown="key">
                {!! $page->ruler()->svg() !!}
                <p class="drag-words" aria-live="polite" x-text="words"></p>
            </div>
            <p class="key"><span>box: work</span><span>line: the way, in minutes</span><span>dots: waiting</span><span>grey: not at
                    work</span><span>thick ends: locked</span></p>
        @endif
        @error('on')
            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
        @if ($page->unplaced() !== [] || $page->waiting() !== [])
            <section class="block" aria-labelledby="unplaced">
                <h2 id="unplaced">Not placed</h2>
                <ul class="plain">
                    @foreach ($page->waiting() as $visit)
                        <li><b>{{ $visit->switch->site->name }}</b>, {{ \App\Stage\Visits\VisitWords::of($visit) }}:
                            waits for the next plan.
                        </li>
                    @endforeach
                    @foreach ($page->unplaced() as $row)
                        <li><x-glyph kind="warn" /><b>{{ $row['visit']->switch->site->name }}</b>,
                            {{ \App\Stage\Visits\VisitWords::of($row['visit']) }}: {{ $row['why'] }}. {{ $row['help'] }}
                            @if ($row['visit']->switch->site->lat === null)
                                <a href="{{ route('schedule', $row['visit']->switch_id) }}#known">Enter it</a>
                            @endif
                        </li>
                    @endforeach
                </ul>
                @if ($page->facts->leftOut > 0)
                    <p class="quiet">{{ $page->facts->leftOut }} less urgent visits are not planned: a plan takes
                        {{ \App\Bridge\VisitFacts::MOST_VISITS }}.</p>
                @endif
            </section>
        @endif
        <section class="block" aria-labelledby="all">
            <h2 id="all">All open visits</h2>
            @if ($page->facts->visits === [] && $page->facts->nowhere === [])
                <p class="quiet">None. Collect what is due, or enter one.</p>
            @else
                <div class="scroll-x">
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th>Site</th>
                                <th>What</th>
                                <th>Due</th>
                                <th>Stands</th>
                                <th></th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ([...$page->facts->visits, ...$page->facts->nowhere] as $visit)
                                <tr>
                                    <th scope="row">{{ $visit->switch->site->name }}</th>
                                    <td>{{ \App\Stage\Visits\VisitWords::of($visit) }}<small class="fig">{{ $visit->duration_min }}
                                            min</small></td>
                                    <td class="fig">{{ $visit->due?->format('j M Y') ?? '–' }}</td>
                                    <td>
                                        @if ($visit->placed_on)
                                            {{ $visit->placed?->name }}, <span class="fig">{{ $visit->placed_on->format('D j M') }}
                                                {{ \App\Stage\Visits\DaySheet::clock($visit->begin_min) }}</span>{{ $visit->lockWords() }}
                                        @else
                                            not placed
                                        @endif
                                    </td>
                                    <td>
                                        @if (auth()->user()->role->mayWriteForAll())
                                            <a href="{{ route('visits', ['visit' => $visit->id]) }}#change">Change</a>
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
        </section>
        @if (auth()->user()->role->mayWriteForAll())
            @if ($chosen)
                <section class="block" id="change">
                    <h2>{{ $chosen->switch->site->name }}: {{ \App\Stage\Visits\VisitWords::of($chosen) }}</h2>
                    <form method="post" action="{{ route('visit.move', $chosen) }}" class="fields">
                        @csrf @method('put')
                        <div class="field"><label for="person">Lock it to</label><select class="form-select" id="person" name="person">
                                @foreach ($page->facts->people as $person)
                                    <option value="{{ $person->user_id }}"
                                        @selected($chosen->placed_user_id === $person->user_id)>{{ $person->user->name }}</option>
                                @endforeach
                            </select></div>
                        <x-field name="on" label="On" type="date" :value="old('on', $chosen->placed_on?->format('Y-m-d'))" />
                        <div><button class="btn btn-primary" type="submit">Lock it there</button></div>
                    </form>
                    <div class="row-of-buttons">
                        @if ($chosen->isLocked())
                            <form method="post" action="{{ route('visit.move', $chosen) }}">@csrf @method('put')<button
                                    class="btn btn-outline-primary" type="submit">Unlock it</button></form>
                        @endif
                        <form method="post" action="{{ route('visit.finish', $chosen) }}">@csrf<button class="btn btn-outline-primary"
                                type="submit">It is done</button></form>
                    </div>
                </section>
            @endif
            <details class="block add-one"
                @if ($errors->hasAny(['switch', 'what', 'duration_min', 'due', 'earliest', 'latest', 'from', 'to'])) open @endif>
                <summary>
                    <h2>Enter a visit</h2>
                </summary>
                <form method="post" action="{{ route('visits.add') }}">
                    @csrf
                    <div class="fields">
                        <div class="field"><label for="switch">Site</label><select class="form-select" id="switch" name="switch">
                                @foreach ($switches as $switch)
                                    <option value="{{ $switch->id }}"
                                        @selected(old('switch') == $switch->id)>{{ $switch->site->name }}</option>
                                @endforeach
                            </select></div>
                        <x-field name="what" label="What" :value="old('what', '')" maxlength="120" />
                        <x-field name="duration_min" label="Takes" unit="min" inputmode="numeric" :value="old('duration_min', 60)" />
                        <x-field name="skills" label="Asks for" :value="old('skills', '')" hint="electric, engine" />
                        <x-field name="priority" label="Urgency" inputmode="numeric" :value="old('priority', 3)" hint="5 is most urgent" />
                        <x-field name="due" label="Due" type="date" :value="old('due', '')" />
                        <x-field name="earliest" label="Not before" type="date" :value="old('earliest', '')" />
                        <x-field name="latest" label="Not after" type="date" :value="old('latest', '')" />
                        <x-field name="from" label="Owner there from" :value="old('from', '')" inputmode="numeric" hint="As 12:00" />
                        <x-field name="to" label="until" :value="old('to', '')" inputmode="numeric" />
                        <x-field name="note" label="Note" :value="old('note', '')" maxlength="300" />
                    </div>
                    <button class="btn btn-outline-primary" type="submit">Put it into the list</button>
                </form>
            </details>
        @endif
    </main>
@endsection
