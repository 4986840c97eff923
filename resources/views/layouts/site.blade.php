@extends('layouts.app')
@section('site')
    <b>
        {{ $standing->site->name }}</b>
    @php($several = count($standing->site->switches) > 1)
    <span>{{ $standing->site->installation->short() }}{{ $several ? ', ' . $standing->switch?->name : '' }}</span>
@endsection
@section('content')
    @php($stages = $standing->stages())
    <div class="frame @yield('frame')">
        <nav class="train" aria-label="Stages">
            <ol>
                @foreach ($stages as $i => $stage)
                    <li>
                        @if ($stage->url)
                            <a href="{{ $stage->url }}" title="{{ $stage->name }}: {{ $stage->words }}"
                            @if ($stage->key === $here) aria-current="page" @endif>@else<span class="off">
                        @endif
                        <x-tooth :stage="$stage" :clip="'tooth-' . $i" />
                        <span><b>{{ $stage->name }}</b><small>{{ $stage->words }}</small></span>
                        @if ($stage->url)
                        </a>@else</span>
                        @endif
                    </li>
                @endforeach
            </ol>
        </nav>
        <details class="train-strip">
            <summary><x-teeth :stages="$stages" :here="$here"
                    :width="30" /><b>{{ collect($stages)->firstWhere('key', $here)?->name }}</b></summary>
            <ul>
                @foreach ($stages as $stage)
                    <li>
                        @if ($stage->url)
                            <a href="{{ $stage->url }}">{{ $stage->name }}
                            <small>{{ $stage->words }}</small></a>@else<span>{{ $stage->name }}
                                <small>{{ $stage->words }}</small></span>
                        @endif
                    </li>
                @endforeach
            </ul>
        </details>
        <main id="main" class="main">
            @if (session('said'))
                <p class="said" role="status">{{ session('said') }}</p>
            @endif
            @yield('main')
        </main>
        @hasSection('aside')
            <aside class="aside" tabindex="0" aria-label="Findings here">@yield('aside')</aside>
        @endif
    </div>
@endsection
