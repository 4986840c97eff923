@extends('layouts.site', ['standing' => $page->standing, 'here' => $page->run->isService() ? 'schedule' : 'commission'])
@section('title', $page->run->switch->site->name . ': procedure')
@section('main')
    <div x-data="procedure" data-run="{{ $page->run->id }}" data-user="{{ auth()->id() }}" data-send-to="{{ route('answers', $page->run) }}"
        data-pictures-to="{{ route('run.photos', $page->run) }}">
        <p class="net" role="status"><svg width="15" height="22" viewBox="0 0 15 22" aria-hidden="true">
                <rect x="1" y="1" width="13" height="20" rx="2" fill="none" stroke="currentColor" stroke-width="1.6" />
                <path d="M4.5 11l2 2.5 4-5" fill="none" stroke="currentColor" stroke-width="1.6" />
            </svg><span x-text="netWords">Kept on this device first.</span><b x-text="unsentWords"></b></p>
        @include('commissioning.partials._procedure')
    </div>
    @if ($page->run->isService())
        @if ($page->run->isSigned())
            <p class="block"><a class="btn btn-primary" href="{{ route('report', $page->run) }}">The signed report</a></p>
        @elseif (auth()->user()->role->maySign())
            <section class="block sign" id="sign">
                <h2>Sign</h2>
                <p class="finding-because">Signing closes the visit. What was read and done goes into the logbook; what is due is reckoned
                    from it. It proves nothing of the changeover: that is a run.</p>
                @include('commissioning.partials._sign', ['run' => $page->run])
            </section>
        @else
            <p class="missing"><x-glyph kind="note" /><span>A technician signs this visit. All that you answer is kept under your
                    name.</span></p>
        @endif
    @endif
@endsection
