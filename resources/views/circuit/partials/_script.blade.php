<form method="get" action="{{ route('circuit.play', $page->switch) }}" id="own" class="block script-rows">
    <h2>Own script</h2>
    @foreach ([...$page->script->rows, ['at' => '', 'what' => '', 'volts' => '0']] as $i => $row)
        <div class="script-row">
            <label>After
                <span class="field-box"><input name="rows[{{ $i }}][at]" value="{{ $row['at'] }}" inputmode="decimal"
                        @class([
                            'form-control has-unit',
                            'is-invalid' => isset($page->script->errors["rows.$i.at"]),
                        ])><span class="unit">s</span></span></label>
            <label>What happens
                <select name="rows[{{ $i }}][what]" @class([
                    'form-select',
                    'is-invalid' => isset($page->script->errors["rows.$i.what"]),
                ])>
                    <option value="">choose</option>
                    @foreach ($page->script->choices() as $group => $choices)
                        <optgroup label="{{ $group }}">
                            @foreach ($choices as $value => $words)
                                <option value="{{ $value }}" @selected($row['what'] === $value)>{{ $words }}</option>
                            @endforeach
                        </optgroup>
                    @endforeach
                </select></label>
            <label>Voltage, where it is one
                <span class="field-box"><input name="rows[{{ $i }}][volts]" value="{{ $row['volts'] }}" inputmode="decimal"
                        @class([
                            'form-control has-unit',
                            'is-invalid' => isset($page->script->errors["rows.$i.volts"]),
                        ])><span class="unit">V</span></span></label>
            @foreach (['at', 'what', 'volts'] as $key)
                @isset($page->script->errors["rows.$i.$key"])
                    <p class="field-error"><x-glyph kind="stop" />{{ $page->script->errors["rows.$i.$key"] }}</p>
                @endisset
            @endforeach
        </div>
    @endforeach
    <button class="btn btn-primary" type="submit">Run script</button>
</form>
