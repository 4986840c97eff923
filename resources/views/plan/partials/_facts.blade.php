@php($facts = $page->kept?->facts ?? [])
@php($units = new \App\Bridge\Units($page->switch->site->units))
<form method="post" action="{{ route('plan.save', $page->switch) }}" class="block">
    @csrf @method('put')
    <x-seen :kept="$page->switch->plan?->facts" />
    <h2>What the drawing needs beside the survey</h2>
    <div class="fields">
        @if ($page->hasGenerator())
            <x-field name="generator_breaker_a" label="Generator's output breaker" unit="A"
                :value="old('generator_breaker_a', $facts['generator_breaker_a'] ?? '')" inputmode="decimal" />
        @endif
        <x-field name="fault_ka" label="Fault current of the utility" unit="kA" :value="old('fault_ka', $facts['fault_ka'] ?? '')"
            inputmode="decimal"
            hint="Ask the utility." />
        <x-field name="withstand_ka" label="The switch withstands" unit="kA" :value="old('withstand_ka', $facts['withstand_ka'] ?? '')"
            inputmode="decimal"
            hint="From its label." />
        <x-field name="transformer_kva" label="Utility's transformer" unit="kVA"
            :value="old('transformer_kva', $facts['transformer_kva'] ?? '')" inputmode="decimal"
            hint="From its plate, where the utility gives no figure." />
        <x-field name="transformer_z_pct" label="Its impedance" unit="%"
            :value="old('transformer_z_pct', $facts['transformer_z_pct'] ?? '')" inputmode="decimal" />
        @if ($page->hasGenerator())
            <x-field name="generator_xd2_pct" label="Generator's subtransient reactance X″d" unit="%"
                :value="old('generator_xd2_pct', $facts['generator_xd2_pct'] ?? '')"
                inputmode="decimal" hint="From the maker's data. Without it its fault current is not known." />
        @endif
        <x-field name="motor_a" label="Rated current of the motors that run, in sum" unit="A"
            :value="old('motor_a', $facts['motor_a'] ?? '')" inputmode="decimal"
            hint="They feed a fault with about four times that." />
        <x-field name="design" label="Hottest day" :unit="$units->temperature()" inputmode="decimal"
            :hint="round($units->fromCelsius(35)) . ' where nothing is said.'"
            :value="old('design', isset($facts['design_c']) ? round($units->fromCelsius((float) $facts['design_c'])) : '')" />
        <x-field name="grounds_on_neutral_bar" label="Grounds on the neutral bar"
            :value="old('grounds_on_neutral_bar', $facts['grounds_on_neutral_bar'] ?? '')" inputmode="numeric" />
        <x-field name="ground_bar_free" label="Free places on a ground bar" :value="old('ground_bar_free', $facts['ground_bar_free'] ?? '')"
            inputmode="numeric" />
        <x-field name="floor_area" label="Floor area" :unit="$units->area()"
            :value="old('floor_area', isset($facts['floor_area_m2']) ? round($units->fromSquareMetres($facts['floor_area_m2'])) : '')"
            inputmode="decimal"
            hint="For the calculated demand" />
        <x-field name="measured_peak_kw" label="Highest measured demand" unit="kW"
            :value="old('measured_peak_kw', $facts['measured_peak_kw'] ?? '')" inputmode="decimal"
            hint="From the utility's meter or a logger" />
        <x-field name="measured_days" label="Measured over" unit="days" :value="old('measured_days', $facts['measured_days'] ?? '')"
            inputmode="numeric" />
        <label class="check"><input class="form-check-input" type="checkbox" name="measured_hvac" value="1"
                @checked(old('measured_hvac', $facts['measured_hvac'] ?? false))>Heating or cooling ran in that time</label>
        <label class="check"><input class="form-check-input" type="checkbox" name="use_demand" value="1"
                @checked(old('use_demand', $facts['use_demand'] ?? false))>Size the whole house by its demand, not by all loads at
            once</label>
        <x-field name="code_edition" label="Code and edition in force" :value="old('code_edition', $facts['code_edition'] ?? '')"
            maxlength="120" :hint="$page->editionHint()" />
        @foreach ($page->bondQuestions() as $name => [$label, $no, $yes])
            <fieldset class="field">
                <legend>{{ $label }}</legend>
                <div class="choice">
                    @foreach (['' => 'not known', '0' => $no, '1' => $yes] as $value => $words)
                        <label><input type="radio" name="{{ $name }}" value="{{ $value }}"
                                @checked($page->bondAnswer($name) === (string) $value)><span>{{ $words }}</span></label>
                    @endforeach
                </div>
            </fieldset>
        @endforeach
        <div class="field"><label for="choice">What is carried</label><select class="form-select" id="choice" name="choice">
                <option value="">not decided</option>
                @foreach ([
        'whole' => 'whole house',
        'managed' => 'whole house, with shedding',
        'essential' => 'essential circuits',
    ] as $value => $words)
                    <option value="{{ $value }}" @selected(old('choice', $page->kept?->choice) === $value)>{{ $words }}</option>
                @endforeach
            </select></div>
        <x-field name="choice_reason" label="Why" :value="old('choice_reason', $page->kept?->choice_reason)" maxlength="300" />
    </div>
    @if (auth()->user()->role->mayWrite())
        <button class="btn btn-primary" type="submit">Save the plan</button>
    @endif
</form>
