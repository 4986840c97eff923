{{-- where a switch stands, part by part: $standing of the site --}}
@if ($standing->proof)
<p class="lead-in"><b>{{ ucfirst($standing->proof->state->label()) }}.</b> {{ $standing->proofSentence() }}</p>
<ul class="parts">
    @foreach ($standing->proof->parts as $part)
    <li><x-glyph :kind="['proved' => 'proven', 'failed' => 'stop', 'open' => 'note', 'stale' => 'warn', 'not_asked' => 'note'][$part->state->value]"/>
        <span><b>{{ $part->part->label() }}</b>: {{ $part->state->label() }}@if ($part->record), {{ $standing->date(\Illuminate\Support\Carbon::parse($part->record->at)) }} by {{ $part->record->by }}, {{ lcfirst($part->record->run) }}@endif
        @if ($part->because !== [])<small>{{ implode('. ', $part->because) }}</small>@endif</span></li>
    @endforeach
</ul>
@endif
