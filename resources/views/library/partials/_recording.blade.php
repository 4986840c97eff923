<div id="recording" x-data="recordingZoom" data-url="{{ route('recording', $page->recording) }}">
    <div class="head">
        <div>
            <h1>{{ $page->recording->name }}</h1>
            <p>{{ $page->recording->source }}. {{ $page->recording->phases }} &times; {{ $page->recording->nominal_v }}&#8239;V,
                {{ $page->recording->nominal_hz }}&#8239;Hz. <a href="{{ route('library') }}">Back to the library</a></p>
        </div>
    </div>
    <nav class="choice" aria-label="Look elsewhere" hx-target:inherited="#recording" hx-swap:inherited="outerHTML">
        @foreach ($page->looks() as $words => [$from, $to])
            <a href="{{ route('recording', [$page->recording, 'from' => $from, 'to' => $to]) }}"
                hx-get="{{ route('recording', [$page->recording, 'from' => $from, 'to' => $to]) }}">{{ $words }}</a>
        @endforeach
    </nav>
    <div class="recording-box" x-on:pointerdown="begin" x-on:pointermove="move" x-on:pointerup="end">{!! $page->svg() !!}<div
            class="recording-span" x-ref="span" hidden></div>
    </div>
    <p class="key"><span>solid L1, dashed L2, dotted L3</span><span>pick-up 90 %, drop-out 80 % of nominal; a rehearsal uses its own
            sheet's limits</span><span>drag over the drawing to look nearer</span></p>
    <div class="recording-two">
        <section class="block">
            <h2>What disturbed it: {{ count($page->disturbances) }}</h2>
            @if ($page->disturbances === [])
                <p class="quiet">Nothing did: it stayed within the usual limits.</p>
            @endif
            <ol class="disturbances" hx-target:inherited="#recording" hx-swap:inherited="outerHTML">
                @foreach ($page->listed() as $line)
                    <li><a href="{{ route('recording', [$page->recording, 'from' => $line['fromMs'], 'to' => $line['toMs']]) }}"
                            hx-get="{{ route('recording', [$page->recording, 'from' => $line['fromMs'], 'to' => $line['toMs']]) }}"><span
                                class="fig">{{ $line['at'] }}</span> {{ $line['words'] }}</a></li>
                @endforeach
            </ol>
            @if (count($page->disturbances) > count($page->listed()))
                <p class="quiet">and {{ count($page->disturbances) - count($page->listed()) }} more.</p>
            @endif
        </section>
        <section class="block">
            <h2>Run it on</h2>
            <ul class="plain-list">
                @foreach ($page->sites as $site)
                    @foreach ($site->switches as $switch)
                        @if ($switch->sheet)
                            @php($url = route('rehearsal', [$switch, 'story' => $page->story()]))
                            <li><a
                                    href="{{ $url }}">{{ $page->named($switch, $site) }}</a>
                            </li>
                        @endif
                    @endforeach
                @endforeach
            </ul>
            <h2 class="gap">Take it away</h2>
            <p class="choice"><a href="{{ route('recording.export', [$page->recording, 'csv']) }}">RMS values, CSV</a><a
                    href="{{ route('recording.export', [$page->recording, 'cff']) }}">RMS values, COMTRADE</a></p>
            @if (auth()->user()->role->mayWriteForAll())
                <form method="post" action="{{ route('recording.remove', $page->recording) }}">@csrf @method('delete')<button
                        class="link-button" type="submit">Remove this recording</button></form>
            @endif
        </section>
    </div>
</div>
