@if ($page->reading && $page->result)
    @php($result = $page->result)
    <section class="block" aria-labelledby="shown">
        <h2 id="shown">Read {{ $page->at($page->reading) }} by {{ $page->reading->user->name }}</h2>
        @if ($page->reading->note)
            <p>{{ $page->reading->note }}</p>
        @endif
        <div class="two-blocks">
            @php($phasors = $page->phasors())
            @if ($phasors)
                <div>
                    {!! $phasors->svg() !!}
                    <p class="key"><span>full line: voltage</span><span>broken line: current as the meter has it</span>
                        @if ($page->reading->v_deg === null)
                            <span>angles assumed: none were read</span>
                        @endif
                    </p>
                </div>
            @endif
            <div>
                <p><b>{{ $page->diagnosis() }}</b></p>
                <ul class="plain">
                    @foreach ($page->channels() as $line)
                        <li>{{ $line }}</li>
                    @endforeach
                </ul>
                <dl class="pairs">
                    <div>
                        <dt>Order of the phases</dt>
                        <dd>{{ $page->rotation() }}</dd>
                    </div>
                    <div>
                        <dt>Power</dt>
                        <dd><span class="fig">{{ $page::figure($result->total['kw']) }}&#8239;kW,
                                {{ $page::figure($result->total['kva_vector']) }}&#8239;kVA</span>, power factor
                            <span class="fig">{{ $page::figure($result->total['pf_vector'], 3) }}</span>
                        </dd>
                    </div>
                    <div>
                        <dt>Unbalance</dt>
                        <dd><span class="fig">{{ $page::figure($result->vUnbalancePct) }}&#8239;%</span> of the line voltages
                            ({{ $result->vLlFrom }}), <span class="fig">{{ $page::figure($result->iUnbalancePct) }}&#8239;%</span> of
                            the
                            currents</dd>
                    </div>
                    <div>
                        <dt>Neutral</dt>
                        <dd><span class="fig">{{ $page::figure($result->neutralCalcA) }}&#8239;A</span> by the phases, measured
                            <span class="fig">{{ $page::figure($page->reading->neutral_a) }}&#8239;A</span>
                        </dd>
                    </div>
                    <div>
                        <dt>Transformers</dt>
                        <dd>loaded to <span class="fig">{{ $page::figure($result->ctLoadPct, 0) }}&#8239;%</span>, readings times
                            <span class="fig">{{ $page::figure($result->ctFactor, 3) }}</span>
                        </dd>
                    </div>
                </dl>
            </div>
        </div>
        <div class="scroll-x">
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th>Phase</th>
                        <th class="fig">V</th>
                        <th class="fig">A as shown</th>
                        <th class="fig">A really</th>
                        <th class="fig">kVA</th>
                        <th class="fig">kW</th>
                        <th class="fig">kvar</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($result->phases as $i => $phase)
                        <tr>
                            <th scope="row">L{{ $i + 1 }}</th>
                            <td class="fig" data-label="V">{{ $page::figure($page->reading->v_v[$i] ?? null) }}</td>
                            <td class="fig" data-label="A as shown">{{ $page::figure($page->reading->a_a[$i]) }}</td>
                            <td class="fig" data-label="A really">{{ $page::figure($result->iCorrectedA[$i]) }}</td>
                            <td class="fig" data-label="kVA">{{ $page::figure($phase['kva'], 2) }}</td>
                            <td class="fig" data-label="kW">{{ $page::figure($phase['kw'], 2) }}</td>
                            <td class="fig" data-label="kvar">{{ $page::figure($phase['kvar'], 2) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <details>
            <summary>Working</summary>
            <x-working :lines="$result->working" />
        </details>
        @if ($page->readings->count() > 1)
            <p class="quiet">Others:
                @foreach ($page->readings as $one)
                    @if ($one->id !== $page->reading->id)
                        <a href="{{ route('meters', ['switch' => $page->switch, 'reading' => $one->id]) }}">{{ $page->at($one) }}</a>
                    @endif
                @endforeach
            </p>
        @endif
    </section>
@endif
