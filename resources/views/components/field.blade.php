@props([
    'name',
    'label',
    'value' => '',
    'unit' => null,
    'hint' => null,
    'type' => 'text',
    'errorKey' => null,
    'inputmode' => null,
    'was' => null,
])
@php($key = $errorKey ?? $name)
@php($id = 'f-' . preg_replace('/[^a-z0-9]+/i', '-', $name))
<div class="field">
    <label for="{{ $id }}">{{ $label }}</label>
    <div class="field-box">
        <input id="{{ $id }}" name="{{ $name }}" type="{{ $type }}" value="{{ $value }}"
            @if ($inputmode) inputmode="{{ $inputmode }}" @endif @class([
                'form-control',
                'has-unit' => $unit,
                'is-invalid' => $errors->has($key),
            ])
            @if ($errors->has($key)) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif {{ $attributes }}>
        @if ($unit)
            <span class="unit">{{ $unit }}</span>
        @endif
    </div>
    @error($key)
        <p class="field-error" id="{{ $id }}-error"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    @if ($hint)
        <p class="field-hint">{{ $hint }}</p>
    @endif
    @if ($was !== null)
        <p class="field-was">was <span class="fig">{{ $was }}</span></p>
    @endif
</div>
