@extends('layouts.app')
@section('title', 'Board: what needs me today')
@section('bar-end')
    <form class="find" method="get" action="{{ route('board') }}" role="search">
        <label class="visually-hidden" for="find">Find a site</label>
        <input id="find" class="form-control" type="search" name="q" value="{{ $page->view->wanted }}" placeholder="Find a site"
            data-key="/" hx-get="{{ route('board') }}" hx-trigger="input changed delay:250ms, search" hx-target="#sites"
            hx-swap="outerHTML">
    </form>
@endsection
@section('content')
    <div class="board">
        <section class="day" aria-labelledby="today">
            <h1 id="today">Today <small>{{ $page->now->format('l j F Y') }}</small></h1>
            <ul class="needs">
                @forelse ($page->needs as $line)
                    <li><a href="{{ $line->status->path }}"><x-glyph :kind="$line->glyph()" /><span><b><span
                                        class="visually-hidden">{{ $line->severity() }}:
                                    </span>{{ $line->status->claim }}</b><small>{{ $line->status->detail }}</small></span></a></li>
                @empty
                    <li class="quiet">Nothing waits for you.</li>
                @endforelse
            </ul>
            @if ($page->moreNeeds() > 0)
                <p><a href="{{ route('board', ['show' => 'needs']) }}">{{ $page->moreNeeds() }} more</a></p>
            @endif
            @if ($page->day)
                <h2>Your visits</h2>
                {!! $page->day->svg() !!}
            @endif
        </section>
        <main id="main" class="main">
            @if (session('said'))
                <p class="said" role="status">{{ session('said') }}</p>
            @endif
            <div class="head">
                <div>
                    <h1>Sites</h1>
                    <p>{{ $page->summary() }}</p>
                </div>
                @if (auth()->user()->role->mayWriteForAll())
                    <span><a class="btn btn-outline-primary" href="{{ route('sites.import') }}">From a list</a>
                        <a class="btn btn-primary" href="{{ route('sites.new') }}">New site</a></span>
                @endif
            </div>
            @include('board.partials._sites')
        </main>
    </div>
@endsection
