@props(['name', 'label', 'unit' => '', 'value' => '', 'was' => null, 'error' => ''])
@php($id = 't-' . trim(preg_replace('/[^a-z0-9]+/i', '-', $name), '-'))
<div @class(['turn-row', 'is-changed' => $was !== null])>
    <label for="{{ $id }}">{{ $label }}@if ($was !== null)
            <small>sheet says <span class="fig">{{ $was }}</span>&#8239;{{ $unit }}</small>
        @endif
    </label>
    <div class="field-box"><input id="{{ $id }}" name="{{ $name }}" value="{{ $value }}" inputmode="decimal"
            autocomplete="off" @class([
                'form-control',
                'fig',
                'has-unit' => $unit !== '',
                'is-invalid' => $error !== '',
            ])><span class="unit">{{ $unit }}</span></div>
    @if ($error !== '')
        <p class="field-error"><x-glyph kind="stop" />{{ $error }}</p>
    @endif
</div>
