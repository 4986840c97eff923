{{-- one load a row; $legs names the select of its legs, $ticks what can be ticked --}}
<div class="wide" tabindex="0" role="region" aria-label="Loads, table">
    <table class="ruled loads">
        <thead>
            <tr>
                <th scope="col">Load</th>
                <th scope="col">Running kW</th>
                <th scope="col">Legs</th>
                <th scope="col">Start kVA</th>
                <th scope="col">Runs, %</th>
                <th scope="col">Priority</th>
                @foreach ($ticks as $words)
                    <th scope="col">{{ $words }}</th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @php($plain = fn($typed) => is_numeric($typed) ? (float) $typed : $typed)
            @for ($i = 0; $i < count($lines) + 3; $i++)
                <tr>
                    <td class="td-name"><input class="form-control @error("loads.$i.name") is-invalid @enderror"
                            aria-label="Load {{ $i + 1 }}" name="loads[{{ $i }}][name]"
                            value="{{ $lines[$i]['name'] ?? '' }}">
                        @error("loads.$i.name")
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </td>
                    <td data-label="Running kW"><input class="form-control fig @error("loads.$i.kw") is-invalid @enderror"
                            aria-label="Running kW of load {{ $i + 1 }}" inputmode="decimal"
                            name="loads[{{ $i }}][kw]"
                            value="{{ $plain($lines[$i]['kw'] ?? '') }}">
                        @error("loads.$i.kw")
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </td>
                    <td class="td-legs" data-label="Legs"><select class="form-select" aria-label="Legs of load {{ $i + 1 }}"
                            name="loads[{{ $i }}][{{ $legs }}]">
                            @foreach ($choices as $value => $words)
                                <option value="{{ $value }}"
                                    @selected(($lines[$i][$legs] ?? '') == $value)>{{ $words }}</option>
                            @endforeach
                        </select>
                        @error("loads.$i.$legs")
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </td>
                    @foreach (['start_kva' => 'Start kVA', 'duty_pct' => 'Percent of the time'] as $key => $words)
                        <td data-label="{{ $key === 'start_kva' ? 'Start kVA' : 'Runs, %' }}"><input
                                class="form-control fig @error("loads.$i.$key") is-invalid @enderror"
                                aria-label="{{ $words }} of load {{ $i + 1 }}" inputmode="decimal"
                                name="loads[{{ $i }}][{{ $key }}]"
                                value="{{ $plain($lines[$i][$key] ?? '') ?: '' }}">
                            @error("loads.$i.$key")
                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                            @enderror
                        </td>
                    @endforeach
                    <td data-label="Priority"><input class="form-control fig @error("loads.$i.priority") is-invalid @enderror"
                            aria-label="Priority of load {{ $i + 1 }}" inputmode="numeric"
                            name="loads[{{ $i }}][priority]"
                            value="{{ $lines[$i]['priority'] ?? ($i < count($lines) ? '' : 5) }}">
                        @error("loads.$i.priority")
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </td>
                    @foreach ($ticks as $key => $words)
                        <td class="td-tick" data-label="{{ $words }}"><label class="check"><input class="form-check-input"
                                    type="checkbox" name="loads[{{ $i }}][{{ $key }}]" value="1"
                                    aria-label="Load {{ $i + 1 }}: {{ mb_strtolower($words) }}"
                                    @checked($lines[$i][$key] ?? false)></label></td>
                    @endforeach
                </tr>
            @endfor
        </tbody>
    </table>
</div>
