@extends('layouts.app')
@section('title', 'Calendar: ' . $range->title())
@section('content')
    <main id="main" class="main calendar">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head">
            <div>
                <h1>Exercises, {{ $range->title() }}</h1>
                <p>When sets start by themselves. No one may work on them then.</p>
            </div>
            <nav class="choice" aria-label="Range">
                @foreach ($range::VIEWS as $view => $words)
                    <a href="{{ route('calendar', ['view' => $view, 'on' => $range->day()]) }}"
                        @if ($view === $range->view) aria-current="true" @endif>{{ $words }}</a>
                @endforeach
            </nav>
        </div>
        <p class="between"><a href="{{ route('calendar', ['view' => $range->view, 'on' => $range->before()]) }}">Before</a> <a
                href="{{ route('calendar', ['view' => $range->view]) }}">Today</a> <a
                href="{{ route('calendar', ['view' => $range->view, 'on' => $range->after()]) }}">After</a></p>
        <div class="scroll-x" tabindex="0" role="region" aria-label="Exercises, scrollable">{!! $page->ruler !!}</div>
        <p class="key"><span><i class="swatch swatch-gen"></i>with load</span><span>open hatch: without load</span><span>framed, with !:
                clashes</span><span>each by the clock of its site</span></p>
        <section class="block" aria-labelledby="clashes">
            <h2 id="clashes">Clashes</h2>
            @if ($page->isTooMany)
                <p class="missing"><x-glyph kind="note" />Too many exercises to judge at once. Look at a week or a day.</p>
            @elseif ($page->judged === 0)
                <p class="missing"><x-glyph kind="note" />Not known: no site has quiet hours, sleep, work, neighbors or a person to attend
                    entered.
                    They stand on its Schedule page.</p>
            @elseif ($page->clashes === [])
                <p class="missing"><x-glyph kind="proven" />None in these days. Judged by quiet hours, sleep, work, neighbors and people, as
                    far
                    as they are known: {{ $page->judged }} of {{ $page->exercised }} sites with an exercise.</p>
            @else
                <div class="scroll-x">
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th>Site</th>
                                <th>When</th>
                                <th>Why</th>
                                <th>Nearest free time, this once</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($page->clashes as $clash)
                                <tr>
                                    <th scope="row"><a href="{{ route('schedule', $clash['switch']) }}">{{ $clash['site'] }}</a></th>
                                    <td class="fig">{{ $clash['local'] }}</td>
                                    <td>{{ $clash['why'] }}</td>
                                    <td class="fig">{{ $clash['free'] }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
                <h3>For good</h3>
                <ul class="plain">
                    @foreach ($page->shifts as $shift)
                        <li><b>{{ $shift['site'] }}</b>:
                            @if ($shift['minutes'] === null)
                                no one time frees all of its exercises here.
                            @else
                                {{ $shift['words'] }}, first {{ $shift['first'] }}, clashes with nothing.
                                @if (auth()->user()->role->mayWrite())
                                    <form class="inline" method="post" action="{{ route('calendar.shift', $shift['switch']) }}">
                                        @csrf
                                        <input type="hidden" name="minutes" value="{{ $shift['minutes'] }}">
                                        <input type="hidden" name="seen_version" value="{{ $shift['version'] }}">
                                        <input type="hidden" name="view" value="{{ $range->view }}">
                                        <input type="hidden" name="on" value="{{ $range->day() }}">
                                        <button class="btn btn-outline-primary" type="submit">Propose it on the sheet</button>
                                    </form>
                                @endif
                            @endif
                        </li>
                    @endforeach
                </ul>
            @endif
        </section>
        @include('calendar._feeds')
        @include('calendar._people')
    </main>
@endsection
