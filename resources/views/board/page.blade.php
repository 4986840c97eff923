@extends('layouts.app')
@section('title', 'Board: what needs me today')
@section('bar-end')
    <form class="find" method="get" action="{{ route('board') }}" role="search">
        <label class="visually-hidden" for="find">Find a site</label>
        <input id="find" class="form-control" type="search" name="q" value="{{ $page->wanted }}" placeholder="Find a site"
            data-key="/" hx-get="{{ route('board') }}" hx-trigger="input changed delay:250ms, search" hx-target="#sites"
            hx-swap="outerHTML">
    </form>
@endsection
@section('content')
    <div class="board">
        <section class="day" aria-labelledby="today">
            <h1 id="today">Today <small>{{ $page->now->format('l j F Y') }}</small></h1>
            <ul class="needs">
                @forelse ($page->needs as $need)
                    <li><a href="{{ $need->url }}"><x-glyph :kind="$need->severity" /><span><b><span
                                        class="visually-hidden">{{ ucfirst($need->severity) }}:
                                    </span>{{ $need->claim }}</b><small>{{ $need->detail }}</small></span></a></li>
                @empty
                    <li class="quiet">Nothing waits for you.</li>
                @endforelse
            </ul>
        </section>
        <main id="main" class="main">
            <div class="head">
                <div>
                    <h1>Sites</h1>
                    <p>{{ $page->provenCount() }} of {{ count($page->rows) }} proven in every part.</p>
                </div>
                @if (auth()->user()->role->mayWrite())
                    <a class="btn btn-primary" href="{{ route('sites.new') }}">New site</a>
                @endif
            </div>
            @include('board.partials._sites')
        </main>
    </div>
@endsection
