{{-- one run: what it takes, then what it was computed from, and how --}}
@php($field = fn(string $key): string => "runs[$i][$key]")
@php($id = fn(string $key): string => "run-$i-$key")
@php($value = fn(string $key, string $else = ''): string => is_scalar($line[$key] ?? null) ? (string) $line[$key] : $else)
@php($metals = $page->metals)
<section class="wire-run" aria-label="{{ $value('name', 'Another run') }}">
    @if ($row)
        <h2>{{ $row->typed('name') }}</h2>
        @if ($row->fault)
            <p class="field-error"><x-glyph kind="stop" />{{ $row->fault }}</p>
        @endif
        <dl class="wire-result">
            <div>
                <dt>Size</dt>
                <dd class="fig">{{ $row->sets() > 1 ? $row->sets() . ' × ' : '' }}{{ $row->size ?? '–' }}
                    {{ ucfirst($row->typed('material')) }}
                    @if ($row->size && $page->switch->site->units === 'metric')
                        <small>{{ round(\Escapement\Core\Wiring\Sizes::mm2($row->size), 1) }}&#8239;mm²</small>
                    @endif
                </dd>
            </div>
            <div>
                <dt>Ground</dt>
                <dd class="fig">{{ $row->egc ?? ($row->typed('service') === '1' ? 'by neutral' : '–') }}</dd>
            </div>
            <div>
                <dt>Drop</dt>
                <dd class="fig">{{ $row->dropPct === null ? '–' : round($row->dropPct, 1) . ' %' }}</dd>
            </div>
            <div>
                <dt>Fill</dt>
                <dd class="fig">{{ $row->fillPct === null ? '–' : round($row->fillPct) . ' %' }}</dd>
            </div>
            <div>
                <dt>Raceway that fits</dt>
                <dd class="fig">{{ $page->raceways[$row->typed('raceway')] ?? $row->typed('raceway') }}
                    {{ $row->minTradeSize ?? 'none' }}</dd>
            </div>
            @if ($row->compare)
                @php($other = $row->typed('material') === 'cu' ? 'al' : 'cu')
                <div>
                    <dt>In {{ strtolower($metals[$other]) }}</dt>
                    <dd class="fig">{{ $row->compare[$other]->size ?? '–' }}
                        <small>{{ $row->compare[$other]->minTradeSize ? 'in ' . $row->compare[$other]->minTradeSize : 'in none' }}</small>
                    </dd>
                </div>
            @endif
        </dl>
        @foreach ($findings as $one)
            @if ($one['runs'] === [$row->typed('name')])
                <x-finding :finding="$one['finding']" />
            @endif
        @endforeach
    @endif
    <div class="wire-inputs">
        <div class="field wide-field"><label for="{{ $id('name') }}">Name</label>
            <input @class(['form-control', 'is-invalid' => $errors->has("runs.$i.name")]) id="{{ $id('name') }}" maxlength="60"
                name="{{ $field('name') }}"
                value="{{ $value('name') }}">
            @error("runs.$i.name")
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
        </div>
        @foreach (['from' => 'From', 'to' => 'To'] as $key => $words)
            <div class="field"><label for="{{ $id($key) }}">{{ $words }}</label>
                <select @class(['form-select', 'is-invalid' => $errors->has("runs.$i.$key")]) id="{{ $id($key) }}"
                    name="{{ $field($key) }}">
                    <option value="">not said</option>
                    @foreach ($page->enclosures as $ref => $name)
                        <option value="{{ $ref }}" @selected($value($key) === (string) $ref)>{{ $name }}</option>
                    @endforeach
                </select>
                @error("runs.$i.$key")
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
        @endforeach
        @foreach ($page->figures() as $key => [$words, $unit])
            <div class="field short-field"><label for="{{ $id($key) }}">{{ $words }}</label>
                <div class="field-box"><input @class([
                    'form-control',
                    'fig',
                    'has-unit' => $unit,
                    'is-invalid' => $errors->has("runs.$i.$key"),
                ]) id="{{ $id($key) }}" inputmode="decimal"
                        name="{{ $field($key) }}" value="{{ $value($key, $key === 'sets' ? '1' : '') }}">
                    @if ($unit)
                        <span class="unit">{{ $unit }}</span>
                    @endif
                </div>
                @error("runs.$i.$key")
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
        @endforeach
        @foreach ($page->choices() as $key => [$words, $choices, $usual])
            <div class="field short-field"><label for="{{ $id($key) }}">{{ $words }}</label>
                <select class="form-select" id="{{ $id($key) }}" name="{{ $field($key) }}">
                    @foreach ($choices as $ref => $name)
                        <option value="{{ $ref }}" @selected($value($key, $usual) === (string) $ref)>{{ $name }}</option>
                    @endforeach
                </select>
                @error("runs.$i.$key")
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
        @endforeach
        <label class="check"><input class="form-check-input" type="checkbox" name="{{ $field('dwelling') }}" value="1"
                @checked($value('dwelling') === '1')>Carries the whole dwelling</label>
        <label class="check"><input class="form-check-input" type="checkbox" name="{{ $field('service') }}" value="1"
                @checked($value('service') === '1')>Service conductors (ahead of the main disconnect)</label>
    </div>
    @if ($row && $row->working !== [])
        <details class="why">
            <summary>Working</summary>
            @foreach ($row->working as $one)
                <p><b>{{ $one->label }}</b>: <span class="fig">{{ $one->expression }} =
                        {{ is_numeric($one->value) ? round((float) $one->value, 3) : $one->value }} {{ $one->unit }}</span></p>
            @endforeach
        </details>
    @endif
</section>
