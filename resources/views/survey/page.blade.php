@extends('layouts.site', ['standing' => $page->standing, 'here' => 'survey'])
@section('title', $page->site->name . ': survey, ' . mb_strtolower($page->on->label()))
@section('main')
    <h1>
        Survey</h1>
    @if (count($page->site->switches) > 1)
        <nav class="choice" aria-label="Switch">
            @foreach ($page->site->switches as $other)
                <a href="{{ route('survey', ['site' => $page->site, 'switch' => $other->id, 'on' => $page->on->value]) }}"
                    @if ($other->id === $page->switch?->id) aria-current="true" @endif>{{ $other->name }}</a>
            @endforeach
        </nav>
    @endif
    <nav class="choice subjects" aria-label="Pages of the survey">
        @foreach (\Escapement\Core\Survey\Subject::cases() as $subject)
            <a href="{{ route('survey', [$page->site, 'on' => $subject->value, 'switch' => $page->switch]) }}"
                @if ($subject === $page->on) aria-current="page" @endif>{{ $subject->label() }}@if ($page->missingOn($subject) > 0)
                    <small class="fig">{{ $page->missingOn($subject) }}</small>
                @endif
            </a>
        @endforeach
    </nav>
    @if ($page->switch)
        @if ($page->on === \Escapement\Core\Survey\Subject::Loads)@include('survey.partials._loads', ['switch' => $page->switch])
        @elseif ($page->on === \Escapement\Core\Survey\Subject::Photos)
            @include('survey.partials._photos', ['switch' => $page->switch])
        @else
            <form method="post" action="{{ route('answers.save', ['switch' => $page->switch, 'subject' => $page->on->value]) }}"
                class="block answers">
                @csrf @method('put')
                <input type="hidden" name="was" value="{{ old('was', json_encode($page->form->shown())) }}">
                @if ($page->on === \Escapement\Core\Survey\Subject::Service)
                    <h2>Site</h2>
                    @include('survey.partials._site-fields', [
                        'site' => $page->site,
                        'altitude' => $page->altitude(),
                    ])
                @endif
                @if ($page->on === \Escapement\Core\Survey\Subject::Source)
                    @include('survey.partials._switch', ['switch' => $page->switch])
                @endif
                @if ($page->questions() !== [])
                    @include('survey.partials._answers', ['switch' => $page->switch])
                @endif
                @if (auth()->user()->role->mayWrite())
                    <div class="row-of-buttons"><button class="btn btn-primary btn-glove" type="submit" name="next" value="1">Save, and
                            on</button>
                        <button class="btn btn-outline-primary btn-glove" type="submit">Save</button>
                    </div>
                @endif
            </form>
        @endif
    @endif
    @if ($page->on === \Escapement\Core\Survey\Subject::Source && auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('switches', $page->site) }}" class="block">
            @csrf
            <button class="btn btn-outline-primary" type="submit">Add another switch to this site</button>
        </form>
    @endif
@endsection
@section('aside')
    @foreach ($page->findings() as $finding)
        @if ($loop->first)
            <h2>Findings</h2>
        @endif
        <x-finding :finding="$finding" />
    @endforeach
    <h2 @class(['gap' => $page->findings() !== []])>Still missing</h2>
    @forelse ($page->missing() as $for => $lines)
        <h3 class="missing-for">{{ $for }}</h3>
        @foreach ($lines as $line)
            <p class="missing"><x-glyph kind="note" /><a
                    href="{{ route('survey', [$page->site, 'on' => $line['on'], 'switch' => $page->switch]) }}">{{ $line['label'] }}</a>
            </p>
        @endforeach
    @empty
        <p class="missing"><x-glyph kind="proven" />Everything the next stages ask for is here.</p>
    @endforelse
    @if ($page->assumed() !== [] || $page->switch?->poles === null)
        <h2 class="gap">Assumed, to be confirmed</h2>
        @if ($page->switch && $page->switch->poles === null)
            <p class="missing"><x-glyph kind="note" /><a
                    href="{{ route('survey', [$page->site, 'on' => 'source', 'switch' => $page->switch]) }}">Poles</a>: as
                many as this kind needs</p>
        @endif
        @foreach ($page->assumed() as $one)
            @php($url = route('survey', [$page->site, 'on' => $one->subject->value, 'switch' => $page->switch]))
            <p class="missing"><x-glyph kind="note" /><a href="{{ $url }}">{{ $one->label }}</a>:
                {{ $one->usualWords() }}{{ $one->unit ? ' ' . $page->unit($one) : '' }}</p>
        @endforeach
    @endif
    @if ($page->switch)
        <h2 class="gap">Totals</h2>
        <dl class="pairs">
            <div>
                <dt>Running load</dt>
                <dd><span class="fig">{{ $page->runningKw() }}</span>&#8239;kW</dd>
            </div>
            @if ($page->switch->fuel)
                <div>
                    <dt>Source on {{ $page->switch->fuel->label() }}</dt>
                    <dd>
                        @isset($page->switch->rated_kw[$page->switch->fuel->value])
                            <span class="fig">{{ $page->switch->rated_kw[$page->switch->fuel->value] }}</span>&#8239;kW
                        @else
                            not known
                        @endisset
                    </dd>
                </div>
            @endif
        </dl>
        <p class="finding-because">The rating is the maker's for this fuel. What height and heat take from it is worked out on the Plan
            page.
        </p>
        @foreach ($page->standing->check?->findings ?? [] as $finding)
            @if (str_contains((string) $finding->path, 'load_shed'))
                <x-finding :finding="$finding" />
            @endif
        @endforeach
    @endif
@endsection
