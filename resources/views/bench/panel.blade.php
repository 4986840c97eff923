@extends('layouts.site', ['here' => 'rehearsal'])
@section('title', $switch->site->name . ': bench')
@section('main')
    <p class="net bench-bar"><b>Simulated.</b> <span>A made-up installation with these settings. It is connected to nothing real.</span>
        @if ($bench)
            <span class="fig bench-address">Modbus TCP {{ config('bench.host') }}:{{ $bench->modbusPort() }}, JSON
                :{{ $bench->linesPort() }}</span>
        @endif
    </p>
    <div class="head">
        <div>
            <h1>Bench</h1>
            <p>Do to it what you would do on site, and watch. <a href="{{ route('rehearsal', $switch) }}">To the rehearsal</a>
                <a href="{{ route('benches') }}">All benches</a>
            </p>
        </div>
        @if ($bench)
            <a class="btn btn-outline-primary" href="{{ route('bench.settings', $switch) }}">Settings on it</a>
            <a class="btn btn-outline-primary" href="{{ route('bench.log', $switch) }}">Log, CSV</a>
        @endif
    </div>
    <x-hazard><b>On a real installation</b> disconnects and handles are worked by a qualified person, both sources isolated, locked out and
        proved dead, as its maker says. What is done here is done to nothing.</x-hazard>
    @if ($bench === null)
        @if ($lacks)
            <p class="quiet">{{ $lacks }}</p>
        @elseif (auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('bench.put', $switch) }}" class="block">@csrf
                <p>The plant of the survey, the newest sheet, the loads; the set and its meter are generic for this rating.</p>
                <button class="btn btn-primary btn-glove" type="submit">Put it on the bench</button>
            </form>
        @else
            <p class="quiet">It does not stand on the bench.</p>
        @endif
    @else
        <div hx-get="{{ route('bench.live', $switch) }}" hx-trigger="every 1500ms" hx-target="#bench-live" hx-swap="outerMorph"
            hx-include="#bench-seen" hx-sync="this:drop">
            @include('bench.partials._wrapped')
        </div>
        @if (auth()->user()->role->mayWrite())
            <div class="row-of-buttons block">
                <form method="post" action="{{ route('bench.put', $switch) }}">@csrf<button
                        class="btn btn-outline-primary" type="submit">Put
                        it
                        up anew, by the newest sheet</button></form>
                <form method="post" action="{{ route('bench.take-off', $switch) }}">@csrf @method('delete')<button
                        class="btn btn-outline-primary" type="submit">Take it down</button></form>
            </div>
        @endif
    @endif
@endsection
