    <h2>{{ $page->site->installation->hasGenerator() ? 'Switch and source' : 'Switch' }}</h2>
    <div class="fields">
        <x-field name="switch_name" label="Name of the switch" :value="old('switch_name', $switch->name)" />
        <x-field name="rating_a" label="Rating" unit="A" inputmode="numeric" :value="old('rating_a', $switch->rating_a)" />
        <x-field name="poles" label="Poles" inputmode="numeric" :value="old('poles', $switch->poles)"
            hint="Hots, and the neutral where it is switched" />
        <div class="field">
            <label for="f-test_device">Outage test point</label>
            <select id="f-test_device" name="test_device" @class(['form-select', 'is-invalid' => $errors->has('test_device')])>
                <option value="">not known</option>
                @foreach ($page->testDevices() as $ref => $name)
                    <option value="{{ $ref }}" @selected(old('test_device', $switch->test_device) === $ref)>{{ $name }}</option>
                @endforeach
            </select>
            @error('test_device')
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
            <p class="field-hint">Upstream of the sensing: the panel main downstream proves nothing.</p>
            @include('partials.test-point', ['test' => $page->test()])
        </div>
        <x-field name="test_disconnect" label="Its name and place" :value="old('test_disconnect', $switch->test_disconnect)"
            hint="As people find it: meter disconnect, north wall" />
        <label class="check"><input class="form-check-input" type="checkbox" name="service_rated" value="1"
                @checked(old('service_rated', $switch->service_rated))>Service-rated: it is the service disconnect</label>
        <label class="check"><input class="form-check-input" type="checkbox" name="has_compressor" value="1"
                @checked(old('has_compressor', $switch->has_compressor))>There is a compressor among the loads</label>
        <x-field name="nominal_v" label="Nominal voltage a leg" unit="V" inputmode="decimal"
            :value="old('nominal_v', $switch->plant['sources']['normal']['nominal_v'])" />
        <x-field name="nominal_hz" label="Nominal frequency" unit="Hz" inputmode="decimal"
            :value="old('nominal_hz', $switch->plant['sources']['normal']['nominal_hz'])" />
        <x-field name="largest_motor" label="Largest motor" :unit="$page->units->motor()" inputmode="decimal"
            :value="old('largest_motor', round($page->units->fromHorsepower((float) $switch->largest_motor_hp), 2))" />
    </div>
    @if ($page->site->installation->hasGenerator())
        <h3>Source</h3>
        <div class="fields">
            <div class="field">
                <label for="f-fuel">Fuel</label>
                <select id="f-fuel" name="fuel" @class(['form-select', 'is-invalid' => $errors->has('fuel')])>
                    <option value="">not known</option>
                    @foreach (\Escapement\Core\Settings\Fuel::cases() as $fuel)
                        <option value="{{ $fuel->value }}"
                            @selected(old('fuel', $switch->fuel?->value) === $fuel->value)>{{ $fuel->label() }}</option>
                    @endforeach
                </select>
                @error('fuel')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
            @foreach (\Escapement\Core\Settings\Fuel::cases() as $case)
                @php($fuel = $case->value)
                <x-field name="rated_kw[{{ $fuel }}]" errorKey="rated_kw.{{ $fuel }}" :label="'Rating on ' . $case->label()" unit="kW"
                    inputmode="decimal" :value="old('rated_kw.' . $fuel, $switch->rated_kw[$fuel] ?? '')" />
            @endforeach
            @if ($switch->plant['engine'] ?? null)
                @foreach ([
        'crank_ms' => 'Cranks until it fires',
        'crank_limit_ms' => 'Crank limit',
        'crank_rest_ms' => 'Rest between cranks',
        'run_up_ms' => 'Run-up to full voltage',
        'stop_ms' => 'Run-down',
    ] as $key => $label)
                    <x-field :name="$key" :label="$label" unit="s" inputmode="decimal"
                        :value="old($key, $switch->plant['engine'][$key] / 1000)" />
                @endforeach
                <x-field name="crank_attempts" label="Crank attempts" inputmode="numeric"
                    :value="old('crank_attempts', $switch->plant['engine']['crank_attempts'])" hint="1 to 10" />
            @endif
        </div>
    @endif
