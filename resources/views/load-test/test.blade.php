@extends('layouts.site', ['standing' => $page->standing, 'here' => 'load-test'])
@php($judged = $page->judged)
@php($mayWrite = $page->mayWrite(auth()->user()))
@section('title', $page->test->switch->site->name . ': ' . $judged->title())
@section('main')
    <div class="head">
        <div>
            <h1>{{ $judged->title() }}</h1>
            <p><a href="{{ route('load-tests', $page->test->switch_id) }}">All load tests</a></p>
        </div>
        <a class="btn btn-outline-primary" href="{{ route('load-test.pdf', $page->test) }}">Plan, PDF</a>
        <a class="btn btn-primary" href="{{ route('load-test.report', $page->test) }}">Report</a>
    </div>
    <x-hazard><b>Lethal voltage, hot air.</b> Load bank terminals stay energized while the set runs. Contact kills. With the
        set stopped the utility still feeds the load side. Touch no terminal before the set is stopped, its start battery disconnected, and
        utility and generator both isolated, locked out and proved dead. Keep clear of the air outlet and the exhaust. Oil, coolant or
        overload beyond its limit: take the load off, and
        stop the engine as its maker says.</x-hazard>
    <div class="scroll-x">{!! $judged->chart()->svg() !!}</div>
    <p class="key"><span><i class="swatch swatch-gen"></i>building</span><span>open hatch: load bank</span><span>dashes: the level
            asked</span><span>circles: readings</span>
        @if ($page->test->planned_for)
            <span><a href="{{ route('load-test.ics', $page->test) }}">Appointment</a></span>
        @endif
        <span><a href="{{ route('load-test.plan.csv', $page->test) }}">Steps, CSV</a></span>
        <span><a href="{{ route('load-test.csv', $page->test) }}">Readings, CSV</a></span>
    </p>
    @if ($mayWrite)
        <p><a class="btn btn-primary btn-glove" href="{{ route('load-test.screen', $page->test) }}">Read on this phone, without a network
                too</a>
        </p>
        @foreach ($page->devices() as $device)
            <form method="post" action="{{ route('load-test.meter', $page->test) }}" class="block">
                @csrf
                <input type="hidden" name="device" value="{{ $device->id }}">
                <button class="btn btn-outline-primary btn-glove" type="submit">Read {{ $device->name }} now, over the wire</button>
            </form>
        @endforeach
        @error('device')
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
        <form method="post" action="{{ route('load-test.read', $page->test) }}" class="block reading-form">
            @csrf
            <h2>Read now</h2>
            <p class="lead-in">From displays and meters with covers on. A meter on live terminals is testing by a qualified person.</p>
            <input type="hidden" name="id" value="{{ old('id', $page->freshId()) }}">
            <div class="fields">
                <x-field name="time" label="Hour" :value="old('time', $page->now())" inputmode="numeric" />
                @for ($leg = 0; $leg < $page->facts->phases(); $leg++)
                    <x-field :name="'v[' . $leg . ']'" :errorKey="'v.' . $leg" :label="'L' . ($leg + 1) . ' to neutral'" unit="V"
                        inputmode="decimal" :value="old('v.' . $leg, '')"
                        enterkeyhint="next" />
                    <x-field :name="'a[' . $leg . ']'" :errorKey="'a.' . $leg" :label="'L' . ($leg + 1) . ' current'" unit="A"
                        inputmode="decimal" :value="old('a.' . $leg, '')"
                        enterkeyhint="next" />
                @endfor
                <x-field name="hz" label="Frequency" unit="Hz" inputmode="decimal" :value="old('hz', '')" enterkeyhint="next" />
                <x-field name="kw" label="Power, where the meter shows it" unit="kW" inputmode="decimal" :value="old('kw', '')"
                    enterkeyhint="next" />
                <x-field name="oil" label="Oil pressure" :unit="$judged->units->oilPressure()" inputmode="decimal" :value="old('oil', '')"
                    enterkeyhint="next" />
                <x-field name="coolant" label="Coolant" :unit="$judged->units->temperature()" inputmode="decimal"
                    :value="old('coolant', '')" enterkeyhint="next" />
                <x-field name="exhaust" label="Exhaust" :unit="$judged->units->temperature()" inputmode="decimal"
                    :value="old('exhaust', '')" enterkeyhint="next" />
                <x-field name="battery_v" label="Battery" unit="V" inputmode="decimal" :value="old('battery_v', '')" enterkeyhint="next" />
                <x-field name="note" label="Note" :value="old('note', '')" maxlength="300" />
            </div>
            <button class="btn btn-primary btn-glove" type="submit">Keep the reading</button>
        </form>
    @endif
    @include('load-test.partials._marks')
    @php($figures = $judged->figures())
    @if ($figures)
        <section class="block" aria-labelledby="figures" x-data="testCursor" data-readings="{{ $judged->cursor() }}">
            <h2 id="figures">Over the test</h2>
            <div class="scroll-x" tabindex="0" x-on:pointermove="point" x-on:keydown="step"
                aria-label="Figures of the readings; left and right arrow go from one reading to the next">{!! $figures->svg() !!}</div>
            <p class="cursor-words fig" aria-live="polite" x-text="words">Point at the chart, or use the arrow keys.</p>
        </section>
    @endif
    <section class="block" aria-labelledby="readings">
        <h2 id="readings">Readings</h2>
        @if ($page->readings->isEmpty())
            <p class="quiet">None yet.</p>
        @else
            <div class="scroll-x">
                <table class="ruled">
                    <thead>
                        <tr>
                            <th>Hour</th>
                            <th class="fig">V</th>
                            <th class="fig">A</th>
                            <th class="fig">Hz</th>
                            <th class="fig">kW</th>
                            <th class="fig">Oil</th>
                            <th class="fig">Coolant</th>
                            <th class="fig">Exhaust</th>
                            <th></th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($page->readings as $one)
                            <tr @class(['is-struck' => $one->struck_why !== null])>
                                <th scope="row" class="fig">
                                    {{ $judged->words->hour($one->taken_at) }}<small>{{ $one->user->name }}</small></th>
                                <td class="fig">{{ implode(' ', $one->v_v) }}</td>
                                <td class="fig">{{ implode(' ', $one->a_a) }}</td>
                                <td class="fig">{{ $one->hz }}</td>
                                <td class="fig">{{ $judged->words::kw($one->figures()) }}</td>
                                <td class="fig">{{ $judged->words->oil($one->oil_kpa) }}</td>
                                <td class="fig">{{ $judged->words->temperature($one->coolant_c) }}</td>
                                <td class="fig">{{ $judged->words->temperature($one->exhaust_c) }}</td>
                                <td>
                                    @if ($one->struck_why !== null)
                                        struck out: {{ $one->struck_why }}
                                    @elseif ($mayWrite)
                                        <x-strike :action="route('load-test.strike', ['test' => $page->test, 'reading' => $one])"
                                            :what="'the reading of ' . $judged->words->hour($one->taken_at)" />
                                    @endif
                                    {{ $one->note }}
                                    @if ($one->source !== \Escapement\Core\LoadTest\ReadingSource::Manual)
                                        {{ $one->source->label() }}
                                    @endif
                                    @foreach ($page->photosOf($one) as $photo)
                                        <a href="{{ route('photo', ['photo' => $photo, 'size' => 'full']) }}">picture
                                            {{ $loop->iteration }}</a>
                                    @endforeach
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            @if ($page->readings->hasPages())
                <nav class="turn-page" aria-label="Pages of readings">
                    @if ($page->readings->previousPageUrl() !== null)
                        <a class="btn btn-outline-primary" href="{{ $page->readings->previousPageUrl() }}" rel="prev">Newer</a>
                    @endif
                    <span class="fig">page {{ $page->readings->currentPage() }} of {{ $page->readings->lastPage() }}</span>
                    @if ($page->readings->hasMorePages())
                        <a class="btn btn-outline-primary" href="{{ $page->readings->nextPageUrl() }}" rel="next">Older</a>
                    @endif
                </nav>
            @endif
        @endif
    </section>
    <section class="block" aria-labelledby="steps">
        <h2 id="steps">Steps</h2>
        <div class="scroll-x">
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th>Level</th>
                        <th class="fig">From</th>
                        <th class="fig">To</th>
                        <th class="fig">Building and bank</th>
                        <th>Elements on</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($judged->plan->steps as $i => $step)
                        <tr>
                            <th scope="row">{{ $step->levelPct }}&#8239;% for {{ $step->minutes }}&#8239;min</th>
                            <td class="fig" data-label="From">{{ $judged::clock($step->startS) }}</td>
                            <td class="fig" data-label="To">{{ $judged::clock($step->endS) }}</td>
                            <td class="fig" data-label="Building and bank">
                                {{ round($step->kw, 2) }}&#8239;kW<small>bank {{ round($step->bankKw, 2) }}, asked
                                    {{ round($step->targetKw, 2) }}</small></td>
                            <td data-label="Elements on">
                                {{ $page->elements($i) === [] ? 'none' : implode(', ', $page->elements($i)) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <p class="working">Readings at: {{ implode(', ', array_map($judged::clock(...), $judged->plan->readings)) }} (minutes from the start
            of
            the
            warm-up). At a step up read after it, at a step down before it. Fuel needed: {{ round($judged->plan->fuelNeeded, 1) }}
            {{ $judged->plan->fuelUnit }}.</p>
    </section>
    @include('load-test.partials._bank')
    @include('load-test.partials._recordings')
    @if ($mayWrite && auth()->user()->role->maySign())
        <form method="post" action="{{ route('load-test.close', $page->test) }}" class="block">
            @csrf
            <h2>Sign and close the test</h2>
            <p class="lead-in">It keeps the verdict of its readings, and takes no more of them.</p>
            <div class="fields"><x-field name="name" label="Your name" :value="old('name', auth()->user()->name)" maxlength="120" />
                @include('partials.sign-pad')
            </div>
            <button class="btn btn-primary btn-glove" type="submit">Sign and close</button>
        </form>
    @endif
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('load-test.note', $page->test) }}" class="block">
            @csrf
            <h2>{{ $page->test->isClosed() ? 'Amendment' : 'Note' }}</h2>
            <div class="fields"><x-field name="text" label="What has to be said" :value="old('text', '')" maxlength="2000" /></div>
            <button class="btn btn-outline-primary" type="submit">Put it into the record</button>
        </form>
    @endif
