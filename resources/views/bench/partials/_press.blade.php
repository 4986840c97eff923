<form method="post" action="{{ route('bench.hand', $switch) }}" hx-post="{{ route('bench.hand', $switch) }}" hx-target="#bench-live"
    hx-swap="outerMorph" class="press">@csrf
    @foreach ($fields as $name => $value)
        <input type="hidden" name="{{ $name }}" value="{{ $value }}">
    @endforeach
    <button type="submit" aria-pressed="{{ $isSo ? 'true' : 'false' }}">{{ $words }}</button>
</form>
