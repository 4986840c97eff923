<nav class="views" aria-label="Pages of the circuit">
    <a href="{{ route('circuit', $switch) }}" @if ($tab === 'proof') aria-current="page" @endif>Proof</a>
    @if (auth()->user()->role->mayWrite())
        <a href="{{ route('circuit.edit', $switch) }}" @if ($tab === 'edit') aria-current="page" @endif>Edit</a>
    @endif
    <a href="{{ route('circuit.play', $switch) }}" @if ($tab === 'play') aria-current="page" @endif>In time</a>
    <a href="{{ route('circuit.terminals', $switch) }}" @if ($tab === 'terminals') aria-current="page" @endif>Terminals</a>
</nav>
