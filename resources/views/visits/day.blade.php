@extends('layouts.app')
@section('title', 'My day, ' . $day->title())
@section('content')
    <main id="main" class="main my-day">
        <div class="head">
            <div>
                <h1>{{ $day->title() }}</h1>
                <p>{{ $day->person->name }}. This page stays on the phone.</p>
            </div>
            @if ($day->visits->isNotEmpty())
                <a class="btn btn-outline-primary"
                    href="{{ route('visits.day', ['person' => $day->person, 'on' => $day->on->format('Y-m-d')]) }}">Day sheet, PDF</a>
            @endif
        </div>
        <p class="between"><a href="{{ route('my-day', ['on' => $day->on->copy()->subDay()->format('Y-m-d')]) }}">Before</a> <a
                href="{{ route('my-day') }}">Today</a> <a
                href="{{ route('my-day', ['on' => $day->on->copy()->addDay()->format('Y-m-d')]) }}">After</a></p>
        @if ($day->visits->isEmpty())
            <p class="quiet">Nothing is planned for this day.
                @if ($day->next)
                    Next: <a href="{{ route('my-day', ['on' => $day->next->format('Y-m-d')]) }}">{{ $day->next->format('D j M') }}</a>.
                @endif
            </p>
        @endif
        <ol class="stops">
            @foreach ($day->visits as $visit)
                <li class="block">
                    <h2><span class="fig">{{ $day::clock($visit->begin_min) }}</span> {{ $visit->switch->site->name }}</h2>
                    <p>{{ $day::place($visit) }}</p>
                    <p><b>{{ ucfirst(\App\Stage\Visits\VisitWords::of($visit)) }}</b>, until <span
                            class="fig">{{ $day::clock($visit->end_min) }}</span>{{ $visit->done_at ? ', done' : '' }}</p>
                    @if ($visit->note)
                        <p>{{ $visit->note }}</p>
                    @endif
                    <x-hazard>{{ $day::hazard($visit) }}</x-hazard>
                    <div class="row-of-buttons">
                        <a class="btn btn-outline-primary btn-glove"
                            href="{{ route('service', ['switch' => $visit->switch, 'items' => $visit->items]) }}">Service visit</a>
                        <a class="btn btn-outline-primary btn-glove" href="{{ route('logbook', $visit->switch) }}">Logbook</a>
                        <a class="btn btn-outline-primary btn-glove" href="{{ route('pack-list', $visit->switch) }}">What to bring</a>
                        @if ($visit->done_at === null && auth()->user()->role->mayWrite())
                            <form method="post" action="{{ route('visit.finish', $visit) }}">@csrf<button class="btn btn-primary btn-glove"
                                    type="submit">Done</button></form>
                        @endif
                    </div>
                </li>
            @endforeach
        </ol>
    </main>
@endsection
