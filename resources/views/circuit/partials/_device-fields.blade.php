@if (in_array($type->value, ['contactor', 'phase_relay', 'start'], true))
    <div class="field">
        <label for="f-supply">{{ ['contactor' => 'Puts on', 'phase_relay' => 'Watches', 'start' => 'Starts'][$type->value] }}</label>
        <select id="f-supply" name="supply" class="form-select">
            @if ($type->value === 'contactor')
                <option value="">nothing: auxiliary contactor</option>
            @endif
            @foreach ($page->circuit->failing() as $supply)
                <option @selected(old('supply', $was?->supply) === $supply->id)>{{ $supply->id }}</option>
            @endforeach
        </select>
        @error('supply')
            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
    </div>
@endif
@if ($type->value === 'contactor')
    <label class="check"><input type="checkbox" name="mirror" value="1" @checked(old('mirror', $was?->hasMirror))> Mirror contacts:
        its auxiliaries cannot reclose while a main contact is welded</label>
@endif
@if ($type->value === 'timer')
    <x-field name="seconds" label="Dial" unit="s" inputmode="decimal" :value="old('seconds', $was ? +$was->seconds : '')" />
    <div class="field">
        <label for="f-mode">Kind</label>
        <select id="f-mode" name="mode" class="form-select">
            <option value="on_delay">on-delay</option>
            <option value="off_delay"
                @selected(old('mode', $was?->isOnDelay === false ? 'off_delay' : '') === 'off_delay')>off-delay</option>
        </select>
    </div>
@endif
@if ($type->value === 'selector')
    <fieldset class="checks">
        <legend>Positions</legend>
        @foreach (['auto', '0', 'I', 'II'] as $position)
            <label class="check"><input type="checkbox" name="positions[]" value="{{ $position }}"
                    @checked(in_array($position, old('positions', $was->positions ?? ['auto', '0', 'I', 'II'])))>
                {{ $position }}</label>
        @endforeach
        @error('positions')
            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
    </fieldset>
@endif
@if ($type->value === 'motor_changeover')
    @foreach (['power_i' => $was?->supplyI, 'power_ii' => $was?->supplyII] as $name => $value)
        <div class="field">
            <label for="f-{{ $name }}">{{ $name === 'power_i' ? 'Position I' : 'Position II' }}</label>
            <select id="f-{{ $name }}" name="{{ $name }}" class="form-select">
                @foreach ($page->circuit->failing() as $supply)
                    <option @selected(old($name, $value) === $supply->id)>{{ $supply->id }}</option>
                @endforeach
            </select>
            @error($name)
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
        </div>
    @endforeach
@endif
