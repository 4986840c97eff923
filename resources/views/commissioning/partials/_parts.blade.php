@use('Escapement\Core\Commissioning\Proof\PartOutcome')
{{-- what a run says to the parts of a proof: $parts from the core, $run --}}
@foreach (PartOutcome::cases() as $outcome)
    @php($glyph = ['proved' => 'proven', 'failed' => 'stop', 'open' => 'warn', 'untouched' => 'note'][$outcome->value])
    @php($those = $parts->in($outcome))
    @if ($those !== [])
        <h3>
            {{ $outcome->title() }}</h3>
        <ul class="parts">
            @foreach ($those as $part)
                <li><x-glyph :kind="$glyph" /><span><b>{{ $part->part->label() }}</b>{{ $part->isNoted ? ', with a note' : '' }}
                        @if ($part->why !== [])
                            <small>{{ $part->whyInShort() }}</small>
                        @endif
                        @if ($glyph !== 'proven')
                            <small>
                                @if ($part->steps !== [])
                                    @php($url = route('procedure', [$run, 'step' => $part->steps[0]]))
                                    <a
                                        href="{{ $url }}">{{ $glyph === 'note' ? 'Its steps' : 'To the step' }}</a>
                                @elseif (in_array($part->part->value, ['times', 'bait'], true))
                                    <a href="{{ route('run', $run) }}">To the stopwatch</a>
                                @endif
                            </small>
                        @endif
                    </span></li>
            @endforeach
        </ul>
    @endif
@endforeach
