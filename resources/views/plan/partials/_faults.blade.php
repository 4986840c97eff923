<section class="block faults" aria-labelledby="faults">
    <h2 id="faults">Fault current and ratings</h2>
    <p class="lead-in">Bolted faults, cold conductors; arcs and incident energy are not covered. A feeder that is not in the schedule counts
        as no length: the figure is then too great, never too small.</p>
    <div class="scroll-x">
        <table class="ruled blocks">
            <thead>
                <tr>
                    <th>At</th>
                    @foreach ($page->faultSources() as $name)
                        <th class="fig">From {{ lcfirst($name) }}</th>
                    @endforeach
                    <th class="fig">Rated</th>
                    <th>Verdict</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($faults->elements as $element)
                    <tr>
                        <th scope="row">{{ $page->name($element->id) }}</th>
                        @foreach ($page->faultSources() as $source => $name)
                            @php($point = $element->bySource[$source] ?? null)
                            <td class="fig" data-label="From {{ lcfirst($name) }}">
                                {{ $point ? number_format($point->maxKa, 1) . "\u{202F}kA" : 'not known' }}
                                @if ($point?->tripKa !== null)
                                    <small>{{ number_format($point->tripKa, 2) }} when a breaker trips,
                                        {{ number_format($point->sustainedKa, 2) }} sustained</small>
                                @endif
                            </td>
                        @endforeach
                        <td class="fig" data-label="Rated">{{ $page->kiloamps($element->ratedKa) }}@if ($element->seriesKa)
                                <small>series {{ $element->seriesKa }}&#8239;kA</small>
                            @endif
                        </td>
                        <td data-label="Verdict"><x-glyph :kind="$page->faultGlyph($element)" />{{ $element->verdict()->words() }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @if ($faults->working !== [])
        <details>
            <summary>Working</summary>
            @foreach ($faults->working as $line)
                <p class="working">{{ $line->label }}: {{ $line->expression }} =
                    {{ is_float($line->value) ? round($line->value, 3) : $line->value }}&#8239;{{ $line->unit }}</p>
            @endforeach
        </details>
    @endif
    <p class="working">Interrupting ratings are those of the <a
            href="{{ route('survey', ['site' => $page->switch->site_id, 'on' => 'rules', 'switch' => $page->switch->id]) }}">survey</a>,
        the
        withstand rating is that of the plan below. Confirm with the utility's letter and the maker's data.</p>
</section>
