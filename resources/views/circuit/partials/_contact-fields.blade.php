<div class="field">
    <label for="f-of">Contact of</label>
    <select id="f-of" name="of" @class(['form-select', 'is-invalid' => $errors->has('of')])>
        @foreach ($page->contacts() as $value => $words)
            <option value="{{ $value }}" @selected(old('of', $chosen) === $value)>{{ $words }}</option>
        @endforeach
    </select>
    @error('of')
        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
</div>
<x-field name="label" label="Terminals on the device" :value="old('label', $label ?? '')" maxlength="7"
    hint="Such as 21-22; empty where not known" />
