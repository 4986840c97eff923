@props(['name', 'label', 'options', 'value' => null, 'hint' => null, 'errorKey' => null, 'id' => null])
@php($key = $errorKey ?? str_replace(['[', ']'], ['.', ''], $name))
@php($own = $id ?? 'f-' . trim((string) preg_replace('/[^a-z0-9]+/i', '-', $name), '-'))
<div class="field">
    <label for="{{ $own }}">{{ $label }}</label>
    <select id="{{ $own }}" name="{{ $name }}" @class(['form-select', 'is-invalid' => $errors->has($key)])
        @if ($errors->has($key)) aria-invalid="true" aria-describedby="{{ $own }}-error" @endif {{ $attributes }}>
        @foreach ($options as $option => $words)
            <option value="{{ $option }}" @selected(is_scalar($value ?? '') && (string) $option === (string) $value)>{{ $words }}</option>
        @endforeach
    </select>
    @error($key)
        <p class="field-error" id="{{ $own }}-error"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    @if ($hint)
        <p class="field-hint">{{ $hint }}</p>
    @endif
</div>
