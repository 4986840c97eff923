@extends('layouts.site', ['standing' => $page->standing, 'here' => 'schedule'])
@section('title', $page->switch->site->name . ': schedule')
@section('main')
    <div class="head">
        <div>
            <h1>Schedule</h1>
            <p>When it starts by itself, what is due, and when somebody goes there.</p>
        </div>
        <a class="btn btn-outline-primary" href="{{ route('schedule.ics', $page->switch) }}">iCalendar</a>
        <a class="btn btn-primary" href="{{ route('service', $page->switch) }}">Service visit</a>
    </div>
    <x-hazard><b>{{ $page->acts()->title() }}</b> {{ $page->acts()->danger() }} {{ $page->acts()->before() }}</x-hazard>
    <div class="scroll-x" tabindex="0" role="region" aria-label="Sixteen months, scrollable">{!! $page->ruler()->svg() !!}</div>
    <p class="key"><span>full tooth: load test held</span><span>open tooth: something is due</span><span>ticks: exercises</span><span>x:
            missed</span></p>
    @if (($heard = $page->heard()) !== [])
        <section class="block" aria-labelledby="heard">
            <h2 id="heard">What its device says</h2>
            @include('partials.heard')
        </section>
    @endif
    <section class="block" aria-labelledby="due">
        <h2 id="due">Due work</h2>
        @if ($page->facts->missing() !== [])
            <p class="quiet">Not known: {{ implode(', ', $page->facts->missing()) }}.</p>
        @elseif ($page->problem)
            <p class="field-error"><x-glyph kind="stop" />{{ $page->problem }}</p>
        @elseif ($page->due === [])
            <p class="quiet">No engine stands here, and so none of its service is due. What the switch itself asks for is in its maker's
                instructions.</p>
        @else
            <p>The engine has run <b class="fig">{{ number_format($page->hoursNow, 1) }} h</b>.</p>
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th>Work</th>
                        <th>Due</th>
                        <th>State</th>
                        <th class="fig">Takes</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->due as $one)
                        <tr>
                            <th scope="row">{{ $page::item($one->item->id) }}<small>{{ $page::working($one) }}</small></th>
                            <td data-label="Due">{{ $page::day($one->due) }}</td>
                            <td @class([
                                'is-stop' => in_array($one->state, ['overdue', 'never'], true),
                            ]) data-label="State">
                                {{ ['ok' => 'in time', 'soon' => 'soon', 'overdue' => 'overdue', 'never' => 'not on record'][$one->state] }}
                            </td>
                            <td class="fig" data-label="Takes">{{ round($one->item->minutes) }} min</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @if ($page->visits !== [])
                <h3>Visits that combine it</h3>
                <ul class="plain">
                    @foreach ($page->visits as $visit)
                        <li><b>{{ \Illuminate\Support\Carbon::parse($visit['date'])->format('j M Y') }}</b>, {{ round($visit['minutes']) }}
                            min: {{ implode(', ', array_map(fn($id) => lcfirst($page::item($id)), $visit['items'])) }}</li>
                    @endforeach
                </ul>
            @endif
        @endif
    </section>
    <section class="block" aria-labelledby="exercise">
        <h2 id="exercise">Exercises</h2>
        @if ($page->calendar === null)
            @if ($page->switch->site->installation->hasGenerator())
                <p class="quiet">The sheet has no exercise that keeps a weekday. See
                    <a href="{{ route('sheet', $page->switch) }}">Settings</a>.
                </p>
            @else
                <p class="quiet">Two supplies have nothing to exercise: the test button is tried at a visit.</p>
            @endif
        @else
            <ul class="plain">
                @foreach ($page->next() as $one)
                    <li><span class="fig">{{ $page::local($one) }}</span>, {{ $page->calendar->switch->exercise->forMin }}
                        min,
                        {{ $page->wordsOf($one) }}
                    </li>
                @endforeach
            </ul>
            <p class="working">By the clock of {{ $page->switch->site->timezone }}, through both changes of it.</p>
        @endif
    </section>
    @include('upkeep.partials._intervals')
    @include('upkeep.partials._known')
@endsection
@section('aside')
    <h2 class="aside-head">Findings here</h2>
    @forelse ($page->findings as $finding)
        <x-finding :finding="$finding" />
    @empty
        <p class="quiet">None.</p>
    @endforelse
@endsection
