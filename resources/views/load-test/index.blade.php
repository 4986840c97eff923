@extends('layouts.site', ['standing' => $page->standing, 'here' => 'load-test'])
@section('title', $page->switch->site->name . ': load tests')
@section('main')
    <h1>Load tests</h1>
    @if ($page->facts->lacks())
        <p class="missing"><x-glyph kind="note" />{{ $page->facts->lacks() }} See the <a
                href="{{ route('survey', [$page->switch->site_id, 'on' => 'source', 'switch' => $page->switch]) }}">survey</a>.
        </p>
    @else
        <x-hazard><b>Lethal voltage, hot air.</b> Load bank terminals stay energized while the set runs. Contact kills. With
            the set stopped the utility still feeds the load side. Connect and disconnect the bank only with the set stopped, its start
            battery disconnected, and utility and generator both isolated, locked out and proved dead at the terminals; a licensed
            electrician, by the maker's instructions.</x-hazard>
        @if (auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('load-tests.plan', $page->switch) }}" class="block">
                @csrf
                <h2>Plan a test</h2>
                <div class="fields">
                    <div class="field"><label for="profile">What is to be proved</label><select class="form-select" id="profile"
                            name="profile">
                            @foreach ($page::PROFILES as $value => $words)
                                <option value="{{ $value }}" @selected(old('profile', 'quarterly_house') === $value)>{{ $words }}</option>
                            @endforeach
                        </select>
                        @error('profile')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <x-field name="steps" label="Steps of your own" :value="old('steps', '')"
                        hint="Level × minutes: 30 × 15, 50 × 15, 75 × 30" />
                    <x-field name="building_kw" label="Load of the building now" unit="kW" inputmode="decimal"
                        :value="old('building_kw', $page->facts->buildingKw())"
                        hint="From the survey; measure it on the day" />
                    @if ($page->banks->isNotEmpty())
                        <div class="field"><label for="equipment_id">Load bank</label><select class="form-select" id="equipment_id"
                                name="equipment_id">
                                <option value="">none from the list</option>
                                @foreach ($page->banks as $bank)
                                    <option value="{{ $bank->id }}" @selected(old('equipment_id') == $bank->id)>{{ $bank->name }},
                                        {{ array_sum($bank->elements_kw ?? []) }} kW</option>
                                @endforeach
                            </select>
                            @error('equipment_id')
                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                            @enderror
                            <p class="field-hint"><a href="{{ route('equipment') }}">Equipment</a> of the company</p>
                        </div>
                    @endif
                    <x-field name="bank_elements" label="Elements of the load bank" unit="kW" :value="old('bank_elements', '')"
                        hint="5, 5, 10, 20; empty: those of the list, or no bank" />
                    <fieldset class="field">
                        <legend>The bank is connected on</legend>
                        <div class="choice">
                            @foreach (['load' => 'the load side', 'generator' => 'the generator side'] as $value => $words)
                                <label><input type="radio" name="bank_side" value="{{ $value }}"
                                        @checked(old('bank_side', 'load') === $value)><span>{{ $words }}</span></label>
                            @endforeach
                        </div>
                    </fieldset>
                    <x-field name="fuel_available" label="Fuel there" :unit="$page->fuelUnit()" inputmode="decimal"
                        :value="old('fuel_available', '')" />
                    <x-field name="class_min" label="The class of the system runs for" unit="min" inputmode="numeric"
                        :value="old('class_min', '')"
                        hint="Of the tests every three years" />
                    <x-field name="reading_interval_min" label="A reading every" unit="min" inputmode="decimal"
                        :value="old('reading_interval_min', '')"
                        hint="Empty: as the profile has it" />
                    <x-field name="warmup_min" label="Warm-up" unit="min" inputmode="decimal" :value="old('warmup_min', '')"
                        hint="Empty: 5, and none with a cold start" />
                    <x-field name="cooldown_min" label="Cool-down" unit="min" inputmode="decimal" :value="old('cooldown_min', '')"
                        hint="Empty: 5" />
                    <x-field name="people" label="People" :value="old('people', '')" maxlength="300"
                        hint="Who stands at the bank, who reads" />
                    <x-field name="hours" label="Load and noise allowed" :value="old('hours', '')" maxlength="120"
                        hint="As 09:00 to 12:00 on working days" />
                    <x-field name="noise" label="Noise, neighbors" :value="old('noise', '')" maxlength="300" />
                    <x-field name="edition" label="Edition tested by" :value="old('edition', $page->edition)" maxlength="120"
                        hint="Printed; confirm it with the authority" />
                    <x-field name="planned_for" label="Planned for" type="datetime-local" :value="old('planned_for', '')" />
                    @foreach ([
            'use_building' => 'The building is carried during the test',
            'auto_drop' => 'The bank drops by itself at a real outage',
            'cold_start' => 'Cold start',
            'monthly_met' => 'The monthly runs reached 30 % or the exhaust temperature',
        ] as $name => $words)
                        <label class="check"><input class="form-check-input" type="checkbox" name="{{ $name }}" value="1"
                                @checked(old($name, $name === 'use_building' && old('profile') === null))>{{ $words }}</label>
                    @endforeach
                </div>
                <button class="btn btn-primary btn-glove" type="submit">Plan the test</button>
            </form>
        @endif
    @endif
    <section class="block" aria-labelledby="tests">
        <h2 id="tests">Tests of this switch</h2>
        @if ($page->tests->isEmpty())
            <p class="quiet">None yet. An exercise proves that the engine starts; only a run with load proves that it carries.</p>
        @else
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th>Test</th>
                        <th>Planned</th>
                        <th>Verdict</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->tests as $test)
                        <tr>
                            <th scope="row"><a href="{{ route('load-test', $test) }}">{{ $page::words($test) }}</a></th>
                            <td data-label="Planned">{{ $page->standing->date($test->planned_for ?? $test->created_at) }},
                                {{ $test->user->name }}
                            </td>
                            <td data-label="Verdict">{{ $page->outcome($test) }}
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </section>
    @if ($page->facts->lacks() === null)
        <section class="block" aria-labelledby="due">
            <h2 id="due">What is due</h2>
            <nav class="choice" aria-label="School">
                @foreach (\App\Stage\Schools::WORDS as $school => $words)
                    <a href="{{ route('load-tests', ['switch' => $page->switch, 'school' => $school]) }}"
                        @if ($school === $page->school) aria-current="true" @endif>{{ $words }}</a>
                @endforeach
            </nav>
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th>Run</th>
                        <th>Last passed</th>
                        <th>Due</th>
                        <th></th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->due->due as $one)
                        <tr>
                            <th scope="row">{{ $page::run($one->type) }}<small>every {{ $one->months }} months</small></th>
                            <td class="fig" data-label="Last passed">{{ $one->lastDone ?? 'never' }}</td>
                            <td class="fig" data-label="Due">{{ $one->due }}</td>
                            <td><x-glyph :kind="['ok' => 'proven', 'overdue' => 'warn'][$one->status] ?? 'note'" />{{ $one->status }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            <p class="working">Only passed runs count: closed load tests here, and outages of signed runs. What is required is a matter of
                the adopted code and the authority having jurisdiction.</p>
            @foreach ($page->due->findings as $finding)
                <x-finding :finding="$finding" />
            @endforeach
        </section>
    @endif
    @if ($page->figures() !== [])
        <section class="block" aria-labelledby="trend">
            <h2 id="trend">Over the years</h2>
            <p class="lead-in">At the top load of each closed test; only tests on the same fuel under about the same load are compared.</p>
            <ul class="trends">
                @foreach ($page->figures() as $row)
                    <li>
                        <h3>{{ $row->name }}<span
                                @class(['quiet', 'is-warn' => $row->figure->trend === 'worsening'])>{{ $row->trend() }}</span></h3>
                        {!! $row->chart()->svg() !!}
                        <p>{{ $row->sentence() }}</p>
                    </li>
                @endforeach
            </ul>
            <details>
                <summary>As a table</summary>
                <div class="scroll-x">
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th>Figure</th>
                                <th class="fig">Values</th>
                                <th class="fig">A year</th>
                                <th class="fig">Limit</th>
                                <th>Trend</th>
                                <th>Crosses its limit</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($page->figures() as $row)
                                <tr>
                                    <th scope="row">{{ $row->name }}, {{ $row->unit }}</th>
                                    <td class="fig">{{ implode(' ', $row->values) }}</td>
                                    <td class="fig">{{ $row->slope === null ? '–' : sprintf('%+.2f', $row->slope) }}</td>
                                    <td class="fig">{{ $row->limit ?? '–' }}</td>
                                    <td>{{ $row->trend() }}</td>
                                    <td>{{ $row->figure->crossesOn ?? '–' }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            </details>
            @foreach ($page->trend->findings as $finding)
                <x-finding :finding="$finding" />
            @endforeach
        </section>
    @endif
@endsection
