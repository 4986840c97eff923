@use('App\Http\Typed')
@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': wires')
@section('frame', 'frame-wide')
@section('main')
    <div class="head">
        <div>
            <h1>Feeders and wires</h1>
            <p>
                @if ($page->isProposed())
                    The usual runs of such an installation, to begin with: correct and save them.
                @else
                    Each run with what it takes.
                @endif
            </p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'wires'])
    <x-hazard><b>The tables are planning figures.</b> Confirm each against the edition in force, the maker's data and the authority; a
        licensed electrician installs, with everything isolated, locked and proved dead.</x-hazard>
    @foreach ($page->waiting as $sentence)
        <p class="missing"><x-glyph kind="warn" /><span>{{ $sentence }} <a
                    href="{{ route('survey', ['site' => $page->switch->site_id, 'on' => 'source', 'switch' => $page->switch->id]) }}">To the
                    survey</a></span></p>
    @endforeach
    @php($mayWrite = auth()->user()->role->mayWrite())
    @php($lines = Typed::lines(old('runs', $page->lines())))
    @php($told = $page->findings())
    @foreach ($told as $one)
        @if (count($one['runs']) !== 1)
            <div class="told">
                <p class="told-of">{{ implode(', ', $one['runs']) }}</p>
                <x-finding :finding="$one['finding']" />
            </div>
        @endif
    @endforeach
    <form method="post" action="{{ route('wires.save', $page->switch) }}" class="wire-runs">
        @csrf @method('put')
        <x-seen :kept="$page->switch->plan?->runs" />
        @for ($i = 0; $i < count($lines); $i++)
            @include('plan.partials._wire-run', [
                'row' => $page->rows[$i] ?? null,
                'line' => $lines[$i],
                'findings' => $told,
            ])
        @endfor
        @if ($mayWrite)
            @for ($i = count($lines); $i < count($lines) + 2; $i++)
                <details class="wire-more">
                    <summary>Another run</summary>@include('plan.partials._wire-run', ['row' => null, 'line' => [], 'findings' => []])
                </details>
            @endfor
            <p class="field-hint">The 83&#8239;% option is for a run that carries the whole load of one dwelling. Ahead of the main there is
                no grounding conductor: the neutral carries a fault. Clear a name to take its run out.</p>
            <button class="btn btn-primary btn-glove" type="submit">Save the runs</button>
        @endif
    </form>
@endsection
