@props(['stages', 'here' => null, 'width' => 22, 'height' => 26])
<svg class="teeth" width="{{ count($stages) * $width + 2 }}" height="{{ $height + 6 }}"
    viewBox="-1 0 {{ count($stages) * $width + 2 }} {{ $height + 6 }}" role="img"
    aria-label="{{ implode(', ', array_map(fn($stage) => $stage->name . ': ' . $stage->words, $stages)) }}">
    @foreach ($stages as $i => $stage)
        <g transform="translate({{ $i * $width }} 0)">
            <path
                d="M0 {{ $height }}L{{ $width * 0.66 }} 3H{{ $width * 0.76 }}L{{ $width }} {{ $height }}Z"
                fill="var(--esc-{{ $stage->state === 'proven' ? 'ink' : 'sheet' }})" stroke="var(--esc-ink)"
                stroke-width="1.2" />
            @if ($stage->state === 'part')
                @php($x = $width * 0.66 * $stage->fraction)
                @php($y = $height - ($height - 3) * $stage->fraction)
                <path
                    d="M0 {{ $height }}L{{ $x }} {{ $y }}V{{ $height }}Z"
                    fill="var(--esc-ink)" />
            @endif
            @if ($stage->state === 'stop')
                <svg x="{{ $width * 0.38 }}" y="{{ $height - 14 }}" width="12" height="12">
                    <use href="#m-stop" />
                </svg>
            @endif
            @if ($stage->key === $here)
                <path d="M0 {{ $height + 3 }}H{{ $width }}" stroke="var(--esc-steel)" stroke-width="4" />
            @endif
        </g>
    @endforeach
</svg>
