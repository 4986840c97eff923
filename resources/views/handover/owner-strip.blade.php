{{-- what carries the load, from left to right; not to scale, the times stand below --}}
@php($x = 0)
@php($widths = ['first' => 150, 'dark' => 110, 'second' => 250])
@php(ob_start())
<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 660 92" width="660" height="92" role="img"
    aria-label="{{ implode(', then ', array_map(fn($part) => trim($part['name'] . ' ' . $part['time']), $parts)) }}">
    @foreach ($parts as $part)
        @php($width = $widths[$part['state']])
        <rect x="{{ $x + 1 }}" y="8" width="{{ $width - 2 }}" height="38"
            fill="{{ ['first' => '#ffffff', 'dark' => '#1a1a1a', 'second' => '#d5d5d5'][$part['state']] }}" stroke="#000000"
            stroke-width="1.5" />
        <text x="{{ $x + 9 }}" y="32" font-size="15" font-weight="bold"
            fill="{{ $part['state'] === 'dark' ? '#ffffff' : '#000000' }}">{{ $part['name'] }}</text>
        @foreach (explode("\n", wordwrap($part['time'], (int) ($width / 7.6))) as $line)
            <text x="{{ $x + 3 }}" y="{{ 63 + 16 * $loop->index }}" font-size="13"
                fill="{{ $isPdf ?? false ? '#000000' : 'currentColor' }}">{{ $line }}</text>
        @endforeach
        @php($x += $width)
    @endforeach
</svg>
@php($strip = trim(ob_get_clean()))
@if ($isPdf ?? false)
    <p><img class="strip-image" alt="" src="data:image/svg+xml;base64,{{ base64_encode($strip) }}"></p>
@else<div class="owner-strip scroll-x" tabindex="0" role="region" aria-label="What happens, drawn">{!! $strip !!}</div>
@endif
