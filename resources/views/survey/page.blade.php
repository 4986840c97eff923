@extends('layouts.site', ['standing' => $page->standing, 'here' => 'survey'])
@section('title', $page->site->name . ': survey')
@section('main')
<h1>Survey</h1>
<p class="lead-in">What is there, what must be carried. Save it half done; what is missing is listed beside it.</p>
@if (count($page->site->switches) > 1)
    <nav class="choice" aria-label="Switch">
        @foreach ($page->site->switches as $other)<a href="{{ route('survey', ['site' => $page->site, 'switch' => $other->id]) }}" @if ($other->id === $page->switch?->id) aria-current="true" @endif>{{ $other->name }}</a>@endforeach
    </nav>
@endif
<form method="post" action="{{ route('survey.save', $page->site) }}" class="block">
    @csrf @method('put')
    <h2>Site</h2>
    @include('survey.partials._site-fields', ['site' => $page->site, 'altitude' => $page->altitude()])
    @if (auth()->user()->role->mayWrite())<button class="btn btn-outline-primary" type="submit">Save the site</button>@endif
</form>
@if ($page->switch)
    @include('survey.partials._switch', ['switch' => $page->switch])
    @include('survey.partials._loads', ['switch' => $page->switch])
@endif
@if (auth()->user()->role->mayWrite())
<form method="post" action="{{ route('switches', $page->site) }}" class="block">
    @csrf
    <button class="btn btn-outline-primary" type="submit">Add another switch to this site</button>
</form>
@endif
@endsection
@section('aside')
<h2>Still missing</h2>
@forelse ($page->missing() as $what)
    <p class="missing"><x-glyph kind="note"/>{{ $what }}</p>
@empty
    <p class="missing"><x-glyph kind="proven"/>Everything the next stages ask for is here.</p>
@endforelse
@if ($page->switch)
    <h2 class="gap">What it adds up to</h2>
    <dl class="pairs">
        <div><dt>Running load</dt><dd><span class="fig">{{ $page->runningKw() }}</span>&#8239;kW</dd></div>
        @if ($page->switch->fuel)<div><dt>Source on {{ $page->switch->fuel->label() }}</dt><dd>@isset($page->switch->rated_kw[$page->switch->fuel->value])<span class="fig">{{ $page->switch->rated_kw[$page->switch->fuel->value] }}</span>&#8239;kW @else not known @endisset</dd></div>@endif
    </dl>
    <p class="finding-because">The rating is the maker's for this fuel; height and heat take from it, and the maker says how much.</p>
    @foreach ($page->standing->check?->findings ?? [] as $finding)
        @if (str_contains((string) $finding->path, 'load_shed'))<x-finding :finding="$finding"/>@endif
    @endforeach
@endif
@endsection
