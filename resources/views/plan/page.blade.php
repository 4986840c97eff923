@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': plan')
@section('main')
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'plan'])
    @include('plan.partials._drawing')
    @include('plan.partials._elements')
    @if ($page->hasGenerator())
        @include('plan.partials._decide')
    @endif
    @include('plan.partials._facts')
@endsection
@section('aside')
    <h2>Move these bonds</h2>
    @forelse ($page->moves() as $move)
        <div class="move"><span class="move-n">{{ $move->n }}</span>
            <p><b>{{ $move->title }}</b><small>{{ $move->why }}</small></p>
        </div>
    @empty
        @if ($page->bonding->isKnown())
            <p class="missing"><x-glyph kind="proven" />Nothing moves: one bond in every position.</p>
        @else<p class="missing"><x-glyph kind="note" /><span>Nothing is proposed yet. Not known:
                    {{ implode(', ', $page->bonding->unknown) }}.</span></p>
        @endif
    @endforelse
    @foreach ($page->bonding->panelWork() as $work)
        @if ($work['remove_bond'] || $work['move_grounds'] > 0)
            <p class="finding-because">{{ $page->name($work['panel']) }} becomes a {{ $work['role'] }}-panel:
                {{ $work['total_conductors'] }} conductors in, {{ $work['bars'] }} bars, {{ $work['move_grounds'] }} grounds to
                move{{ $page->positionsShort($work) }}.
            </p>
        @endif
    @endforeach
    <h2 class="gap">Outage test point</h2>
    @include('partials.test-point', ['test' => $page->test])
    <h2 class="gap">Findings here</h2>
    @foreach ($page->findings as $finding)
        <x-finding :finding="$finding" />
    @endforeach
    @if ($page->findings === [])
        <p class="missing"><x-glyph kind="proven" />Nothing to say against it.</p>
    @endif
@endsection
