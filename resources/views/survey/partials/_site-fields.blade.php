<div class="fields">
    <x-field name="name" label="Name" :value="old('name', $site?->name)" required />
    @if ($site)
        <div class="field">
            <label for="f-installation">Installation type</label>
            <select id="f-installation" name="installation" @class(['form-select', 'is-invalid' => $errors->has('installation')])>
                @foreach ($kinds as $kind)
                    <option value="{{ $kind->value }}"
                        @selected(old('installation', $site?->installation->value ?? 'K1') === $kind->value)>{{ $kind->label() }}</option>
                @endforeach
            </select>
            @error('installation')
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
        </div>
    @endif
    <x-field name="address" label="Address" :value="old('address', $site?->address)" />
    <x-field name="owner" label="Owner or contact" :value="old('owner', $site?->owner)" />
    <div class="field">
        <label for="f-timezone">Time zone</label>
        <input id="f-timezone" name="timezone" list="zones" value="{{ old('timezone', $site?->timezone ?? 'America/New_York') }}"
            @class(['form-control', 'is-invalid' => $errors->has('timezone')])>
        <datalist id="zones">
            @foreach (timezone_identifiers_list() as $zone)
                <option value="{{ $zone }}">
            @endforeach
        </datalist>
        @error('timezone')
            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
    </div>
    <fieldset class="field">
        <legend>Units</legend>
        <div class="choice">
            @foreach (['us' => 'US (ft)', 'metric' => 'Metric (m)'] as $value => $label)
                <label><input type="radio" name="units" value="{{ $value }}"
                        @checked(old('units', $site?->units ?? 'us') === $value)><span>{{ $label }}</span></label>
            @endforeach
        </div>
        @error('units')
            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
    </fieldset>
    <x-field name="service_a" label="Service size" unit="A" inputmode="numeric" :value="old('service_a', $site?->service_a)"
        hint="1 to 10 000 A" />
    <x-field name="altitude" label="Elevation" :unit="($site?->units ?? 'us') === 'us' ? 'ft' : 'm'" inputmode="decimal"
        :value="old('altitude', $altitude ?? '')"
        hint="A generator is weaker in thin air" />
</div>
@unless ($site)
    <fieldset class="field kinds">
        <legend>Installation type</legend>
        @foreach ($kinds as $kind)
            @php($picture = new \App\Stage\Survey\KindPicture($kind))
            <label class="kind"><input type="radio" name="installation" value="{{ $kind->value }}"
                    @checked(old('installation', 'K1') === $kind->value)>
                <span>{!! $picture->svg() !!}<span><b>{{ $kind->label() }}</b><small>{{ $kind->sentence() }}</small></span></span></label>
        @endforeach
        @error('installation')
            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
    </fieldset>
@endunless
<div class="field">
    <label for="f-notes">Notes</label>
    @php($notes = old('notes', $site?->notes))
    <textarea id="f-notes" name="notes" rows="3" @class(['form-control', 'is-invalid' => $errors->has('notes')])>{{ $notes }}</textarea>
    @error('notes')
        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
</div>
