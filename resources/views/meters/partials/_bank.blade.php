<section class="block" aria-labelledby="capacitors">
    <h2 id="capacitors">Capacitor bank</h2>
    @if ($page->chosen)
        @php($chosen = $page->chosen)
        <dl class="pairs">
            <div>
                <dt>Needed</dt>
                <dd><span class="fig">{{ $page::figure($chosen->neededKvar) }}&#8239;kvar</span>, on
                    <span class="fig">{{ $page::figure($chosen->totalKvar) }}&#8239;kvar</span>
                </dd>
            </div>
            <div>
                <dt>Power factor then</dt>
                <dd><span class="fig">{{ $page::figure($chosen->pfAfter, 3) }}</span>{{ $chosen->leading ? ', leading' : '' }}, line
                    <span class="fig">{{ $page::figure($chosen->lineABefore) }} to {{ $page::figure($chosen->lineAAfter) }}&#8239;A</span>
                </dd>
            </div>
            <div>
                <dt>Off and on again</dt>
                <dd>discharged after <span class="fig">{{ $page::figure($chosen->dischargeS, 0) }}&#8239;s</span>, back on after
                    <span class="fig">{{ $page::figure($page->bank?->reconnect_s, 0) }}&#8239;s</span>
                </dd>
            </div>
            @if ($chosen->generator)
                <div>
                    <dt>On the generator</dt>
                    <dd>{{ $chosen->generator->lockedOut ? 'the bank stays off' : 'the bank may be on' }}, leading
                        <span class="fig">{{ $page::figure($chosen->generator->leadingPct) }}&#8239;%</span>
                    </dd>
                </div>
            @endif
        </dl>
        <div class="scroll-x">
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th>Stage</th>
                        <th class="fig">kvar here</th>
                        <th class="fig">A</th>
                        <th class="fig">Conductor from</th>
                        <th class="fig">Breaker</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($chosen->stages as $stage)
                        <tr>
                            <th scope="row">{{ str_replace('-', ' ', $stage['name']) }}</th>
                            <td class="fig" data-label="kvar here">{{ $page::figure($stage['kvar']) }}</td>
                            <td class="fig" data-label="A">{{ $page::figure($stage['a']) }}</td>
                            <td class="fig" data-label="Conductor from">{{ $page::figure($stage['conductor_a']) }}&#8239;A</td>
                            <td class="fig" data-label="Breaker">{{ $stage['breaker_a'] ?? '–' }}&#8239;A</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <details>
            <summary>Working</summary>
            <x-working :lines="$chosen->working" />
        </details>
        <p class="working">Factors for conductors and breakers are common practice; confirm them in the adopted edition and with the maker.
        </p>
    @else
        <p class="quiet">None is entered.</p>
    @endif
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('meters.bank', $page->switch) }}">
            @csrf @method('put')
            <x-seen :kept="$page->bank?->updated_at?->toIso8601String()" />
            <div class="fields">
                @foreach ($page->bankFields() as $field => [$label, $unit])
                    <x-field :name="$field" :label="$label" :unit="$unit === '' ? null : $unit" inputmode="decimal"
                        :value="$page->bankFigure($field)" />
                @endforeach
                <x-field name="steps" label="Steps that are switched" unit="kvar" :value="$page->bankSteps()" hint="10, 20, 20" />
                <label class="check"><input type="checkbox" name="fixed_switchable" value="1"
                        @checked(old('fixed_switchable', $page->bank?->fixed_switchable))>The fixed stage can be switched</label>
                <label class="check"><input type="checkbox" name="detuned" value="1" @checked(old('detuned', $page->bank?->detuned))>With
                    detuning reactors</label>
            </div>
            <button class="btn btn-outline-primary" type="submit">Save the bank</button>
        </form>
    @endif
</section>
