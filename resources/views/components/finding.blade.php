@props(['finding', 'where' => null])
<article class="finding finding-{{ $finding->severity->value }}" id="finding-{{ $finding->id }}">
    <p class="finding-head"><x-glyph :kind="$finding->severity->value" /><b>{{ ucfirst($finding->severity->value) }}</b></p>
    <p class="finding-claim">{{ $finding->message }}</p>
    <p class="finding-because">{{ $finding->because }}</p>
    @if ($where)
        <p class="finding-because"><a href="{{ $where }}">To the setting</a></p>
    @endif
    {{ $slot }}
</article>
