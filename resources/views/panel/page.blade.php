@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': outgoing ways')
@section('main')
    <div class="head">
        <div>
            <h1>Outgoing ways</h1>
            <p>The board on both sources: what trips, what drops, what stands on each phase.</p>
        </div>
        <a class="btn btn-outline-primary" href="{{ route('ways.export', $page->switch) }}">CSV</a>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'ways'])
    @if ($page->problem)
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $page->problem }}</p>
    @endif
    <x-hazard><b>Lethal voltage.</b> The board is live from two sources. Contact kills. Moving a way or a bond is done with both sources
        isolated, locked out and proved dead.</x-hazard>
    @include('panel.partials._balance')
    @include('panel.partials._ways')
    @include('panel.partials._neutral')
    @include('panel.partials._board')
@endsection
@section('aside')
    <h2 class="aside-head">Findings here</h2>
    @if ($page->facts->missing() !== [])
        <p class="quiet">Not judged yet. Not known: {{ implode(', ', array_map(lcfirst(...), $page->facts->missing())) }}.</p>
    @endif
    @foreach ($page->grouped() as $findings)
        <x-finding :finding="$findings[0]">
            @if (array_filter(array_column($findings, 'at')))
                <p class="finding-at">At {{ implode(', ', array_filter(array_column($findings, 'at'))) }}</p>
            @endif
        </x-finding>
    @endforeach
@endsection
