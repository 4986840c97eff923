<div class="field">
    <label for="f-{{ $name }}">{{ $label }}</label>
    <select id="f-{{ $name }}" name="{{ $name }}" @class(['form-select', 'is-invalid' => $errors->has($name)])>
        @foreach ($choices as $choice => $words)
            <option value="{{ $choice }}" @selected(old($name, $value) === (string) $choice)>{{ $words }}</option>
        @endforeach
    </select>
    @error($name)
        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
</div>
