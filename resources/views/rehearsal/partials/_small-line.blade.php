{{-- What is live at the cursor: the script only says where the switch is and what has voltage; the style sheet colours it. --}}
@php($two = $bench->playback->scenario->plant->engine === null)
<svg @class(['small-line', 'is-pair' => $two]) id="small-line"
    viewBox="0 0 252 {{ 150 + 16 * max(1, count($bench->playback->scenario->loads)) }}"
    role="img" aria-label="One-line at the cursor">
    @php($plant = $bench->playback->scenario->plant)
    @php($sides = [['n', 10, $two ? 'U1' : 'U', $plant->normal], ['e', 162, $two ? 'U2' : 'G', $plant->emergency]])
    @foreach ($sides as [$side, $x, $letter, $source])
        <g class="source source-{{ $side }}{{ $two ? ' is-two' : '' }}">
            <rect x="{{ $x }}" y="4" width="80" height="30" />
            <rect class="plate" x="{{ $x }}" y="4" width="26" height="30" /><text class="letter" x="{{ $x + 13 }}"
                y="24" text-anchor="middle">{{ $letter }}</text><text class="fig" x="{{ $x + 53 }}" y="24"
                text-anchor="middle" data-volts="{{ $side }}">{{ $source->nominalV }} V</text>
            <path class="tube" d="M{{ $x + 40 }} 34V72" />
            <path class="tube-in" d="M{{ $x + 40 }} 34V72" />
            <circle cx="{{ $x + 40 }}" cy="76" r="4.4" />
        </g>
    @endforeach
    <path class="arm arm-n" d="M50 76L126 104" />
    <path class="arm arm-e" d="M202 76L126 104" />
    <path class="arm arm-off" d="M126 72V104" />
    <g class="bus">
        <path class="tube" d="M126 104V132M16 132H236" />
        <path class="tube-in" d="M126 104V132M16 132H236" />
    </g>
    <circle cx="126" cy="106" r="4.4" />
    <text class="bus-word" x="140" y="122"></text>
    @foreach ($bench->playback->scenario->loads as $i => $load)
        <g class="load" data-load="{{ $load->id }}">
            <path class="drop" d="M24 {{ 136 + 16 * $i }}V{{ 147 + 16 * $i }}H36" />
            <rect x="36" y="{{ 142 + 16 * $i }}" width="48" height="11" /><text x="92"
                y="{{ 152 + 16 * $i }}">{{ Str::limit($load->id, 14, '…') }}</text><text class="load-word" x="240"
                y="{{ 152 + 16 * $i }}" text-anchor="end"></text>
        </g>
    @endforeach
</svg>