@endsection
@section('aside')
    <h2>Requirements</h2>
    @if ($page->test->isClosed())
        <p><b>{{ ucfirst(str_replace('_', ' ', $page->test->verdict)) }}.</b> Closed by {{ $page->test->closed_by }},
            {{ $page->standing->date($page->test->closed_at) }}.</p>
    @elseif ($judged->result)
        <p><b>{{ ucfirst(str_replace('_', ' ', $judged->result->verdict)) }} so far.</b></p>
    @else
        <p class="quiet">Judged from the first reading on.</p>
    @endif
    <ul class="parts">
        @foreach ($judged->requirements() as $one)
            <li><x-glyph :kind="$one['glyph']" /><span><b>{{ $one['title'] }}</b>:
                    {{ str_replace('_', ' ', $one['verdict']) }}<small>{{ $one['reason'] }}</small></span></li>
        @endforeach
    </ul>
    @if ($judged->comparison() !== [])
        <h2 class="gap">Against the last test</h2>
        <dl class="pairs">
            @foreach ($judged->comparison() as $row)
                <div>
                    <dt>{{ $row['label'] }}</dt>
                    <dd><span class="fig">{{ $row['change'] }}</span></dd>
                </div>
            @endforeach
        </dl>
    @endif
    <h2 class="gap">Findings</h2>
    @forelse ($page->findings() as $finding)
        <x-finding :finding="$finding" />
    @empty
        <p class="missing"><x-glyph kind="proven" />None.</p>
    @endforelse
@endsection
