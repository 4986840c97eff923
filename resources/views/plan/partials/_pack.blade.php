<div id="pack">
    <p role="status"><b class="fig">{{ $page->ticked() }} of {{ count($page->lines) }}</b> packed.</p>
    @foreach ($page->groups() as $label => $lines)
        <section class="block" aria-label="{{ $label }}">
            <h2>{{ $label }}</h2>
            <ul class="pack">
                @foreach ($lines as $line)
                    @php($isDone = $page->isTicked($line))
                    <li @class(['is-packed' => $isDone])>
                        @if (auth()->user()->role->mayWrite())
                            <form method="post" action="{{ route('pack-list.tick', $page->switch) }}"
                                hx-post="{{ route('pack-list.tick', $page->switch) }}" hx-target="#pack" hx-swap="outerHTML">@csrf<input
                                    type="hidden" name="key" value="{{ $line->key }}"><input type="hidden" name="done"
                                    value="{{ $isDone ? 0 : 1 }}">
                                <button type="submit" class="pack-line" id="tick-{{ $line->key }}"
                                    aria-pressed="{{ $isDone ? 'true' : 'false' }}"><span class="pack-box" aria-hidden="true">
                                        @if ($isDone)
                                            <svg width="20" height="20" viewBox="0 0 20 20">
                                                <path d="M3 10l5 6 9-12" fill="none" stroke="currentColor" stroke-width="3" />
                                            </svg>
                                        @endif
                                    </span>
                                    <span><b>{{ $line->name }}</b><small>{{ $line->why }}{{ $page->packedBy($line) }}</small></span><span
                                        class="fig">{{ $page->quantity($line) }}</span></button>
                            </form>
                        @else<span class="pack-line"><span class="pack-box"
                                    aria-hidden="true"></span><span><b>{{ $line->name }}</b><small>{{ $line->why }}</small></span><span
                                    class="fig">{{ $page->quantity($line) }}</span></span>
                        @endif
                        @if ($page->calibrationFault($line))
                            <p class="pack-fault"><x-glyph kind="warn" />{{ ucfirst($page->calibrationFault($line)) }}.</p>
                        @endif
                    </li>
                @endforeach
            </ul>
        </section>
    @endforeach
</div>
