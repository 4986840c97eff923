<form method="post" action="{{ route('loads.save', $switch) }}" class="block" id="loads">
    @csrf @method('put')
    <h2>Loads</h2>
    @php($lines = old('loads', $switch->loads->map->only(['name', 'kw', 'connect', 'start_kva', 'priority', 'must_run', 'essential', 'shed', 'compressor'])->all()))
    <div class="wide" tabindex="0" role="region" aria-label="Loads, table">
    <table class="ruled loads">
        <thead><tr><th scope="col">Load</th><th scope="col">Running kW</th><th scope="col">Legs</th><th scope="col">Start kVA</th><th scope="col">Priority</th><th scope="col">Must run</th><th scope="col">Essential</th><th scope="col">May be shed</th><th scope="col">Compressor</th></tr></thead>
        <tbody>
        @for ($i = 0; $i < count($lines) + 3; $i++)
            <tr>
                <td><input class="form-control @error("loads.$i.name") is-invalid @enderror" aria-label="Load {{ $i + 1 }}" name="loads[{{ $i }}][name]" value="{{ $lines[$i]['name'] ?? '' }}">
                    @error("loads.$i.name")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
                <td><input class="form-control fig @error("loads.$i.kw") is-invalid @enderror" aria-label="Running kW of load {{ $i + 1 }}" inputmode="decimal" name="loads[{{ $i }}][kw]" value="{{ isset($lines[$i]['kw']) && is_numeric($lines[$i]['kw']) ? (float) $lines[$i]['kw'] : ($lines[$i]['kw'] ?? '') }}">
                    @error("loads.$i.kw")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
                <td><select class="form-select" aria-label="Legs of load {{ $i + 1 }}" name="loads[{{ $i }}][connect]">@foreach (['' => 'usual', 'L1' => 'L1', 'L2' => 'L2', 'L3' => 'L3', 'L1L2' => 'L1 L2', 'L2L3' => 'L2 L3', 'L3L1' => 'L3 L1', '3P' => 'all three'] as $value => $words)<option value="{{ $value }}" @selected(($lines[$i]['connect'] ?? '') === $value)>{{ $words }}</option>@endforeach</select></td>
                <td><input class="form-control fig @error("loads.$i.start_kva") is-invalid @enderror" aria-label="Start kVA of load {{ $i + 1 }}" inputmode="decimal" name="loads[{{ $i }}][start_kva]" value="{{ is_numeric($lines[$i]['start_kva'] ?? '') ? ((float) $lines[$i]['start_kva'] ?: '') : ($lines[$i]['start_kva'] ?? '') }}">
                    @error("loads.$i.start_kva")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
                <td><input class="form-control fig @error("loads.$i.priority") is-invalid @enderror" aria-label="Priority of load {{ $i + 1 }}" inputmode="numeric" name="loads[{{ $i }}][priority]" value="{{ $lines[$i]['priority'] ?? ($i < count($lines) ? '' : 5) }}">
                    @error("loads.$i.priority")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
                <td><label class="check"><input class="form-check-input" type="checkbox" name="loads[{{ $i }}][must_run]" value="1" aria-label="Load {{ $i + 1 }} must run" @checked($lines[$i]['must_run'] ?? false)></label></td>
                <td><label class="check"><input class="form-check-input" type="checkbox" name="loads[{{ $i }}][essential]" value="1" aria-label="Load {{ $i + 1 }} is essential" @checked($lines[$i]['essential'] ?? false)></label></td>
                <td><label class="check"><input class="form-check-input" type="checkbox" name="loads[{{ $i }}][shed]" value="1" aria-label="Load {{ $i + 1 }} may be shed" @checked($lines[$i]['shed'] ?? false)></label></td>
                <td><label class="check"><input class="form-check-input" type="checkbox" name="loads[{{ $i }}][compressor]" value="1" aria-label="Load {{ $i + 1 }} is a compressor" @checked($lines[$i]['compressor'] ?? false)></label></td>
            </tr>
        @endfor
        </tbody>
    </table>
    </div>
    <p class="field-hint">Priority 1 comes back first, 99 last. Clear a name to take a load out; three empty lines are always there.</p>
    @if (auth()->user()->role->mayWrite())<button class="btn btn-outline-primary" type="submit">Save the loads</button>@endif
</form>
