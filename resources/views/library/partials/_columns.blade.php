@if ($fault)
    <p class="field-error">
        <x-glyph kind="stop" />{{ $fault }}
    </p>
@endif
@if ($choice)
    <fieldset class="block">
        <legend>What is in it{{ $choice->isRemembered ? ', as for the last file with these headings' : ', as guessed from its headings' }}
        </legend>
        <div class="fields">
            @foreach (range(0, $phases - 1) as $phase)
                <div class="field"><label for="c-v-{{ $phase }}">Voltage {{ $phase + 1 }}</label><select class="form-select"
                        id="c-v-{{ $phase }}" name="c[v][]">
                        @foreach ($choice->headings as $i => $heading)
                            <option value="{{ $i }}" @selected(($choice->columns->phases[$phase] ?? -1) === $i)>{{ $heading }}</option>
                        @endforeach
                    </select>
                </div>
            @endforeach
            <div class="field"><label for="c-hz">Frequency</label><select class="form-select" id="c-hz" name="c[hz]">
                    <option value="">not in it</option>
                    @foreach ($choice->headings as $i => $heading)
                        <option value="{{ $i }}" @selected($choice->columns->hertz === $i)>{{ $heading }}</option>
                    @endforeach
                </select>
            </div>
            @if ($asksPower ?? false)
                <div class="field"><label for="c-kw">Power</label><select class="form-select" id="c-kw" name="c[kw]">
                        <option value="">not in it</option>
                        @foreach ($choice->headings as $i => $heading)
                            <option value="{{ $i }}" @selected($choice->kw === $i)>{{ $heading }}</option>
                        @endforeach
                    </select>
                </div>
            @endif
            @if ($choice->isTable)
                <div class="field"><label for="c-time">Time</label><select class="form-select" id="c-time" name="c[time]">
                        @foreach ($choice->headings as $i => $heading)
                            <option value="{{ $i }}" @selected($choice->columns->time === $i)>{{ $heading }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field"><label for="c-unit">Time is in</label><select class="form-select" id="c-unit" name="c[unit]">
                        @foreach (['s' => 'seconds', 'ms' => 'milliseconds', 'date' => 'dates and times of day'] as $value => $words)
                            <option value="{{ $value }}" @selected($choice->columns->unit === $value)>{{ $words }}</option>
                        @endforeach
                    </select></div>
                <div class="field"><label for="c-waveform">Values are</label><select class="form-select" id="c-waveform"
                        name="c[waveform]">
                        <option value="0">RMS</option>
                        <option value="1" @selected($choice->columns->isWaveform)>samples of the waveform</option>
                    </select></div>
            @endif
            <div class="field"><label for="c-scale">Factor to volts</label><input class="form-control fig" id="c-scale" name="c[scale]"
                    value="{{ $choice->columns->scale }}" inputmode="decimal"></div>
        </div>
    </fieldset>
@endif
