<section class="block" aria-labelledby="recordings">
    <h2 id="recordings">Fast recordings of the steps</h2>
    @forelse ($judged->recordings() as $part)
        <h3>{{ $part->recording->source }}<span class="quiet">, judged by class {{ $part->class }}</span></h3>
        <div class="scroll-x">
            <table class="ruled">
                <thead>
                    <tr>
                        <th class="fig">At</th>
                        <th class="fig">Power</th>
                        <th class="fig">Volts</th>
                        <th class="fig">back after</th>
                        <th class="fig">Hertz</th>
                        <th class="fig">back after</th>
                        <th>Class met</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($part->steps as $step)
                        <tr>
                            <th scope="row" class="fig">{{ round(($step['t_ms'] ?? 0) / 1000, 2) }}&#8239;s</th>
                            <td class="fig">{{ $part->figure($step, 'from_kw') }} to {{ $part->figure($step, 'to_kw') }}&#8239;kW</td>
                            <td class="fig">{{ $part->figure($step, 'v_dev_pct') }}&#8239;%</td>
                            <td class="fig">{{ $part->recovery($step, 'v') }}</td>
                            <td class="fig">{{ $part->figure($step, 'hz_dev_pct', 2) }}&#8239;%</td>
                            <td class="fig">{{ $part->recovery($step, 'hz') }}</td>
                            <td>{{ $step['class_met'] ?? 'none' }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <ul class="trends">
            @foreach (array_slice($part->steps, 0, 6) as $step)
                <li>
                    <h4>Step at {{ round(($step['t_ms'] ?? 0) / 1000, 2) }}&#8239;s</h4>
                    {!! $part->chart($step)->svg() !!}
                </li>
            @endforeach
        </ul>
        @if ($part->isLong())
            <p><a href="{{ route('recording', $part->recording) }}">The whole recording, to look at closely</a>
                <span class="quiet">({{ number_format($part->recording->points) }} points)</span>
            </p>
        @endif
        @foreach ($part->findings() as $finding)
            <p><x-glyph kind="note" />{{ $finding['message'] }}</p>
        @endforeach
    @empty
        <p class="quiet">None. A table of volts, hertz and power, or COMTRADE, shows each dip and how fast it came back.</p>
    @endforelse
    @if ($mayWrite)
        <details @if ($errors->hasAny(['files', 'given', 'step_kw', 'class', 'phases'])) open @endif>
            <summary>Import a recording</summary>
            <form method="post" action="{{ route('load-test.recordings', $page->test) }}" enctype="multipart/form-data"
                x-data="recordingForm" data-look="{{ route('load-test.recordings.look', $page->test) }}">
                @csrf
                <input type="hidden" name="phases" value="{{ $page->facts->phases() }}">
                <div class="fields">
                    <div class="field field-wide"><label for="files">File: a table (.csv), a .cff, or a .cfg with its .dat</label>
                        <input id="files" @class(['form-control', 'is-invalid' => $errors->has('files')]) type="file" name="files[]"
                            multiple accept=".csv,.txt,.tsv,.cff,.cfg,.dat" x-on:change="look">
                        @error('files')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <x-field name="step_kw" label="A step is a change of power above" unit="kW" inputmode="decimal"
                        :value="old('step_kw', '')"
                        hint="Empty: a twentieth of the nameplate" />
                    <x-field name="given" label="Or: where the steps are" :value="old('given', '')"
                        hint="12.5: 0 > 8; 40: 8 > 0, in seconds and kW" />
                    <fieldset class="field">
                        <legend>Class asked</legend>
                        <div class="choice">
                            @foreach (['G1', 'G2', 'G3'] as $class)
                                <label><input type="radio" name="class" value="{{ $class }}"
                                        @checked(old('class', 'G2') === $class)><span>{{ $class }}</span></label>
                            @endforeach
                        </div>
                    </fieldset>
                </div>
                <div data-columns aria-live="polite"></div>
                <button class="btn btn-outline-primary" type="submit">Read it</button>
            </form>
        </details>
        <details @if ($errors->hasAny(['table', 'every_s', 'zone', 'says', 'is'])) open @endif>
            <summary>Import readings of a recorder</summary>
            <form method="post" action="{{ route('load-test.table', $page->test) }}" enctype="multipart/form-data" x-data="recordingForm"
                data-look="{{ route('load-test.table.look', $page->test) }}">
                @csrf
                <div class="fields">
                    <div class="field field-wide"><label for="table">Table (.csv) with a line for each reading</label>
                        <input id="table" @class(['form-control', 'is-invalid' => $errors->has('table')]) type="file" name="table"
                            accept=".csv,.txt,.tsv"
                            x-on:change="look">
                        @error('table')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                        <p class="field-hint">Oil and temperatures in the units of this site: {{ $judged->units->oilPressure() }},
                            {{ $judged->units->temperature() }}.</p>
                    </div>
                    <x-field name="every_s" label="One reading every" unit="s" inputmode="numeric" :value="old('every_s', 60)" />
                    <x-field name="zone" label="Time zone of the recorder" :value="old('zone', $page->test->switch->site->timezone)" />
                    <x-field name="says" label="Its clock said" :value="old('says', '')" inputmode="numeric"
                        hint="At one moment, as 09:15:00" />
                    <x-field name="is" label="when it was" :value="old('is', '')" inputmode="numeric" hint="By a mark or the phone" />
                </div>
                <div data-columns aria-live="polite"></div>
                <button class="btn btn-outline-primary" type="submit">Take the readings</button>
            </form>
        </details>
    @endif
</section>
