@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': wiring')
@section('main')
    <div class="head">
        <div>
            <h1>Wiring of {{ $page->title() === '' ? 'the enclosures' : lcfirst($page->title()) }}</h1>
        </div>
        @if ($page->view)
            <a class="btn btn-outline-primary" href="{{ route('wiring.pdf', $page->switch) }}">PDF</a>
        @endif
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'wiring'])
    @if ($page->view === null)
        <p class="quiet">No conductor has a place to land yet. The feeders come first: see <a
                href="{{ route('wires', $page->switch) }}">Feeders
                and wires</a>.</p>
    @else
        <div class="looks">
            <nav class="choice" aria-label="Enclosure">
                @foreach ($page->enclosures as $id => $name)
                    <a href="{{ route('wiring', ['switch' => $page->switch] + $page->look->at($id)) }}"
                        @if ($id === $page->enclosure()) aria-current="true" @endif>{{ $name }}</a>
                @endforeach
            </nav>
            <nav class="choice" aria-label="Switch on">
                <span class="choice-name">Switch on</span>
                @foreach ($page->positions() as $on => $name)
                    <a href="{{ route('wiring', ['switch' => $page->switch] + $page->look->on($on)) }}"
                        @if ($on === $page->look->on) aria-current="true" @endif>{{ $name }}</a>
                @endforeach
            </nav>
            <nav class="choice" aria-label="May still be live with one device open">
                <span class="choice-name">Open</span>
                <a href="{{ route('wiring', ['switch' => $page->switch] + $page->look->open('')) }}"
                    @if ($page->look->open === '') aria-current="true" @endif>nothing</a>
                @foreach ($page->devices() as $ref => $name)
                    <a href="{{ route('wiring', ['switch' => $page->switch] + $page->look->open($ref)) }}"
                        @if ($ref === $page->look->open) aria-current="true" @endif>{{ lcfirst($name) }}</a>
                @endforeach
            </nav>
        </div>
        @if ($page->look->open !== '')
            <p><b>What may still be live with {{ lcfirst($page->devices()[$page->look->open] ?? 'nothing') }} open,</b> whatever the
                switches do.</p>
        @endif
        @if ($page->hazard())
            <x-hazard><b>Lethal voltage.</b> {{ $page->hazard() }}</x-hazard>
        @endif
        <div class="scroll-x wiring-sheet">{!! $page->drawing()->svg() !!}</div>
        @if ($page->strip())
            <h2 class="gap">Control terminals</h2>
            <div class="scroll-x wiring-sheet">{!! $page->strip()->svg() !!}</div>
            @if ($page->unknownJumpers() !== [])
                <p class="missing"><x-glyph kind="note" /><span>Not known of the option jumpers:
                        {{ implode('; ', $page->unknownJumpers()) }}. Look,
                        isolated and proved dead, and read what is wanted from the maker's table; enter both under <a
                            href="{{ route('landing', $page->switch) }}">Terminations</a>.</span></p>
            @endif
        @endif
        <p class="working wiring-key">Solid: live from the {{ $page->acts()->sides()[0] }}; ladder: from the
            {{ $page->acts()->sides()[1] }}; hollow: nothing live. Double: neutral;
            dash-dot: ground. The numbers are the order of landing.</p>
        <p class="working">It shows what is planned and proves nothing: isolate, lock, prove dead, and prove each conductor by test,
            never by color. The maker's instructions, the adopted code and the authority having jurisdiction come first.</p>
    @endif
@endsection
@section('aside')
    @if ($page->step())
        <section class="landing-step" aria-labelledby="landing-step">
            <h2 id="landing-step">Landing {{ $page->step()->n }} of {{ count($page->view->steps) }}</h2>
            <div class="close-up">{!! $page->closeUp()?->svg() !!}</div>
            <dl class="pairs">
                @foreach ($page->facts() as $label => $words)
                    <div>
                        <dt>{{ $label }}</dt>
                        <dd>{{ $words }}</dd>
                    </div>
                @endforeach
            </dl>
            @if ($page->sharedWords())
                <p class="shared-lug"><b>{{ $page->sharedWords() }}</b></p>
            @endif
            <nav class="step-turns" aria-label="Order of landing">
                @if ($page->step()->n > 1)
                    <a class="btn btn-outline-primary" href="{{ $page->turn($page->step()->n - 1) }}">Before</a>
                @endif
                @if ($page->step()->n < count($page->view->steps))
                    <a class="btn btn-primary" href="{{ $page->turn($page->step()->n + 1) }}">Next</a>
                @endif
            </nav>
        </section>
    @endif
    @if ($page->view)
        <section aria-labelledby="wiring-findings">
            <h2 id="wiring-findings">Findings here</h2>
            @forelse ($page->findings() as $finding)
                <x-finding :finding="$finding" />
            @empty
                <p class="quiet">None.</p>
            @endforelse
        </section>
    @endif
@endsection
