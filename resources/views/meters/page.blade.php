@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': meters')
@section('main')
    <div class="head">
        <div>
            <h1>Meters and capacitors</h1>
            <p>What the panel meter shows, and what that really is: transformers turned round or crossed, order of phases, unbalance.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'meters'])
    @if ($page->problem)
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $page->problem }}</p>
    @endif
    <x-hazard><b>Lethal voltage.</b> Never open a current transformer's secondary while current flows: it makes thousands of volts. It is
        shorted first, with the circuit dead, by a qualified person. Capacitors hold their charge after they are off: wait their time, then
        prove them discharged and short them. Read displays with all covers on.</x-hazard>
    @include('meters.partials._shown')
    @include('meters.partials._read')
    @include('meters.partials._bank')
@endsection
@section('aside')
    <h2 class="aside-head">Findings here</h2>
    @forelse ($page->findings() as $finding)
        <x-finding :finding="$finding" />
    @empty
        <p class="quiet">{{ $page->reading === null && $page->bank === null ? 'Nothing is read yet.' : 'None.' }}</p>
    @endforelse
@endsection
