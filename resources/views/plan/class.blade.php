@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': what this class asks')
@section('main')
    <h1>What this class asks</h1>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'class'])
    <p class="lead-in">System class: <b>{{ $page->className() }}</b>. The authority having jurisdiction decides the class; the adopted code
        says what it asks{{ $page->edition ? ', here ' . $page->edition : '' }}. Articles of the NEC and the NFPA are named as a way in;
        confirm them in the edition in force.</p>
    @foreach ($page->sheet->groups() as $title => $facts)
        <section class="block class-facts" aria-labelledby="group-{{ $loop->index }}">
            <h2 id="group-{{ $loop->index }}">{{ $title }}</h2>
            <ul>
                @foreach ($facts as $fact)
                    <li @class(['class-fact', 'is-wrong' => $fact->against])>
                        <p class="class-state">
                            @if ($fact->against)
                                <x-glyph :kind="$fact->against->value" />
                            @elseif ($fact->state->value !== 'declared')
                                <x-glyph :kind="$fact->state->value === 'shown' ? 'proven' : 'note'" />
                            @endif
                            <span>{{ $fact->state->value }}</span>
                        </p>
                        @php($url = route('survey', [$page->switch->site_id, 'on' => $fact->subject(), 'switch' => $page->switch]))
                        <p class="class-claim"><a href="{{ $url }}">{{ $fact->question->label }}</a>
                            <b>{{ $page->answer($fact) }}</b>
                        </p>
                        <p class="class-why">{{ $fact->finding->reason }} @if ($fact->against)
                                {{ $fact->finding->action }}
                            @endif
                            @if ($page->reference($fact))
                                <span class="class-article">{{ $page->reference($fact) }}</span>
                            @endif
                        </p>
                    </li>
                @endforeach
            </ul>
        </section>
    @endforeach
@endsection
@section('aside')
    <h2>How well it is known</h2>
    <dl class="pairs">
        @foreach (['open' => 'Open', 'declared' => 'Declared', 'shown' => 'Shown by a picture'] as $state => $words)
            <div>
                <dt>{{ $words }}</dt>
                <dd><span class="fig">{{ $page->sheet->counts()[$state] }}</span></dd>
            </div>
        @endforeach
    </dl>
    <p class="finding-because">Declared: somebody on site has said so in the survey. Shown: a picture is marked as its evidence,
        on the <a
            href="{{ route('survey', [$page->switch->site_id, 'on' => 'photos', 'switch' => $page->switch]) }}">photos
            page</a>
        of the survey.</p>
    @if ($page->time())
        @php($transfer = $page->transfer())
        @php($verdict = $page->time()->judge($transfer))
        <h2 class="gap">From loss to load</h2>
        <dl class="pairs">
            <div>
                <dt>The class allows</dt>
                <dd><span class="fig">{{ $page->time()->seconds }}</span>&#8239;s</dd>
            </div>
            @if ($transfer?->nominalMs !== null)
                <div>
                    <dt>The sheet gives</dt>
                    <dd><span class="fig">{{ $transfer->nominalMs / 1000 }}</span>&#8239;s</dd>
                </div>
                <div>
                    <dt>At the latest</dt>
                    <dd><span class="fig">{{ $transfer->maxMs / 1000 }}</span>&#8239;s</dd>
                </div>
            @endif
        </dl>
        <p class="missing"><x-glyph
                :kind="['too_slow' => 'stop', 'first_crank_only' => 'warn', 'inside' => 'proven'][$verdict->value] ?? 'note'" /><a
                href="{{ route('sheet', $page->switch) }}">{{ $verdict->sentence() }}</a></p>
    @endif
@endsection
