@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': control circuit')
@section('main')
    <div class="head">
        <div>
            <h1>Control circuit</h1>
            <p>
                @if ($page->proof)
                    {{ number_format($page->proof->result->reachableStates) }} states, all searched; contacts are drawn at rest
                @else
                    Not proved yet
                @endif
            </p>
        </div>
        @if ($page->proposed && auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('circuit.repair', $page->switch) }}">
                @csrf
                <button class="btn btn-primary" type="submit" name="repair"
                    value="{{ $page->proposed->key() }}">{{ $page->proposed->label }}</button>
            </form>
        @endif
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'circuit'])
    @include('circuit.partials._views', ['switch' => $page->switch, 'tab' => 'proof'])
    @error('repair')
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    @if ($page->canBothClose())
        <x-hazard><b>Back-feed.</b> As drawn, both sources can be closed together: the generator then feeds the dead utility line, or two
            sources meet out of phase. It kills people who work on that line. Connect this panel to no source until the circuit is corrected
            and proved.</x-hazard>
    @endif
    @if (!$page->proof)
        @include('circuit.partials._progress', ['switch' => $page->switch, 'stored' => $page->stored])
    @endif
    @if ($page->proposed)
        <p class="said"><b>Proposed:</b> {{ $page->proposed->label }}. <a href="{{ route('circuit', $page->switch) }}">Back to the
                circuit as it is</a></p>
    @endif
    <div class="scroll-x ladder-sheet" tabindex="0" role="region" aria-label="Ladder, scrollable">{!! $page->ladder()->svg() !!}</div>
    @if ($page->steps !== [] && !$page->proposed)
        @include('circuit.partials._counter-example')
    @endif
    <p class="key"><span>thick: carries current at this step</span>
        <span><a href="{{ route('circuit.export', [$page->switch, 'json']) }}">JSON</a></span>
        <span><a href="{{ route('circuit.export', [$page->switch, 'svg']) }}">SVG</a></span>
    </p>
    @if ($page->proof)
        @include('circuit.partials._settled')
    @endif
    @if (auth()->user()->role->mayWriteForAll())
        <form method="post" action="{{ route('circuit.template', $page->switch) }}" class="block keep-template">
            @csrf
            <x-field name="name" label="Keep as a template of the company" :value="old('name', '')" maxlength="80" />
            <button class="btn btn-outline-primary" type="submit">Keep template</button>
        </form>
    @endif
    <p class="working">A proof of the drawing, not of the panel: a licensed electrician builds and proves it, de-energized. The maker's
        instructions, the adopted code and the authority having jurisdiction come first.</p>
@endsection
@section('aside')
    @if ($page->proof)
        <h2 class="aside-head">Findings here <small>{{ $page->count('stop') }} stop, {{ $page->count('warn') }} warn,
                {{ $page->count('note') }} note</small></h2>
        @include('circuit.partials._repairs')
        @foreach ($page->grouped() as $findings)
            <x-finding :finding="$findings[0]">
                @if ($findings[0]->at)
                    <p class="finding-at">At {{ implode(', ', array_map(fn($one) => $one->at, $findings)) }}</p>
                @endif
            </x-finding>
        @endforeach
        @include('circuit.partials._faults')
    @endif
@endsection
