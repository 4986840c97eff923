@use('Escapement\Core\Commissioning\Proof\PartState')
{{-- where a switch stands, part by part: $standing of the site --}}
@if ($standing->proof)
    @php($open = array_filter($standing->proof->parts, fn($part) => $part->state !== PartState::Proved))
    <p>
        <b>{{ $standing->proofSentence() }}</b>
    </p>
    <ul class="parts">
        @foreach ([...$open, ...array_filter($standing->proof->parts, fn($part) => !in_array($part, $open, true))] as $part)
            <li><x-glyph :kind="[
                'proved' => 'proven',
                'failed' => 'stop',
                'open' => 'note',
                'stale' => 'warn',
                'not_asked' => 'note',
            ][$part->state->value]" />
                <span><b>{{ $part->part->label() }}</b>{{ $part->words() }}
                    @if ($part->record)
                        <small>{{ $standing->date(\Illuminate\Support\Carbon::parse($part->record->at)) }}, {{ $part->record->by }},
                            {{ lcfirst($part->record->run) }}</small>
                    @endif
                    @foreach ($part->again as $reason)
                        <small><b>To be looked at again:</b> {{ $reason }}.</small>
                    @endforeach
                    @if ($part->because !== [])
                        <small>{{ implode('. ', $part->because) }}</small>
                    @endif
                </span>
            </li>
        @endforeach
    </ul>
@endif
