@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': batteries and cords')
@section('main')
    <div class="head">
        <div>
            <h1>Batteries and cords</h1>
            <p>How long it lasts, whether it may be fed so, and what the cords take.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'mobile'])
    <x-hazard><b>Unplugged is not dead.</b> Shore cord out, panel main open, battery switch off, inverter off, engine kept from starting,
        then prove dead, even in your own vehicle. Batteries hold their energy with everything off.</x-hazard>
    @if ($page->runtime)
        <section class="block" aria-labelledby="lasts">
            <h2 id="lasts">How long it lasts</h2>
            @php($v = $page->runtime->values)
            <dl class="day-sums">
                <div>
                    <dt>These batteries</dt>
                    <dd class="fig">{{ $page->hours($v['runtime_h']) }}</dd>
                </div>
                @foreach ($v['with_extra'] as $i => $more)
                    <div>
                        <dt>{{ $i === 0 ? 'One more' : 'Two more' }}</dt>
                        <dd class="fig">{{ $page->hours($more['runtime_h']) }}</dd>
                    </div>
                @endforeach
                @if (($v['lost_h'] ?? 0) > 0)
                    <div>
                        <dt>Lost to the charger</dt>
                        <dd class="fig">{{ $page->hours($v['lost_h']) }}</dd>
                    </div>
                @endif
                <div>
                    <dt>Drawn on average</dt>
                    <dd class="fig">{{ round($v['drain_kw'], 2) }}&#8239;kW</dd>
                </div>
                <div>
                    <dt>At most</dt>
                    <dd class="fig">{{ round($v['peak_kw'], 2) }}&#8239;kW</dd>
                </div>
            </dl>
            <details class="why">
                <summary>Working</summary>
                @foreach ($page->runtime->working as $line)
                    <p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} =
                            {{ is_numeric($line->value) ? round((float) $line->value, 2) : $line->value }} {{ $line->unit }}</span></p>
                @endforeach
            </details>
            @if ($page->carried && $page->carried->offWords() !== [])
                <p>On the inverter these stay off: <b>{{ implode(', ', $page->carried->offWords()) }}</b>.</p>
            @endif
            @if ($page->isChargerOn() && auth()->user()->role->mayWrite())
                <form method="post" action="{{ route('mobile.charger', $page->switch) }}">@csrf<button class="btn btn-outline-primary"
                        type="submit">Put the charger on the shed list</button></form>
            @endif
        </section>
    @endif
    @if ($page->sources !== [])
        <section class="block" aria-labelledby="sources">
            <h2 id="sources">On each source</h2>
            <div class="scroll-x">
                <table class="ruled blocks">
                    <thead>
                        <tr>
                            <th>Source</th>
                            <th class="num-col">Gives</th>
                            <th class="num-col">A leg</th>
                            <th class="num-col">Loads that run</th>
                            <th class="num-col">Lasts</th>
                            <th>Stays off</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($page->sources as $source)
                            <tr>
                                <td><b>{{ $source->name }}</b></td>
                                <td class="num-col fig" data-label="Gives">{{ round($source->usableKw, 1) }}&#8239;kW</td>
                                <td class="num-col fig" data-label="A leg">{{ round($source->legA) }}&#8239;A</td>
                                <td class="num-col fig" data-label="Loads that run">{{ round($source->loadKw, 1) }}&#8239;kW</td>
                                <td class="num-col fig" data-label="Lasts">
                                    {{ $source->hours === null ? 'not known' : round($source->hours, 1) . ' h' }}</td>
                                <td data-label="Stays off">{{ $source->off === [] ? 'nothing' : implode(', ', $source->off) }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        </section>
    @endif
    @if ($page->jumper)
        <section class="block" aria-labelledby="jumper-said">
            <h2 id="jumper-said">One leg into two</h2>
            <p><x-glyph :kind="$page->jumper->values['allowed'] ? 'proven' : 'stop'" />
                <b>{{ $page->jumper->values['allowed'] ? 'Nothing found against the jumper.' : 'Not with a jumper as it stands.' }}</b> The
                shared neutral would carry <span class="fig">{{ round($page->jumper->values['feeder_neutral_a']) }}&#8239;A</span>.
            </p>
            <p class="finding-because">Only with the maker's written consent, and only where no 240 V source can ever be plugged in there. A
                licensed electrician decides.</p>
        </section>
    @endif
    @if ($page->cords !== [])
        <section class="block" aria-labelledby="cords">
            <h2 id="cords">Cords, at full current</h2>
            <div class="scroll-x">
                <table class="ruled blocks">
                    <thead>
                        <tr>
                            <th>Cord</th>
                            <th class="num-col">Drop</th>
                            <th class="num-col">At its end</th>
                            <th class="num-col">Neutral</th>
                            <th class="num-col">Longest for 3 %</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($page->cords as $name => $cord)
                            <tr>
                                <td><b>{{ $name }}</b></td>
                                <td class="num-col fig" data-label="Drop">{{ round($cord->values['worst_pct'], 1) }}&#8239;%</td>
                                <td class="num-col fig" data-label="At its end">
                                    @foreach ($cord->values['legs'] as $leg)
                                        {{ $loop->first ? '' : ' / ' }}{{ round($leg['v_end'], 1) }}
                                    @endforeach&#8239;V
                                </td>
                                <td class="num-col fig" data-label="Neutral">{{ round($cord->values['neutral_a']) }}&#8239;A</td>
                                <td class="num-col fig" data-label="Longest for 3 %">
                                    {{ $page->longest($cord) }}
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        </section>
    @endif
    <form method="post" action="{{ route('mobile.save', $page->switch) }}" class="block">
        @csrf @method('put')
        <x-seen :kept="$page->switch->plan?->mobile" />
        <h2>What is there</h2>
        <div class="fields">
            <x-field name="battery_kwh" label="One battery station holds" unit="kWh" inputmode="decimal"
                :value="$page->typed('battery_kwh')" />
            <x-field name="stations" label="Stations" inputmode="numeric" :value="$page->typed('stations')"
                hint="1 to 20, in parallel as their maker allows" />
            <div class="field"><label for="chemistry">Cells</label><select class="form-select" id="chemistry" name="chemistry">
                    @foreach ([
            'lfp' => 'iron phosphate',
            'nmc' => 'other lithium',
            'agm' => 'lead, glass mat',
            'lead' => 'lead, flooded',
        ] as $value => $words)
                        <option value="{{ $value }}" @selected($page->typed('chemistry') === $value)>{{ $words }}</option>
                    @endforeach
                </select>
            </div>
            <x-field name="inverter_kw" label="Inverter, continuous, each station" unit="kW" inputmode="decimal"
                :value="$page->typed('inverter_kw')" />
            <x-field name="inverter_a" label="Its output breaker" unit="A" inputmode="decimal" :value="$page->typed('inverter_a')" />
            <div class="field"><label for="charger">The charger among the loads</label><select class="form-select" id="charger"
                    name="charger">
                    <option value="">none</option>
                    @foreach ($page->switch->loads as $load)
                        <option value="{{ $load->name }}" @selected($page->typed('charger') === $load->name)>{{ $load->name }}</option>
                    @endforeach
                </select>
                <p class="field-hint">On inverter power it charges in a circle</p>
            </div>
            @if ($page->switch->site->installation === \Escapement\Core\Plant\InstallationKind::Mobile50)
                <label class="check"><input class="form-check-input" type="checkbox" name="jumper" value="1"
                        @checked($page->typed('jumper') === '1')>One 120 V source feeds both legs through a jumper</label>
                <label class="check"><input class="form-check-input" type="checkbox" name="alternate_ever_240" value="1"
                        @checked($page->typed('alternate_ever_240') === '1')>A 120/240 V source may be plugged in there too</label>
                <div class="field"><label for="maker_allows">The maker allows the jumper</label><select class="form-select"
                        id="maker_allows"
                        name="maker_allows">
                        @foreach (['unknown' => 'not known', 'yes' => 'yes, in writing', 'no' => 'no'] as $value => $words)
                            <option value="{{ $value }}" @selected($page->typed('maker_allows') === $value)>{{ $words }}</option>
                        @endforeach
                    </select>
                </div>
                <x-field name="feeder_neutral_a" label="The shared neutral may carry" unit="A" inputmode="decimal"
                    :value="$page->typed('feeder_neutral_a')" />
            @endif
            <x-field name="cord_m" label="Cord of the generator or inverter" :unit="$page->units->length()" inputmode="decimal"
                :value="$page->typed('cord_m')" />
            <div class="field"><label for="cord_size">Its size</label><select class="form-select" id="cord_size" name="cord_size">
                    <option value="">not known</option>
                    @foreach (['14', '12', '10', '8', '6', '4', '2'] as $size)
                        <option @selected($page->typed('cord_size') === $size)>{{ $size }}</option>
                    @endforeach
                </select></div>
            <x-field name="cord_breaker_a" label="Breaker ahead of it" unit="A" inputmode="decimal"
                :value="$page->typed('cord_breaker_a')" />
        </div>
        <p class="field-hint">Length and size of the shore cord are in the <a
                href="{{ route('survey', [$page->switch->site_id, 'on' => 'service', 'switch' => $page->switch]) }}">survey</a>.
            Each cord has a strain relief at both ends.</p>
        @if (auth()->user()->role->mayWrite())
            <button class="btn btn-primary" type="submit">Save</button>
        @endif
    </form>
@endsection
@section('aside')
    <h2>Findings here</h2>
    @forelse ($page->findings() as $finding)
    <x-finding :finding="$finding" />@empty<p class="missing">
            {{ $page->runtime === null ? 'Nothing to judge yet: say what is there.' : 'Nothing to say against it.' }}</p>
    @endforelse
@endsection
