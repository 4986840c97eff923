@extends('layouts.site', ['standing' => $page->standing, 'here' => 'logbook'])
@section('title', $page->switch->site->name . ': logbook')
@section('main')
    <div class="head">
        <div>
            <h1>Logbook</h1>
            <p>The last twelve months</p>
        </div>
        <a class="btn btn-outline-primary" href="{{ route('logbook.export', ['switch' => $page->switch, 'form' => 'csv']) }}">CSV</a>
        <a class="btn btn-outline-primary" href="{{ route('logbook.export', ['switch' => $page->switch, 'form' => 'json']) }}">JSON</a>
    </div>
    @if (auth()->user()->role->mayWrite())
        @include('upkeep.partials._entry')
    @endif
    @php($since = $page->sinceVisit())
    @if ($since)
        <section class="block" aria-labelledby="since">
            <h2 id="since">Since {{ $since['by'] }} was here</h2>
            <p>{{ $page->day($since['at']) }}:
                {{ $since['starts'] }} starts, {{ number_format($since['run_h'], 1) }} h run, {{ $since['outages'] }} outages,
                {{ $since['alarms'] }} alarms, {{ $since['exercises_missed'] }} exercises missed.
                {{ $page->settingsSince() }}
            </p>
        </section>
    @endif
    <section class="block" aria-labelledby="year">
        <h2 id="year">What the record says</h2>
        @if ($page->problem)
            <p class="field-error"><x-glyph kind="stop" />{{ $page->problem }}</p>
        @endif
        <dl class="pairs">
            <div>
                <dt>Hours run</dt>
                <dd class="fig">{{ $page->figure('hours.total', 1, 'h') }}</dd>
            </div>
            <div>
                <dt>Hours on the meter that nobody wrote down</dt>
                <dd class="fig">{{ $page->figure('meter.unexplained_h', 1, 'h') }}</dd>
            </div>
            <div>
                <dt>Outages, and how much of them was carried</dt>
                <dd class="fig">{{ $page->figure('outages.count') }}, {{ $page->figure('outages.carried_pct', 1, '%') }}</dd>
            </div>
            <div>
                <dt>Exercises done</dt>
                <dd class="fig">{{ $page->figure('exercises.done_pct', 0, '%') }}</dd>
            </div>
            <div>
                <dt>Fuel against what the runs explain</dt>
                <dd class="fig">{{ $page->figure('fuel.ratio', 2) }}</dd>
            </div>
        </dl>
    </section>
    <section class="block" aria-labelledby="lines">
        <h2 id="lines">Entries</h2>
        @if ($page->search->isAsked() || $page->entries->isNotEmpty())
            @include('upkeep.partials._find')
        @else
            <p class="quiet">None yet. Signed runs and closed load tests count by themselves.</p>
        @endif
        <ol class="log-lines">
            @foreach ($page->entries as $entry)
                <li @class(['is-struck' => $entry->struck_why !== null])>
                    <p><span class="fig">{{ $page->at($entry) }}</span>
                        <b>{{ $page->kindOf($entry) }}</b> {{ $page->words($entry) }}
                        <small>{{ $page->maker($entry) }}</small>
                    </p>
                    @if ($entry->photos->isNotEmpty())
                        <div class="now-pictures">
                            @foreach ($entry->photos as $photo)
                                <a href="{{ route('photo', ['photo' => $photo, 'size' => 'full']) }}"><img
                                        src="{{ route('photo', ['photo' => $photo, 'size' => 'small']) }}"
                                        alt="Picture {{ $loop->iteration }} of the entry of {{ $page->at($entry) }}"></a>
                            @endforeach
                        </div>
                    @endif
                    @if ($entry->source === 'owner' && $entry->seen_at === null && auth()->user()->role->mayWrite())
                        <form method="post" action="{{ route('logbook.read', [$page->switch, $entry->id]) }}">@csrf<button
                                class="btn btn-primary" type="submit">Reported by the owner: mark as read</button></form>
                    @endif
                    @if ($entry->struck_why !== null)
                        <p><small>Struck out: {{ $entry->struck_why }}</small></p>
                    @elseif (auth()->user()->role->mayWrite())
                        <x-strike :action="route('logbook.strike', [$page->switch, $entry->id])"
                            :what="'the entry of ' . $page->at($entry)" />
                    @endif
                </li>
            @endforeach
        </ol>
        @if ($page->entries->hasPages())
            <nav class="turn-page" aria-label="Pages of the logbook">
                @if ($page->entries->previousPageUrl() !== null)
                    <a class="btn btn-outline-primary" href="{{ $page->entries->previousPageUrl() }}" rel="prev">Newer</a>
                @endif
                <span class="fig">{{ $page->shownOf() }}</span>
                @if ($page->entries->hasMorePages())
                    <a class="btn btn-outline-primary" href="{{ $page->entries->nextPageUrl() }}" rel="next">Older</a>
                @endif
            </nav>
        @endif
        @if ($page->record->count > 0)
            <p class="{{ $page->record->fault === null ? 'quiet' : 'field-error' }}">
                @if ($page->record->fault !== null)
                    <x-glyph kind="stop" />
                @endif{{ $page->record->words($page->switch->site->timezone) }}
            </p>
        @endif
    </section>
    @if (auth()->user()->role->mayWrite())
        @include('upkeep.partials._events')
    @endif
@endsection
@section('aside')
    <h2 class="aside-head">Findings here</h2>
    @forelse ($page->summary->findings ?? [] as $finding)
        <x-finding :finding="$finding" />
    @empty
        <p class="quiet">None.</p>
    @endforelse
@endsection
