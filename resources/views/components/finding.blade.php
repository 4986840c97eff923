@props(['finding', 'where' => null])
<article class="finding finding-{{ $finding->severity->value }}" id="finding-{{ $finding->id }}">
    <p class="finding-head"><x-glyph :kind="$finding->severity->value" /><b>{{ ucfirst($finding->severity->value) }}</b></p>
    <p class="finding-claim">{{ $finding->message }}</p>
    <p class="finding-because">{{ $finding->because }}</p>
    @if (\Escapement\Core\Finding\Register::reference($finding->id))
        <p class="finding-article">{{ \Escapement\Core\Finding\Register::reference($finding->id) }}: confirm in the edition in force.</p>
    @endif
    @if ($where)
        <p class="finding-because"><a href="{{ $where }}">To the setting</a></p>
    @endif
    {{ $slot }}
</article>
