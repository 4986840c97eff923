@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': wires and terminals')
@section('main')
    <div class="head">
        <div>
            <h1>Wires and terminals</h1>
            <p>Control wire {{ $page->list->controlSize }}, field wire {{ $page->list->fieldSize }}</p>
        </div>
        <a class="btn btn-outline-primary"
            href="{{ route('circuit.terminals.pdf', [$page->switch, 'numbers' => $page->numbersByRung ? 'rung' : null]) }}">PDF</a>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'circuit'])
    @include('circuit.partials._views', ['switch' => $page->switch, 'tab' => 'terminals'])
    <nav class="choice" aria-label="Wire numbers">
        <span class="choice-name">Wire numbers</span>
        <a href="{{ route('circuit.terminals', $page->switch) }}" @if (!$page->numbersByRung) aria-current="true" @endif>in sequence</a>
        <a href="{{ route('circuit.terminals', ['switch' => $page->switch, 'numbers' => 'rung']) }}"
            @if ($page->numbersByRung) aria-current="true" @endif>by rung</a>
    </nav>
    @include('circuit.partials._terminal-tables')
@endsection
@section('aside')
    @foreach ($page->list->findings as $finding)
        <x-finding :finding="$finding">
            @if ($finding->at)
                <p class="finding-at">At {{ $finding->at }}</p>
            @endif
        </x-finding>
    @endforeach
@endsection
