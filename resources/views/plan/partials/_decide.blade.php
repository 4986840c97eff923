<section class="block" aria-labelledby="decide">
    <h2 id="decide">Decide what is carried</h2>
    @if ($page->sizing === null)
        <p class="quiet">Not known yet:
            {{ $page->source === null ? 'the survey lacks the fuel or the generator\'s rating on it.' : 'the survey has no loads.' }}
            <a
                href="{{ route('survey', [$page->switch->site_id, 'on' => $page->asksFor(), 'switch' => $page->switch]) }}">To
                the survey</a>
        </p>
    @else
        @php($columns = $page->columns())
        <p>The source gives <b class="fig">{{ round($page->source->usableKw, 1) }}&#8239;kW</b> here, limited by the
            {{ $page->source->limitedBy }}; <span class="fig">{{ round($page->source->legA) }}&#8239;A</span> a leg.@if ($page->demand)
                Demand of the house:@foreach (['calculated' => 'calculated', 'measured' => 'measured'] as $school => $words)
                    @if ($page->demand->{$school})
                        {{ $words }} <b
                            class="fig">{{ round($page->demand->{$school}->demandKva, 1) }}&#8239;kVA</b>{{ $loop->last ? '' : ',' }}
                    @endif
                @endforeach.@endif
        </p>
        @if ($page->facts->legs->assumptions() !== [])
            <details class="why" open>
                <summary>Assumed legs: confirm on the Loads page</summary>
                @foreach ($page->facts->legs->assumptions() as $assumption)
                    <p>{{ $assumption }}</p>
                @endforeach
            </details>
        @endif
        <div class="scroll-x">
            <table class="ruled decide">
                <thead>
                    <tr>
                        <th></th>
                        @foreach ($columns as $c)
                            <th scope="col">{{ $c->title }}@if ($c->key === $page->sizing->recommendation)
                                    <small><x-glyph kind="proven" />recommended</small>
                                    @endif @if ($c->key === $page->kept?->choice)
                                        <small>chosen by {{ $page->kept->user->name }}</small>
                                    @endif
                            </th>
                        @endforeach
                    </tr>
                </thead>
                <tbody>
                    <tr>
                        <th scope="row">Fits</th>
                        @foreach ($columns as $c)
                            <td>
                                @if ($c->fits() === 'no')
                                    <x-glyph kind="stop" />
                                @endif <b>{{ $c->fits() }}</b>
                            </td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">Load at once</th>
                        @foreach ($columns as $c)
                            <td class="fig">{{ round($c->option->kw, 1) }}&#8239;kW</td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">On each leg</th>
                        @foreach ($columns as $c)
                            <td class="fig">{{ $c->legs() }}&#8239;A</td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">Unbalance</th>
                        @foreach ($columns as $c)
                            <td class="fig">{{ round($c->option->imbalancePct) }}&#8239;%</td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">Headroom</th>
                        @foreach ($columns as $c)
                            <td class="fig">{{ round($c->option->headroomPct) }}&#8239;%</td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">Largest voltage dip at a start</th>
                        @foreach ($columns as $c)
                            <td class="fig">{{ round($c->dipPct) }}&#8239;%</td>
                        @endforeach
                    </tr>
                    @php($units = new \App\Bridge\Units($page->switch->site->units))
                    <tr>
                        <th scope="row">On the tank</th>
                        @foreach ($columns as $c)
                            <td class="fig">
                                @if ($c->runtimeHours() !== null)
                                    {{ round($c->runtimeHours()) }}&#8239;h @if ($c->gallonsAnHour() !== null)
                                        <small>{{ $units->volumeText($c->gallonsAnHour()) }}/h</small>
                                @endif @else–
                                @endif
                            </td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">More work than the least</th>
                        @foreach ($columns as $c)
                            <td class="fig">{{ $c->labourHours == 0.0 ? 'none' : round($c->labourHours, 1) . ' h' }}</td>
                        @endforeach
                    </tr>
                    <tr>
                        <th scope="row">Does not run, or not at once</th>
                        @foreach ($columns as $c)
                            <td>{{ $c->off === [] ? 'nothing' : implode(', ', $c->off) }}</td>
                        @endforeach
                    </tr>
                </tbody>
            </table>
        </div>
        <p class="field-hint">Hours on the tank are at this load the whole time, by a generic rate. Hours of work are planning figures: a
            circuit moved half an hour, a shedding module one, the essential panel three.</p>
        <details class="why">
            <summary>Working</summary>
            @foreach ([...$page->source->answer->working, ...$page->sizing->working, ...$page->demand->working ?? []] as $line)
                <p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} =
                        {{ is_numeric($line->value) ? round((float) $line->value, 2) : $line->value }} {{ $line->unit }}</span></p>
            @endforeach
        </details>
        @foreach ([...$page->source->answer->findings, ...$page->sizing->findings, ...$page->demand->findings ?? []] as $finding)
            <x-finding :finding="$finding" />
        @endforeach
    @endif
</section>
