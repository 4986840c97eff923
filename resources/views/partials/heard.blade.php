@foreach ($heard as $device)
    <div @class(['heard', 'is-past' => !$device->isLive()])>
        <p><x-glyph :kind="$device->glyph()" /><b>{{ $device->feed->name }}</b>, {{ $device->title() }}</p>
        @if ($device->words() !== '')
            <p>{{ $device->words() }}</p>
        @endif
        @if ($device->clock())
            <p><small>{{ $device->clock() }}</small></p>
        @endif
        @if (($withGaps ?? true) && $device->gaps() !== [])
            <details>
                <summary>Silent {{ $device->gapWords() }} in seven days</summary>
                <ul class="plain">
                    @foreach (array_slice($device->gaps(), 0, 20) as $gap)
                        <li>{{ $gap }}</li>
                    @endforeach
                </ul>
            </details>
        @endif
    </div>
@endforeach
